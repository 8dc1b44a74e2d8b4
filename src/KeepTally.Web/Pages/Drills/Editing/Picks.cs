using KeepTally.Core.Clock;
using KeepTally.Core.Formats;
using KeepTally.Core.Places;
using KeepTally.Core.Rulebook;
using KeepTally.Core.Rules.Effects;

namespace KeepTally.Web.Pages.Drills.Editing;

/// <summary>
/// The words of every closed choice of a card, the usual one first. What the format itself knows as a closed choice comes from
/// the core; here stands only what the editor offers besides.
/// </summary>
public static class Picks
{
    private static readonly Dictionary<string, IReadOnlyList<(string Value, string Words)>> All = CardChoices
        .All.Concat(PlaceChoices.All)
        .Concat(ClockChoices.All)
        .Concat(StandardRules.All.Stage.SelectMany(kind => kind.Choices))
        .DistinctBy(choices => choices.Property)
        .ToDictionary(choices => choices.Property, choices => choices.All);

    /// <summary>The options of a choice, the default first; empty where no such choice is known.</summary>
    public static IReadOnlyList<(string Value, string Words)> Of(string name) =>
        All.TryGetValue(name, out var choices)
            ? choices
            : name switch
            {
                "whose" => [("", "the tapped player"), ("ball", "the side with the ball"), ("offBall", "the side without it")],
                "pass" =>
                [
                    ("window", "made out of a number of goes, such as 5 of 7"),
                    ("makes", "made in all, such as 5"),
                    ("streak", "made in a row, such as 3"),
                ],
                "reading" =>
                [
                    ("", "none"),
                    ("s", "seconds, with a watch"),
                    ("m", "metres"),
                    ("throws", "throws"),
                    ("km/h", "km/h"),
                ],
                "effort" => [("1", "1, calm"), ("2", "2, easy"), ("3", "3, steady"), ("4", "4, hard"), ("5", "5, flat out")],
                "load" => [("attempt", "every go"), ("tap", "every tap")],
                _ => [],
            };

    /// <summary>The effects of an outcome, in the order of the format. What does nothing is not offered: it is left unticked.</summary>
    public static IReadOnlyList<(string Value, string Words)> Effects { get; } =
    [.. StandardRules.All.Effects.Where(effect => effect != OutcomeEffects.None).Select(effect => (effect.Word, effect.Label))];
}
