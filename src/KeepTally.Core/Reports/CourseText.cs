using KeepTally.Core.Judgement;
using KeepTally.Core.Text;
using KeepTally.Core.Words;

namespace KeepTally.Core.Reports;

/// <summary>What the pictures of a drill's course show, each in a sentence that stands above it.</summary>
public static class CourseText
{
    /// <summary>
    /// "Plain led from 0:40 on, by 5 at most." "The lead changed hands three times: Plain was ahead by 2 at most, Striped by 4."
    /// </summary>
    public static string Of(LeadCourse game)
    {
        var (first, second) = (game.FirstBy, game.SecondBy);
        if (game.Steps.Count == 0)
        {
            return "No points were scored.";
        }

        if (first == 0 && second == 0)
        {
            return "Neither side was ever ahead.";
        }

        if (first > 0 && second > 0)
        {
            return $"The lead changed hands {Phrase.Times(game.Changes.Count)}: {game.First} was ahead by {Phrase.Figure(first)} at most, {game.Second} by {Phrase.Figure(second)}.";
        }

        var (leader, by) = first > 0 ? (game.First, first) : (game.Second, second);
        var ahead = game.Steps.SkipWhile(step => step.Lead == 0).ToArray();
        return Array.TrueForAll(ahead, step => step.Lead != 0)
            ? $"{leader} led from {Phrase.Clock(ahead[0].At.SinceStart)} on, by {Phrase.Figure(by)} at most."
            : $"Only {leader} was ever ahead, by {Phrase.Figure(by)} at most.";
    }

    /// <summary>The goes before half of the time had run, and those after it, compared; empty where one half has none.</summary>
    public static string Halves(LateGoes goes)
    {
        var difference = new ShareDifference(goes.Early, goes.Late);
        return goes.Early.Of == 0 || goes.Late.Of == 0 ? ""
            : difference.IsSettled
                ? $"The share made was {(difference.Value > 0 ? "lower" : "higher")} in the second half of the time: {ShareWords.Plain(goes.Late)}, against {ShareWords.Plain(goes.Early)} in the first."
            : $"{ShareWords.Plain(goes.Early)} made in the first half of the time, {ShareWords.Plain(goes.Late)} in the second: no clear difference.";
    }

    /// <summary>
    /// The place from which the lowest share was made, where that is clearly lower than from the others together; says so, too,
    /// where none is.
    /// </summary>
    public static string Spots(IReadOnlyList<LateGoes> places)
    {
        var lowest = places.Where(place => place.All.Of > 0).MinBy(place => place.All.Value)!;
        var rest = Share.Sum(places.Where(place => place != lowest).Select(place => place.All));
        return new ShareDifference(lowest.All, rest) is { IsSettled: true, Value: < 0 }
            ? $"The lowest share was made from {Phrase.Words(lowest.Place)}: {ShareWords.Plain(lowest.All)}, against {ShareWords.Plain(rest)} from the other places."
            : "No place was clearly harder than the others.";
    }

    /// <summary>The places from which the share made was clearly lower late than early; says so, too, where there is none.</summary>
    public static string Places(IReadOnlyList<LateGoes> places)
    {
        var tired = places
            .Where(place => new ShareDifference(place.Early, place.Late) is { IsSettled: true, Value: > 0 })
            .Select(place => $"{Phrase.Words(place.Place)} ({ShareWords.Plain(place.Early)}, then {ShareWords.Plain(place.Late)})")
            .ToArray();
        return tired.Length > 0
            ? $"The share made was clearly lower in the second half of the time from {Phrase.List(tired)}."
            : "At no place was the share made clearly lower in the second half of the time.";
    }
}
