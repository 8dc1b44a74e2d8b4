using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Book;
using KeepTally.Store.Squads;

namespace KeepTally.Store.Planning;

/// <summary>Makes sheets of the ready practices, for a team as it is.</summary>
public sealed class ReadyPracticeWriter(BlockWriter blocks, PlanBook plans, DrillBook book, SquadBook squad)
{
    private const double RoundedTo = 5;

    /// <summary>The sheet of a ready practice for a team; or why there is none.</summary>
    public async Task<Result<Plan>> SheetAsync(string id, int team, CancellationToken cancellationToken = default)
    {
        if (ReadyPractices.All.FirstOrDefault(each => each.Id == id) is not { } ready)
        {
            return Result.Fail<Plan>(new Fault("practice", "there is no such practice", "choose another"));
        }

        var players = (await squad.ListAsync(team, cancellationToken)).Count;
        if (players == 0)
        {
            return Result.Fail<Plan>(new Fault("squad", "the squad has no players yet", "add players first"));
        }

        var cards = (await book.CardsAsync(cancellationToken)).ToDictionary(entry => entry.Id, entry => entry.Card);
        var sheet = new Plan
        {
            Title = ready.Title,
            Start = default,
            Minutes = 1,
            Players = players,
            Blocks = [],
        };
        foreach (var (drill, minutes) in ready.Drills)
        {
            // A card a coach has changed or archived, or a squad too small for it: the rest of the practice stands.
            if (cards.TryGetValue(drill, out var card) && card.Players.Min <= players)
            {
                var line = new PlanBlock.Drill(card.Id, minutes, SuggestedCount.Usual(card, players))
                {
                    ChangeSeconds = sheet.WalkTo(),
                };
                sheet = sheet.Inserted(sheet.Blocks.Count, line);
            }
        }

        var whole = (ready.Minutes + (PlanEdits.WalkSeconds / 60 * ready.Drills.Count)) / RoundedTo;
        return Result.Ok(sheet with { Minutes = Math.Ceiling(whole) * RoundedTo });
    }

    /// <summary>Puts a ready practice on today's timing sheet of a team; the practice, or why it could not be made.</summary>
    public async Task<Result<int>> AddAsync(string id, int team, CancellationToken cancellationToken = default)
    {
        var sheet = await SheetAsync(id, team, cancellationToken);
        if (!sheet.IsOk)
        {
            return Result.Fail<int>(sheet.Faults);
        }

        if (await blocks.BeginAsync(team, cancellationToken) is not { } practice)
        {
            return Result.Fail<int>(BlockWriter.NoTeam);
        }

        var (title, minutes) = (sheet.Value.Title, sheet.Value.Minutes);
        var written = await plans.EditAsync(
            practice,
            open => Result.Ok(open.Plan.Followed(sheet.Value.Blocks) with { Title = title, Minutes = minutes }),
            cancellationToken
        );
        return written.IsOk ? Result.Ok(practice) : Result.Fail<int>(written.Faults);
    }
}
