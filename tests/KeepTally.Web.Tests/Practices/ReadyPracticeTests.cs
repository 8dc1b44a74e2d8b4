using KeepTally.Core.Faults;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Practices;

/// <summary>Every ready practice can be begun at once with the squads coaches have, odd numbers too.</summary>
public sealed class ReadyPracticeTests
{
    [Theory]
    [InlineData(8)]
    [InlineData(11)]
    [InlineData(14)]
    [InlineData(17)]
    public async Task Every_ready_practice_begins_with_every_drill_of_it(int players)
    {
        await using var home = Installation.Empty();
        await home.InitializeAsync();
        var team = await home.WithAsync<SquadBook, int>(squad => squad.AddTeamAsync("Reed Warblers", ""));
        await home.WithAsync<SquadBook, int>(async squad =>
        {
            var names = string.Join('\n', Enumerable.Range(1, players).Select(number => $"Player {(char)('A' + number)}"));
            await squad.TakeAsync(team, SquadNames.Read(names).Rows);
            return 0;
        });
        foreach (var ready in ReadyPractices.All)
        {
            var made = await home.WithAsync<ReadyPracticeWriter, Result<int>>(writer => writer.AddAsync(ready.Id, team));
            Assert.Null(
                await home.WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(made.Require())).FirstFault)
            );
            var runs = await home.WithAsync<TallyDb, List<Run>>(db =>
                db.Runs.Include(run => run.Sheets).Where(run => run.Block!.PracticeId == made.Require()).ToListAsync()
            );
            Assert.True(
                runs.Count >= ready.Drills.Count,
                $"{ready.Id} with {players}: {runs.Count} of {ready.Drills.Count} drills"
            );
            Assert.All(runs, run => Assert.NotEmpty(run.Sheets));
        }
    }

    [Fact]
    public void Plain_names_are_read_as_people_write_them()
    {
        var read = SquadNames.Read("7 Ada\r\n- Bea Marlowe\n• 12. Cleo\nDora, Esme;Freya 9\n\n#4 Greta\nAda\n15\n");
        Assert.Equal(
            [("Ada", 7), ("Bea Marlowe", null), ("Cleo", 12), ("Dora", null), ("Esme", null), ("Freya", 9), ("Greta", (int?)4)],
            read.Rows.Select(row => (row.Details.Name, row.Details.Number))
        );
        Assert.Equal(
            [(7, "Ada stands there already; add a letter to tell them apart"), (8, "15 has no name")],
            read.Wrong.Select(fault => (fault.Line, fault.Reason))
        );
    }
}
