using KeepTally.Core.Chance;
using KeepTally.Core.Clock;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Time;
using KeepTally.Core.Training;

namespace KeepTally.Store.Demo;

/// <summary>Made-up players who play a drill by its own rules, better or worse by a fixed skill: the same draw, the same taps.</summary>
/// <param name="draw">The source of random numbers.</param>
/// <param name="skill">The chance that a player's try succeeds; that of a side or a group is even.</param>
internal sealed class StandIns(SeededDraw draw, IReadOnlyDictionary<PlayerId, double> skill)
{
    private const int Parts = 1000;
    private const double Even = 0.45;

    /// <summary>The person who taps does not see every rep of a group.</summary>
    private const double Seen = 0.8;

    private static readonly Duration LeastPace = Duration.FromSeconds(6);
    private static readonly Duration Walk = Duration.FromMinutes(1);

    /// <summary>Plays the drill under way for so long at the most, and ends it; the time then.</summary>
    internal Instant Play(LivePractice practice, Instant now, Duration length)
    {
        var run = practice.Runs[practice.Current];
        now += Walk;
        var end = now + length;
        var pace = Duration.Max(LeastPace, Duration.FromSeconds((int)run.Sheets[0].Sheet.Card.SecondsPerRep));
        practice.Execute(RunCommand.Start, now);
        while (now < end && !run.IsDone(now))
        {
            now += pace;
            practice.AppendDue(now);
            if (run.ClockAt(now)?.Interval.Kind is null or IntervalKind.Work)
            {
                Rep(practice, run, now);
            }
        }

        practice.Execute(RunCommand.End, now);
        return now;
    }

    private void Rep(LivePractice practice, LiveRun run, Instant now)
    {
        foreach (var each in run.OpenAt(now).ToArray())
        {
            var live = each.Sheet;
            foreach (var unit in StandIn.AtWork(live, now, draw))
            {
                if (Chance() < Seen && Touch(live, unit, now) is { } command)
                {
                    practice.Tap(each.Id, command, now);
                }
            }
        }
    }

    private TapCommand? Touch(Sheet live, PlayerId unit, Instant now) =>
        live.ReportAt(now).Units.First(each => each.Id == unit).Done
            ? null
            : StandIn.Go(live, unit, Chance() < skill.GetValueOrDefault(unit, Even), now, draw);

    private double Chance() => draw.Below(Parts) / (double)Parts;
}
