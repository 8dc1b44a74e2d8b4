using KeepTally.Core.Time;

namespace KeepTally.Core.Clock;

/// <summary>The intervals of a stage as its card writes them. Source: docs/formats.md, section 3.</summary>
/// <param name="Work">The work of a round.</param>
/// <param name="Change">The change-over between rounds.</param>
/// <param name="Rounds">The number of rounds.</param>
/// <param name="CountIn">The count-in before work begins.</param>
/// <param name="Calls">Spans before the end of a work interval at which the time left is called.</param>
/// <param name="BreakAfter">The break after a round.</param>
/// <param name="Surprise">The bounds of a surprise ending; null for none.</param>
/// <param name="Rep">A shot clock for one rep, or null.</param>
public sealed record ClockPlan(
    Duration Work,
    Duration Change,
    int Rounds,
    Duration CountIn,
    IReadOnlyList<Duration> Calls,
    LongBreak? BreakAfter,
    Surprise? Surprise,
    Duration? Rep
)
{
    /// <summary>The event that starts the clock of a rep.</summary>
    public RepStart RepFrom { get; init; }

    /// <summary>The seconds that coaches added to or removed from intervals; every other one is as on the card.</summary>
    public IReadOnlyDictionary<(IntervalKind Kind, int Round), Duration> Added { get; init; } =
        new Dictionary<(IntervalKind, int), Duration>();

    /// <summary>How long the work of a round, from 1, is.</summary>
    public Duration WorkOf(int round) => Work + Added.GetValueOrDefault((IntervalKind.Work, round));

    /// <summary>How long the change-over after a round is.</summary>
    public Duration ChangeAfter(int round) => Change + Added.GetValueOrDefault((IntervalKind.Change, round));

    /// <summary>How long the break after a round is.</summary>
    public Duration BreakOf(int round) =>
        BreakAfter is { } rest && rest.Round == round
            ? rest.Length + Added.GetValueOrDefault((IntervalKind.Break, round))
            : Duration.Zero;

    /// <summary>The clock time at which the work of a round, from 1, is over.</summary>
    public ClockTime WorkEnd(int round)
    {
        var end =
            ClockTime.Zero
            + CountIn
            + (round * Work)
            + ((round - 1) * Change)
            + (BreakAfter is { } rest && rest.Round < round ? rest.Length : Duration.Zero);
        foreach (var ((kind, of), by) in Added)
        {
            end += of < round || (of == round && kind == IntervalKind.Work) ? by : Duration.Zero;
        }

        return end;
    }

    /// <summary>The moment itself while work runs or once all is over; in a rest, when the next work begins.</summary>
    public ClockTime WorkFrom(ClockTime moment)
    {
        for (var round = 1; round <= Rounds; round++)
        {
            var end = WorkEnd(round);
            if (moment < end)
            {
                return ClockTime.Max(moment, end - WorkOf(round));
            }
        }

        return moment;
    }

    /// <summary>How much work has run by what the clock reads.</summary>
    public Duration WorkBy(ClockTime elapsed)
    {
        var worked = Duration.Zero;
        for (var round = 1; round <= Rounds; round++)
        {
            var end = WorkEnd(round);
            if (elapsed >= end)
            {
                worked += WorkOf(round);
                continue;
            }

            return worked + Duration.Max(Duration.Zero, WorkOf(round) - (end - elapsed));
        }

        return worked;
    }

    /// <summary>
    /// The same clock with the work under way longer, or shorter; in a rest, or when all is over, the work that was last goes on
    /// from now. Work ends no sooner than now, in the count-in no sooner than it begins, and what is over is not made shorter.
    /// </summary>
    /// <param name="now">What the clock reads.</param>
    /// <param name="by">The time added.</param>
    public ClockPlan Longer(ClockTime now, Duration by)
    {
        var round = 1;
        while (round < Rounds && now >= WorkEnd(round + 1) - WorkOf(round + 1))
        {
            round++;
        }

        var end = WorkEnd(round);
        if (now >= end && by < Duration.Zero)
        {
            return this;
        }

        var more = now > end ? now - end + by : Duration.Max(by, ClockTime.Max(now, end - WorkOf(round)) - end);
        return With(IntervalKind.Work, round, more);
    }

    /// <summary>The same clock with an interval over sooner or later than it was; its count-in and its end stay.</summary>
    public ClockPlan Moved(Interval interval, Duration by) =>
        interval.Kind is IntervalKind.Work or IntervalKind.Change or IntervalKind.Break
            ? With(interval.Kind, interval.Round, by)
            : this;

    /// <summary>
    /// The same clock with more rounds, or fewer, though never fewer than have begun. Once all was over the work of a further round
    /// begins when its change-over is over, and no sooner than now.
    /// </summary>
    /// <param name="rounds">The number of rounds.</param>
    /// <param name="now">What the clock reads.</param>
    public ClockPlan OfRounds(int rounds, ClockTime now)
    {
        var begun = 1;
        while (begun < Rounds && now >= WorkEnd(begun + 1) - WorkOf(begun + 1))
        {
            begun++;
        }

        var most = Math.Max(rounds, begun);
        var plan = this with { Rounds = most };
        if (most <= Rounds)
        {
            return most == Rounds ? this : plan;
        }

        var begins = plan.WorkEnd(Rounds + 1) - plan.WorkOf(Rounds + 1);
        return begins < now ? plan.With(IntervalKind.Change, Rounds, now - begins) : plan;
    }

    private ClockPlan With(IntervalKind kind, int round, Duration more) =>
        this with
        {
            Added = new Dictionary<(IntervalKind, int), Duration>(Added)
            {
                [(kind, round)] = Added.GetValueOrDefault((kind, round)) + more,
            },
        };

    /// <summary>Count-in, rounds of work, the changes between them, and the break.</summary>
    public Duration Total =>
        WorkEnd(Rounds) - ClockTime.Zero + (BreakAfter is { } rest && rest.Round >= Rounds ? BreakOf(rest.Round) : Duration.Zero);
}

/// <summary>The event that starts the clock of a rep.</summary>
public enum RepStart
{
    /// <summary>The work, and anew every counted tap.</summary>
    Tap,

    /// <summary>The coach's whistle alone.</summary>
    Whistle,
}

/// <summary>A break after the change-over's round (counted from 1) is over.</summary>
public sealed record LongBreak(int Round, Duration Length);

/// <summary>A signal at a random moment of the work interval, from the run's seed.</summary>
public sealed record Surprise(Duration Min, Duration Max);
