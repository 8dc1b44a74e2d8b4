using KeepTally.Core.Cards;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>The parts of a card as a whole, in plain words.</summary>
public static class CardWords
{
    /// <summary>The card's rules as lines of text: each stage in short, then rule by rule, then the house rules.</summary>
    public static string InFull(DrillCard card)
    {
        var lines = new List<string> { card.Name };
        foreach (var stage in card.Stages)
        {
            lines.Add($"  {stage.Name}: {StageWords.InShort(stage)}");
            lines.AddRange(StageWords.Of(stage).Select(rule => $"    {rule.Topic}: {string.Join(' ', rule.Sentences)}"));
        }

        lines.AddRange(card.Options.Values.Select(rule => $"  House rule. {HouseRule(rule)}"));
        return string.Join('\n', lines);
    }

    /// <summary>A house rule: "A miss: back to nought (the usual way), or does not count."</summary>
    public static string HouseRule(HouseRule rule)
    {
        var usual = rule.Choices[rule.Default];
        var others = rule.Choices.Where(choice => choice.Key != rule.Default).Select(choice => choice.Value).ToArray();
        return Phrase.Sentence(
            $"{rule.Label}: {usual}" + (others.Length > 0 ? $" (the usual way), or {string.Join(", or ", others)}" : "")
        );
    }

    /// <summary>"3 to 4 in a group, best with 3".</summary>
    public static string Players(GroupSize size) =>
        (size.Min == size.Max ? $"{size.Min} in a group" : $"{size.Min} to {size.Max} in a group")
        + (size.Min == size.Max ? "" : $", best with {size.Best}");

    /// <summary>"2 balls for each group".</summary>
    public static string Equipment(Equipment equipment) =>
        $"{equipment.Count} {Phrase.Plural(equipment.Count, equipment.Item)}"
        + equipment.Per switch
        {
            EquipmentPer.Group => " for each group",
            EquipmentPer.Player => " for each player",
            EquipmentPer.Drill => "",
        };

    /// <summary>Effort in a word, from calm to flat out.</summary>
    public static string Effort(int intensity) =>
        intensity switch
        {
            1 => "calm",
            2 => "easy",
            3 => "steady",
            4 => "hard",
            _ => "flat out",
        };

    /// <summary>"One coach for each group".</summary>
    public static string Coaches(int coaches) =>
        coaches == 0 ? "Players run it themselves" : $"{Phrase.Capital(Phrase.Of(coaches, "coach"))} for each group";
}
