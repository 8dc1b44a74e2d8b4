using KeepTally.Core.Events;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>A tap as it is listed: "Ada · Clean (high)".</summary>
public static class TapLine
{
    /// <summary>Who, what or where, and what else it said.</summary>
    public static string Of(Sheet live, RunEvent.Tap tap)
    {
        var name = live.Units.Any(unit => unit.Id == tap.Unit) ? live.CallNameOf(tap.Unit!.Value) : null;
        var outcome = live.Stage.Outcomes.FirstOrDefault(each => each.Id == tap.Outcome)?.Label ?? Where(tap.Zone);
        var more = string.Join(
            ", ",
            (tap.Tags ?? new Dictionary<string, string>())
                .Select(tag => Phrase.Words(tag.Value))
                .Concat(tap.Value is { } value ? [Phrase.Figure(value)] : [])
                .Concat(tap.Laps is { } laps ? [$"laps {string.Join(" + ", laps.Select(Phrase.Figure))}"] : [])
        );
        return (name is null ? outcome : $"{name} · {outcome}") + (more.Length > 0 ? $" ({more})" : "");
    }

    /// <summary>Says that a tap counts by the coach's decision, and how it read before its correction; empty where neither.</summary>
    public static string PutRight(Sheet live, RunEvent.Tap tap) =>
        Joined(tap.CountsLate ? "late, counted by hand" : "", Was(live, tap));

    /// <summary>The same for a tap that does not count, and why it does not.</summary>
    public static string Uncounted(Sheet live, RunEvent.Tap tap, string why) => Joined(why, Was(live, tap));

    /// <summary>How a tap read before it was put right; empty where it reads as it did.</summary>
    private static string Was(Sheet live, RunEvent.Tap tap) =>
        live.Log.Find(tap.Id) is RunEvent.Tap first && Of(live, first) is var was && was != Of(live, tap) ? $"was {was}" : "";

    private static string Joined(params string[] parts) => string.Join(", ", parts.Where(part => part.Length > 0));

    private static string Where(string? zone) => zone is null or Targets.None ? "elsewhere" : Phrase.Words(zone);
}
