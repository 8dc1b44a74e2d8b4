using KeepTally.Core.Events;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Live;

/// <summary>
/// What players are called in passing: by first name; where several share it, with the first letter of the last name; where
/// that is shared too, by all of the name.
/// </summary>
public static class CallNames
{
    private static readonly Func<string, string>[] Forms = [First, WithInitial];

    /// <summary>Each player's call name by id, told apart from everyone else's here.</summary>
    public static IReadOnlyDictionary<PlayerId, string> Of(IEnumerable<Member> players)
    {
        var everyone = players.DistinctBy(player => player.Id).ToArray();
        return everyone.ToDictionary(player => player.Id, player => Of(player, everyone));
    }

    private static string Of(Member player, Member[] everyone) =>
        Forms
            .Where(form =>
                everyone.Count(other => string.Equals(form(other.Name), form(player.Name), StringComparison.OrdinalIgnoreCase)) == 1
            )
            .Select(form => form(player.Name))
            .FirstOrDefault(player.Name);

    private static string First(string name) => name.Split(' ', 2)[0];

    private static string WithInitial(string name) =>
        name.LastIndexOf(' ') is > 0 and var at && at + 1 < name.Length ? $"{First(name)} {name[at + 1]}" : name;
}
