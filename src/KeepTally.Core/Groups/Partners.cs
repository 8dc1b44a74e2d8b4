using KeepTally.Core.Events;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Groups;

/// <summary>Who was with whom: what fresh partners are found by.</summary>
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

    /// <summary>Who scores alone was together with everyone on the sheet; who scores with others, with those.</summary>
    public static IEnumerable<IReadOnlyList<PlayerId>> Of(LogHead head) =>
        head.Units.Any(unit => unit.Players.Count > 0)
            ? head.Units.Select(unit => unit.Players.Select(player => player.Id).ToArray())
            : [head.Units.Select(unit => unit.Id).ToArray()];
}
