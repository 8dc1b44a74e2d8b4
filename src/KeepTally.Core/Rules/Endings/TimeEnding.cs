using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Json;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Rules.Endings;

/// <summary>Ends after a running time without pauses; in turns, that of the turn.</summary>
/// <param name="Length">The time, a millisecond or more.</param>
/// <param name="After">What becomes of the play under way.</param>
public sealed record TimeEnding(Duration Length, AtTheHorn After) : Ending
{
    private static readonly Choices<AtTheHorn> Horns = new(
        "after",
        ("cut", AtTheHorn.Cut, "counting stops at the horn"),
        ("finish", AtTheHorn.Finish, "the play under way counts")
    );

    /// <summary>How it stands on a card.</summary>
    public static EndingKind Kind { get; } =
        new(
            property: "seconds",
            label: "seconds",
            template: "60",
            amount: Schema.Number(0.001, ClockReader.LongestSeconds),
            read: static (amount, ending) => new TimeEnding(ClockReader.Span(amount, 0.001), Horns.ReadFrom(ending))
        )
        {
            Fields = [new EndingField(new RuleField("after", "At the horn", Horns), Schema.OneOf(Horns), "\"cut\"")],
        };

    internal override MatchEnd InMatch => MatchEnd.Ranked;

    internal override bool IsByTap => false;

    internal override string Words(Stage stage) =>
        stage.Play == Play.Turns ? $"a turn lasts {Phrase.Span(Length)}"
        : stage.Clock is { Rounds: > 1 } plan && Length >= plan.Total - plan.CountIn ? "over after the last round"
        : $"over after {Phrase.Span(Length)}";

    internal override string Aim(Stage stage, IReadOnlyList<double> points) => "";

    internal override bool IsMet(UnitTally unit, UnitTally[] units, Play play) => false;

    /// <summary>The shortest time limits among endings.</summary>
    internal static ClockLimit LimitOf(IReadOnlyList<Ending> endings)
    {
        return new ClockLimit(Shortest(AtTheHorn.Cut), Shortest(AtTheHorn.Finish));

        Duration? Shortest(AtTheHorn after)
        {
            var times = endings.OfType<TimeEnding>().Where(time => time.After == after).ToArray();
            return times.Length == 0 ? null : times.Min(time => time.Length);
        }
    }
}

/// <summary>Whether the play under way at the horn still counts.</summary>
public enum AtTheHorn
{
    /// <summary>A tap after it is late.</summary>
    Cut,

    /// <summary>Taps count until the end or the turn is called.</summary>
    Finish,
}
