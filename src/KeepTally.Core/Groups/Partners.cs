using KeepTally.Core.Events;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Groups;

/// <summary>How often players were in one group: the base for fresh partners.</summary>
public static class Partners
{
    /// <summary>Remembers that everyone in a group was with everyone else of it.</summary>
    public static void Add(Dictionary<Pair, int> met, IEnumerable<IReadOnlyList<PlayerId>> groups)
    {
        foreach (var group in groups)
        {
            foreach (var pair in group.SelectMany((one, i) => group.Skip(i + 1).Select(other => new Pair(one, other))))
            {
                met[pair] = met.GetValueOrDefault(pair) + 1;
            }
        }
    }

    /// <summary>A player who scores alone was together with everyone on the sheet; one who scores in a group, with that group.</summary>
    public static IEnumerable<IReadOnlyList<PlayerId>> Of(LogHead head) =>
        head.Units.Any(unit => unit.Players.Count > 0)
            ? head.Units.Select(unit => unit.Players.Select(player => player.Id).ToArray())
            : [head.Units.Select(unit => unit.Id).ToArray()];
}
