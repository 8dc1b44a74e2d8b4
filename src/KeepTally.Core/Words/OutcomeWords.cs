using KeepTally.Core.Cards;
using KeepTally.Core.Rules;
using KeepTally.Core.Rules.Effects;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>The points and effects of taps in words.</summary>
internal static class OutcomeWords
{
    /// <summary>"2 for a clean goal, 1 for any other goal, nothing for a miss"; empty where no outcome carries points.</summary>
    internal static string Score(Stage stage)
    {
        var parts = stage
            .Outcomes.SelectMany(outcome => outcome.Points.Where(award => award.Points != 0).Select(award => (award, outcome)))
            .GroupBy(each => (each.award.Points, To: each.award.To))
            .Select(group => Award(stage, group.Key.Points, group.Key.To, [.. group.Select(each => Phrase.NameOf(each.outcome))]))
            .ToList();
        if (parts.Count == 0)
        {
            return "";
        }

        var nothing = stage
            .Outcomes.Where(outcome =>
                outcome.Result == OutcomeResult.Failure && outcome.Points.All(award => award.Points == 0) && outcome.Does.Count == 0
            )
            .Select(Phrase.NameOf)
            .ToArray();
        if (nothing.Length > 0)
        {
            parts.Add("nothing for " + Phrase.List(nothing, "or"));
        }

        return string.Join(", ", parts);
    }

    /// <summary>The outcome that counts where points are only ever taken away: "A hit is what counts."</summary>
    internal static string Good(Stage stage)
    {
        string[] good =
        [
            .. stage
                .Outcomes.Where(outcome =>
                    outcome.Result == OutcomeResult.Success && outcome.Points.All(award => award.Points == 0)
                )
                .Select(Phrase.NameOf),
        ];
        var onlyTakes =
            stage.Outcomes.SelectMany(outcome => outcome.Points).Select(award => award.Points).ToArray() is [_, ..] awards
            && Array.TrueForAll(awards, points => points <= 0);
        return good.Length == 0 || !onlyTakes ? "" : Phrase.Sentence($"{Phrase.List(good, "or")} is what counts");
    }

    /// <summary>Names the outcomes where none carries points: "Counted: a make and a miss."</summary>
    internal static string Counted(Stage stage) =>
        stage.Outcomes.Count == 0 ? "" : "Counted: " + Phrase.List([.. stage.Outcomes.Select(Phrase.NameOf)]) + ".";

    /// <summary>"Tapped for the side with the ball: a goal and a miss; for the other: a steal." Empty where a tap names its side.</summary>
    internal static string Owners(Stage stage)
    {
        var owned = stage
            .Outcomes.Where(outcome => outcome.By is { } by && !GivesOnlyTo(outcome, by))
            .GroupBy(outcome => Owner(outcome.By!))
            .Select(group => $"for {group.Key}: {Phrase.List([.. group.Select(Phrase.NameOf)])}")
            .ToArray();
        return owned.Length == 0 ? "" : Phrase.Sentence("tapped " + string.Join("; ", owned));
    }

    /// <summary>The points already say whose it is.</summary>
    private static bool GivesOnlyTo(Outcome outcome, TappedBy by) =>
        by is TappedBy.Named side
        && outcome.Points.Count > 0
        && outcome.Points.All(award => award.To is Recipient.Named named && named.Unit == side.Side);

    /// <summary>One sentence for each outcome that does something or carries a number.</summary>
    internal static IEnumerable<string> Effects(Stage stage)
    {
        foreach (var outcome in stage.Outcomes)
        {
            var verbs = outcome.Does.Select(effect => ((Effect)effect).Told(stage)).Where(verb => verb.Length > 0).ToArray();
            if (verbs.Length > 0)
            {
                yield return Phrase.Sentence($"{Phrase.NameOf(outcome)} {Phrase.List(verbs)}");
            }

            if (outcome.Job is { } job)
            {
                var role = stage.Places.FirstOrDefault(place => place.Id == job)?.Name ?? job;
                yield return Phrase.Sentence($"{Phrase.NameOf(outcome)} counts for the {Phrase.Words(role)}");
            }

            if (outcome.Reading is { } unit)
            {
                yield return Phrase.Sentence($"with {Phrase.NameOf(outcome)} goes {Reading(unit)}");
            }
        }
    }

    /// <summary>The meaning of the number of a reading.</summary>
    internal static string Reading(string unit) =>
        unit switch
        {
            "s" => "its time in seconds",
            "m" => "its distance in metres",
            "km/h" => "its speed in km/h",
            _ => $"the number of {unit}",
        };

    private static string Award(Stage stage, double points, Recipient to, IReadOnlyList<string> names)
    {
        var what = Phrase.List(names, "or");
        var figure = Phrase.Figure(Math.Abs(points));
        var others = stage.Play == Play.Match && stage.Sides.Count is 0 or 2 ? "the other side" : $"every other {Units.Of(stage)}";
        return (to, points > 0) switch
        {
            (Recipient.Self, true) => $"{figure} for {what}",
            (Recipient.Self, false) => $"{figure} off for {what}",
            (Recipient.Other, true) => $"{figure} to {others} for {what}",
            (Recipient.Other, false) => $"{figure} off {others} for {what}",
            (Recipient.Named named, true) => $"{figure} to {Phrase.Words(named.Unit)} for {what}",
            (Recipient.Named named, false) => $"{figure} off {Phrase.Words(named.Unit)} for {what}",
            _ => "",
        };
    }

    private static string Owner(TappedBy by) =>
        by switch
        {
            TappedBy.Ball => "the side with the ball",
            TappedBy.OffBall => "the side without the ball",
            TappedBy.Named named => Phrase.Words(named.Side),
            _ => "",
        };
}
