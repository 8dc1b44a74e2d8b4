using KeepTally.Core.Live;
using KeepTally.Store.Database;
using KeepTally.Store.People;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace KeepTally.Web.Tests.Book;

/// <summary>A database from before the drill book is brought up to it and loses nothing.</summary>
public sealed class UpgradeTests
{
    [Fact]
    public void Cards_of_an_older_database_become_cards_of_the_book()
    {
        using var connection = new SqliteConnection("Data Source=:memory:");
        connection.Open();
        using var db = new TallyDb(new DbContextOptionsBuilder<TallyDb>().UseSqlite(connection).Options, new Reach());
        db.GetService<IMigrator>().Migrate("Beginning");
        db.Database.ExecuteSqlRaw(
            """INSERT INTO CardVersions (CardId, Version, Name, Json) VALUES ('old', 1, 'Old', '{{}}'), ('old', 2, 'Old', '{{}}'), ('older', 1, 'Older', '{{}}')"""
        );
        db.Database.ExecuteSqlRaw("INSERT INTO Teams (Name) VALUES ('Terns')");
        db.Database.ExecuteSqlRaw(
            "INSERT INTO Practices (TeamId, Title, Date, Start, Minutes) VALUES (1, 'P', '2026-09-03', '17:30:00', 30)"
        );
        db.Database.ExecuteSqlRaw(
            "INSERT INTO Blocks (PracticeId, \"Order\", CardVersionId, Stage, Minutes, Groups, ChangeSeconds) VALUES (1, 0, 2, 0, 8, 1, 0)"
        );

        db.Database.Migrate();

        Assert.Equal(CoachList.StopReasons.Usual, CoachList.StopReasons.Of(db.Teams.Select(team => team.StopReasons).Single()));
        Assert.Equal(["old", "older"], db.Cards.Select(card => card.Id).Order());
        Assert.Equal(
            ("{}", ""),
            db.Blocks.Select(block => new { block.OptionsJson, block.Part })
                .AsEnumerable()
                .Select(b => (b.OptionsJson, b.Part))
                .Single()
        );
    }
}
