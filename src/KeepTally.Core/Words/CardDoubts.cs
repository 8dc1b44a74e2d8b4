using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Faults;
using KeepTally.Core.Rules.Endings;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>
/// Numbers of a card that speak against each other, and what of its layout is passed over. Such a card reads and can be run, but something on it will not happen as
/// it says.
/// </summary>
public static class CardDoubts
{
    /// <summary>The time that the minutes of a card may leave out: counting in, the last ball.</summary>
    private static readonly Duration Leeway = Duration.FromMinutes(1);

    /// <summary>Each doubt with its place and its fix; none for most cards.</summary>
    public static IReadOnlyList<Fault> Of(DrillCard card) =>
        [
            .. card.Stages.SelectMany((stage, index) => OfStage(stage, $"stages[{index}]")),
            .. OfMinutes(card),
            .. card.Layout?.PassedOver ?? [],
            .. card.Stages.SelectMany(stage => stage.Versus).SelectMany(way => way.Layout?.PassedOver ?? []),
        ];

    private static IEnumerable<Fault> OfStage(Stage stage, string place)
    {
        if (stage.Clock is not { } clock || stage.Until.OfType<TimeEnding>().FirstOrDefault() is not { } limit)
        {
            yield break;
        }

        var seconds = Phrase.Figure(WantedOf(stage, clock).TotalSeconds);
        var wanted = Phrase.Span(WantedOf(stage, clock));
        var given = Phrase.Span(limit.Length);
        if (limit.Length == WantedOf(stage, clock))
        {
            yield break;
        }

        yield return new Fault(
            $"{place}.until",
            (stage.Play == Play.Turns, limit.Length < WantedOf(stage, clock)) switch
            {
                (true, _) => $"a turn lasts {given}, but the clock gives each {wanted}",
                (false, true) => $"it is over after {given}, but the clock runs for {wanted}",
                (false, false) => $"the clock is over after {wanted}, so the limit of {given} is never reached",
            },
            $"write seconds: {seconds}, or other work, rounds or changes"
        );
    }

    /// <summary>In turns a limit is that of a turn, which is a round of work; else that of all that is played.</summary>
    private static Duration WantedOf(Stage stage, ClockPlan clock) =>
        stage.Play == Play.Turns ? clock.Work : clock.Total - clock.CountIn;

    private static IEnumerable<Fault> OfMinutes(DrillCard card)
    {
        var clocks = card
            .Stages.Select(stage => stage.Clock?.Total ?? Duration.Zero)
            .Aggregate(Duration.Zero, (sum, total) => sum + total);
        if (card.Minutes > 0 && clocks > Duration.FromMinutes(card.Minutes) + Leeway)
        {
            yield return new Fault(
                "minutes",
                $"the card says {Phrase.Span(Duration.FromMinutes(card.Minutes))}, its clock alone runs for {Phrase.Clock(clocks)}",
                $"write minutes: {Phrase.Figure(Math.Ceiling(clocks.TotalSeconds / 60))}, or fewer or shorter rounds"
            );
        }
    }
}
