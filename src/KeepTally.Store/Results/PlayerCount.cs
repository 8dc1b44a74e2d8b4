using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Reports;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;

namespace KeepTally.Store.Results;

/// <summary>The kind of a <see cref="PlayerCount"/>.</summary>
public enum PlayerCountKind
{
    /// <summary>A move the coach called for.</summary>
    Called,

    /// <summary>Something done at a job, which is no go of the player's own.</summary>
    Job,
}

/// <summary>How often a player made something in a drill, over all practices in which it was scored alike.</summary>
/// <param name="Kind">The kind of count: called move or work at a job.</param>
/// <param name="Name">The name of what is counted.</param>
/// <param name="Made">The number made.</param>
/// <param name="Of">How often it was asked for; null where it is only counted.</param>
public sealed record PlayerCount(PlayerCountKind Kind, string Name, int Made, int? Of)
{
    /// <summary>The kind of the row in the plural, for a heading.</summary>
    public string KindWords =>
        Kind switch
        {
            PlayerCountKind.Called => "called moves",
            PlayerCountKind.Job => "work at jobs",
        };

    /// <summary>Returns the rows of a player; what never came up is left out.</summary>
    /// <param name="player">The id of the player.</param>
    /// <param name="stage">The stage of the card.</param>
    /// <param name="sheets">Of one way of scoring.</param>
    internal static IReadOnlyList<PlayerCount> AllOf(PlayerId player, Stage stage, IReadOnlyList<PastSheet> sheets)
    {
        UnitReport[] reports =
        [
            .. sheets
                .Where(sheet => sheet.Outcome.Report.Games.Any(game => game.Units.Any(unit => unit.Id == player)))
                .Select(sheet => GameTotals.Of(stage, sheet.Outcome.Report.Games, player)),
        ];
        CalledRow[] called = [.. sheets.SelectMany(sheet => sheet.Outcome.Called).Where(row => row.Unit == player)];
        return
        [
            .. called
                .GroupBy(row => row.Move)
                .Select(move => new PlayerCount(
                    PlayerCountKind.Called,
                    Phrase.Capital(move.Key),
                    move.Sum(each => each.Made),
                    move.Sum(each => each.Goes)
                )),
            .. stage
                .Outcomes.Where(outcome => outcome.Job is not null)
                .Select(outcome => new PlayerCount(PlayerCountKind.Job, outcome.Label, In(outcome.Id, reports), null))
                .Where(row => row.Made > 0),
        ];
    }

    private static int In(string outcome, UnitReport[] reports) =>
        reports.SelectMany(report => report.Counts).Where(count => count.Key == outcome).Sum(count => count.Value);
}
