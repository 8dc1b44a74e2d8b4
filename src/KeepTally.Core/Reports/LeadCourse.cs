using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>How a match stood after a tap that changed it.</summary>
/// <param name="At">Running time of the game.</param>
/// <param name="First">The points of the first side.</param>
/// <param name="Second">The points of the second side.</param>
public readonly record struct LeadStep(RunningTime At, double First, double Second)
{
    /// <summary>How far the first is ahead; below nought where the second is.</summary>
    public double Lead => First - Second;
}

/// <summary>The course of one game of a match: who led, and by how much.</summary>
/// <param name="First">The name of the first side.</param>
/// <param name="Second">The name of the second side.</param>
/// <param name="Steps">After every tap that changed the points, in order.</param>
/// <param name="Undone">When taps were made that were undone, in order.</param>
public sealed record LeadCourse(string First, string Second, IReadOnlyList<LeadStep> Steps, IReadOnlyList<RunningTime> Undone)
{
    /// <summary>Whether a lead is told: of a match of two that points decide.</summary>
    public static bool IsTold(Stage stage, LogHead head) =>
        stage.Play == Play.Match && head.Units.Count == 2 && stage.Measures[0].By == MeasureKinds.Points;

    /// <summary>The lead in each game of a sheet being kept, without the taps that were undone; none where no lead is told.</summary>
    public static IReadOnlyList<LeadCourse> Of(Sheet live) =>
        IsTold(live.Stage, live.Head)
            ? Of(
                live.Stage,
                live.Head,
                TapStep.Of(live),
                Enumerable.Empty<(int, RunningTime)>().ToLookup(tap => tap.Item1, tap => tap.Item2)
            )
            : [];

    internal static IReadOnlyList<LeadCourse> Of(
        Stage stage,
        LogHead head,
        IEnumerable<TapStep> steps,
        ILookup<int, RunningTime> undone
    ) =>
        !IsTold(stage, head)
            ? []
            :
            [
                .. steps
                    .GroupBy(step => step.Game)
                    .OrderBy(game => game.Key)
                    .Select(game => new LeadCourse(
                        head.Units[0].Name,
                        head.Units[1].Name,
                        [
                            .. game.Where(step =>
                                    step.Before.Units.Zip(step.After.Units).Any(unit => unit.First.Points != unit.Second.Points)
                                )
                                .Select(step => new LeadStep(step.Running, step.After.Units[0].Points, step.After.Units[1].Points)),
                        ],
                        [.. undone[game.Key].Order()]
                    )),
            ];

    /// <summary>Taps by which one side went ahead after the other had been ahead last; being level between them counts as no lead.</summary>
    public IReadOnlyList<LeadStep> Changes
    {
        get
        {
            var changes = new List<LeadStep>();
            var last = 0;
            foreach (var step in Steps)
            {
                var leads = Math.Sign(step.Lead);
                if (leads != 0 && last != 0 && leads != last)
                {
                    changes.Add(step);
                }

                last = leads == 0 ? last : leads;
            }

            return changes;
        }
    }

    /// <summary>The furthest the first was ahead; nought where it never was.</summary>
    public double FirstBy => Steps.Select(step => step.Lead).Append(0).Max();

    /// <summary>The furthest the second was ahead; nought where it never was.</summary>
    public double SecondBy => Steps.Select(step => -step.Lead).Append(0).Max();
}
