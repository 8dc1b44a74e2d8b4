using KeepTally.Core.Cards;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>The changes from one version of a card to the next, in words, for its history.</summary>
public static class ChangeWords
{
    /// <summary>Each change in one line; none where both say the same.</summary>
    public static IReadOnlyList<string> Between(DrillCard was, DrillCard now)
    {
        var changes = new List<string>();
        Scoring(changes, was, now);
        Plain(changes, "Name", was.Name, now.Name);
        Plain(changes, "Purpose", was.Purpose, now.Purpose);
        Plain(changes, "Effort", CardWords.Effort(was.Intensity), CardWords.Effort(now.Intensity));
        Plain(changes, "Players", CardWords.Players(was.Players), CardWords.Players(now.Players));
        Plain(changes, "Minutes", Phrase.Figure(was.Minutes), Phrase.Figure(now.Minutes));
        Plain(changes, "Seconds for a rep", Phrase.Figure(was.SecondsPerRep), Phrase.Figure(now.SecondsPerRep));
        Plain(changes, "Coaches", Phrase.Figure(was.Coaches), Phrase.Figure(now.Coaches));
        Listed(changes, "Sports", was.Sports, now.Sports);
        Listed(changes, "Skills", was.Skills, now.Skills);
        Listed(
            changes,
            "Equipment",
            [.. was.Equipment.Select(CardWords.Equipment)],
            [.. now.Equipment.Select(CardWords.Equipment)]
        );
        Listed(changes, "Set-up", was.SetUp, now.SetUp);
        Listed(changes, "Cues", was.Cues, now.Cues);
        Listed(changes, "Faults", was.Faults, now.Faults);
        Listed(changes, "Cautions", [.. was.Cautions.Select(each => each.Text)], [.. now.Cautions.Select(each => each.Text)]);
        Listed(changes, "Easier", was.Easier, now.Easier);
        Listed(changes, "Harder", was.Harder, now.Harder);
        return changes;
    }

    private static void Scoring(List<string> changes, DrillCard was, DrillCard now)
    {
        var before = Lines(was);
        var after = Lines(now);
        changes.AddRange(before.Except(after).Select(line => $"No longer: {line}"));
        changes.AddRange(after.Except(before).Select(line => $"Now: {line}"));
    }

    private static string[] Lines(DrillCard card) =>
        [
            .. card.Stages.SelectMany(stage => StageWords.Of(stage)).SelectMany(rule => rule.Sentences),
            .. card.Options.Values.Select(CardWords.HouseRule),
        ];

    private static void Plain(List<string> changes, string what, string was, string now)
    {
        if (was != now)
        {
            changes.Add(was.Length == 0 ? $"{what}: {now}" : $"{what}: {was}, now {(now.Length == 0 ? "none" : now)}");
        }
    }

    private static void Listed(List<string> changes, string what, IReadOnlyList<string> was, IReadOnlyList<string> now)
    {
        changes.AddRange(now.Except(was).Select(line => $"{what}, new: {line}"));
        changes.AddRange(was.Except(now).Select(line => $"{what}, gone: {line}"));
    }
}
