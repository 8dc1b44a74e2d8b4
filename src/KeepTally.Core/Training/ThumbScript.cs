using KeepTally.Core.Chance;
using KeepTally.Core.Clock;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;

namespace KeepTally.Core.Training;

/// <summary>Something that happens in a simulated drill, to be tapped by the person training.</summary>
/// <param name="At">When it is seen.</param>
/// <param name="What">How it is tapped when it is tapped right.</param>
public sealed record Shown(Instant At, TapCommand What);

/// <summary>
/// What happens in a simulated drill, rep by rep, by the drill's own rules. The same seed shows the same; it is worked out ahead
/// on a sheet of its own, which the coach never sees.
/// </summary>
public static class ThumbScript
{
    private const int Parts = 1000;

    /// <summary>A player notices nothing earlier than this after the work begins.</summary>
    private static readonly Duration FirstAfter = Duration.FromSeconds(1);

    /// <param name="practice">The drill, with nothing said on it yet; it is played.</param>
    /// <param name="start">When its clock is started.</param>
    /// <param name="pace">From one rep to the next.</param>
    /// <param name="length">For so long after the start.</param>
    /// <param name="skill">The share of tries made.</param>
    /// <param name="draw">The source of random numbers; seeded, so that a run can be repeated.</param>
    public static IReadOnlyList<Shown> Play(
        LivePractice practice,
        Instant start,
        Duration pace,
        Duration length,
        double skill,
        SeededDraw draw
    )
    {
        practice.Execute(RunCommand.Start, start);
        var run = practice.Runs[practice.Current];
        var countIn = run.Sheets[0].Sheet.Stage.Clock?.CountIn ?? Duration.Zero;
        var shown = new List<Shown>();
        for (var at = start + countIn + FirstAfter; at <= start + countIn + length; at += pace)
        {
            practice.AppendDue(at);
            if (run.IsDone(at))
            {
                break;
            }

            if (run.ClockAt(at)?.Interval.Kind is not (null or IntervalKind.Work))
            {
                continue;
            }

            foreach (var each in run.OpenAt(at).ToArray())
            {
                // One at a time: the person training has one thumb, and everything shown can be tapped.
                var units = StandIn.AtWork(each.Sheet, at, draw).Where(unit => !IsDone(each.Sheet, unit, at)).ToArray();
                if (
                    units.Length > 0
                    && StandIn.Go(each.Sheet, units[(int)draw.Below(units.Length)], draw.Below(Parts) < skill * Parts, at, draw)
                        is { } what
                    && practice.Tap(each.Id, Read(each.Sheet, what, draw), at).IsOk
                )
                {
                    shown.Add(new Shown(at, what));
                }
            }
        }

        return shown;
    }

    /// <summary>Adds a reading where an outcome carries one; the person training is not asked for it.</summary>
    private static TapCommand Read(Sheet sheet, TapCommand what, SeededDraw draw) =>
        sheet.Stage.Outcomes.FirstOrDefault(each => each.Id == what.Outcome)?.Reading is null
            ? what
            : what with
            {
                Value = 1 + draw.Below(20),
            };

    private static bool IsDone(Sheet sheet, PlayerId unit, Instant at) =>
        sheet.ReportAt(at).Units.First(each => each.Id == unit).Done;
}
