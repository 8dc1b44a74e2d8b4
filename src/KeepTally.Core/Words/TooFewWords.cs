using KeepTally.Core.Live;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Says before a drill begins which of its groups has fewer players than the drill takes.</summary>
public static class TooFewWords
{
    /// <summary>"Only Nell in F; Mirror pairs takes two."; empty where every group has enough, and of breaks and circuits.</summary>
    public static string Of(LiveRun run) =>
        run.IsPause || run.Circuit is not null ? "" : string.Join(' ', run.Sheets.Where(IsShort).Select(Line));

    private static bool IsShort(RunSheet each) => each.Sheet.Score.Roster.Count < each.Sheet.Card.Players.Min;

    private static string Line(RunSheet each)
    {
        var roster = each.Sheet.Score.Roster;
        var who = roster.Everyone.Select(each.Sheet.CallNameOf).ToArray();
        var group = each.Name.Length > 0 ? $" in {each.Name}" : "";
        var there = who.Length == 0 ? $"Nobody{group}" : $"Only {Phrase.List(who)}{group}";
        return $"{there}; {each.Sheet.Card.Name} takes {Phrase.Count(each.Sheet.Card.Players.Min)}.";
    }
}
