using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;

namespace KeepTally.Core.Scoring;

/// <summary>Holds a log's head against its card.</summary>
internal static class HeadCheck
{
    internal static IReadOnlyList<Fault> Check(DrillCard card, LogHead head)
    {
        var faults = new List<Fault>();
        if (head.Drill != card.Id)
        {
            faults.Add(
                new Fault(
                    "drill",
                    $"the log is of \"{head.Drill}\", the card is \"{card.Id}\"",
                    "take the card the log was made with"
                )
            );
        }

        if (head.Stage >= card.Stages.Count)
        {
            faults.Add(
                new Fault("stage", $"the card has no stage {head.Stage}", $"write a stage from 0 to {card.Stages.Count - 1}")
            );
            return faults;
        }

        var stage = card.Stages[head.Stage];
        var units = head.Units.Select(unit => unit.Id.Value).ToHashSet(StringComparer.Ordinal);
        foreach (var name in Named(stage).Where(name => !units.Contains(name)).Distinct())
        {
            faults.Add(new Fault("units", $"the card asks for \"{name}\"", "add it to the units of the log"));
        }

        if (stage.Sides.Count > 0)
        {
            foreach (var stranger in units.Except(stage.Sides))
            {
                faults.Add(
                    new Fault("units", $"\"{stranger}\" is not a side of the card", "use " + string.Join(", ", stage.Sides))
                );
            }
        }

        return faults;
    }

    /// <summary>Every unit the stage itself names.</summary>
    private static IEnumerable<string> Named(Stage stage)
    {
        foreach (var side in stage.Sides)
        {
            yield return side;
        }

        if (stage.Ball is { } ball)
        {
            yield return ball;
        }

        foreach (var outcome in stage.Outcomes)
        {
            if (outcome.By is TappedBy.Named by)
            {
                yield return by.Side;
            }

            foreach (var award in outcome.Points)
            {
                if (award.To is Recipient.Named named)
                {
                    yield return named.Unit;
                }
            }
        }
    }
}
