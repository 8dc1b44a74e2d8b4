using KeepTally.Core.Cards;
using KeepTally.Core.Json;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;

namespace KeepTally.Core.Rules.Endings;

/// <summary>A unit has <paramref name="AtLeast"/> points or more and leads every other by <paramref name="Lead"/>.</summary>
/// <param name="AtLeast">Points that are enough.</param>
/// <param name="Lead">Points it must be ahead of every other; 0 where that does not matter.</param>
public sealed record PointsEnding(double AtLeast, double Lead) : Ending
{
    /// <summary>How it stands on a card.</summary>
    public static EndingKind Kind { get; } =
        new(
            property: "points",
            label: "points",
            template: "11",
            amount: Schema.AnyNumber,
            read: static (amount, ending) => new PointsEnding(amount.Number(), ending.Find("lead")?.Number(0, double.MaxValue) ?? 0)
        )
        {
            Fields = [new EndingField(new RuleField("lead", "with a lead of"), Schema.Number(0), "0")],
        };

    internal override bool LooksAtOthers => Lead > 0 || AtLeast <= 0;

    internal override string Words(Stage stage) =>
        $"{Reach(stage)} {Phrase.Figure(AtLeast)}"
        + (stage.Play == Play.Match ? "" : Phrase.Plural(AtLeast, " point"))
        + (Lead > 0 ? $" with a lead of {Phrase.Figure(Lead)}" : "");

    /// <summary>Where a lead is asked for and nobody can reach it with the points alone, the lead is all there is to play for.</summary>
    internal override string Aim(Stage stage, IReadOnlyList<double> points)
    {
        double[] best = [.. points.OrderDescending().Take(2)];
        return Lead > 1 && best is [var first, var second] && second > AtLeast - Lead
            ? $"{Phrase.Figure(first)} to {Phrase.Figure(second)}: {Phrase.Count((int)Lead)} clear now"
            : Words(stage);
    }

    internal override bool IsMet(UnitTally unit, UnitTally[] units, Play play)
    {
        if (unit.Points < AtLeast)
        {
            return false;
        }

        foreach (var other in units)
        {
            if (other != unit && unit.Points - other.Points < Lead)
            {
                return false;
            }
        }

        return true;
    }
}
