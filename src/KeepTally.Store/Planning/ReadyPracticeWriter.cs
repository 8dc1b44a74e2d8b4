using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Puts a ready practice on today's timing sheet of a team.</summary>
public sealed class ReadyPracticeWriter(TallyDb db, BlockWriter blocks)
{
    private const double WalkMinutes = 1;

    /// <summary>Makes it; the practice, or why it could not be made.</summary>
    public async Task<Result<int>> AddAsync(string id, int team, CancellationToken cancellationToken = default)
    {
        if (ReadyPractices.All.FirstOrDefault(each => each.Id == id) is not { } ready)
        {
            return Result.Fail<int>(new Fault("practice", "there is no such practice", "choose another"));
        }

        var players = await db.Players.CountAsync(player => player.TeamId == team && !player.Archived, cancellationToken);
        if (players == 0)
        {
            return Result.Fail<int>(new Fault("squad", "there is nobody in the squad yet", "write down the squad first"));
        }

        if (await blocks.BeginAsync(team, cancellationToken) is not { } practice)
        {
            return Result.Fail<int>(BlockWriter.NoTeam);
        }

        await NameAsync(practice, ready, cancellationToken);
        foreach (var (card, minutes) in ready.Drills)
        {
            var text = await db
                .CardVersions.Where(version => version.CardId == card)
                .OrderByDescending(version => version.Version)
                .Select(version => version.Json)
                .FirstOrDefaultAsync(cancellationToken);
            if (text is null || CardReader.Read(text).Value is not { } read || read.Players.Min > players)
            {
                // A card a coach has changed or put away, or a squad too small for it: the rest of the practice stands.
                continue;
            }

            await blocks.AddAsync(
                new DrillLine(practice, card, minutes, SuggestedGroups.For(read, players), new Dictionary<string, string>()),
                cancellationToken
            );
        }

        return Result.Ok(practice);
    }

    private async Task NameAsync(int practice, ReadyPractice ready, CancellationToken cancellationToken)
    {
        var row = await db.Practices.SingleAsync(each => each.Id == practice, cancellationToken);
        row.Title = ready.Title;
        row.Minutes = (int)Math.Ceiling((ready.Minutes + (WalkMinutes * ready.Drills.Count)) / 5) * 5;
        await db.SaveChangesAsync(cancellationToken);
    }
}
