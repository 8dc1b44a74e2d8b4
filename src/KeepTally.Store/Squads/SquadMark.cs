using System.Globalization;
using System.Security.Cryptography;
using System.Text;
using KeepTally.Core.Text;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Squads;

/// <summary>
/// A short mark of a squad list as a page shows it, by which an open page learns later what has changed: for each player the id
/// and a digest of the details.
/// </summary>
public static class SquadMark
{
    private const int DigestLength = 4;

    /// <summary>The mark of a list: <c>12-9f3a.13-77c0</c>.</summary>
    /// <param name="players">The players of the list.</param>
    public static string Of(IEnumerable<Player> players) =>
        string.Join('.', players.Select(player => string.Create(CultureInfo.InvariantCulture, $"{player.Id}-{Digest(player)}")));

    /// <summary>The changes since a mark was made, a sentence each; empty where there are none.</summary>
    /// <param name="mark">The mark of the list as it was.</param>
    /// <param name="players">The list as it is now.</param>
    public static IReadOnlyList<string> Changes(string mark, IReadOnlyList<Player> players)
    {
        var before = mark.Split('.', StringSplitOptions.RemoveEmptyEntries)
            .Select(each => each.Split('-'))
            .Where(each => each.Length == 2)
            .DistinctBy(each => each[0])
            .ToDictionary(each => each[0], each => each[1]);
        var now = players.ToDictionary(player => player.Id.ToString(CultureInfo.InvariantCulture));
        var removed = before.Keys.Count(id => !now.ContainsKey(id));
        return
        [
            .. Named("Added", now.Where(each => !before.ContainsKey(each.Key)).Select(each => each.Value)),
            .. Named(
                "Changed",
                now.Where(each => before.TryGetValue(each.Key, out var digest) && digest != Digest(each.Value))
                    .Select(each => each.Value)
            ),
            .. removed > 0 ? [$"Removed: {Phrase.Of(removed, "player")}."] : Array.Empty<string>(),
        ];
    }

    private static IEnumerable<string> Named(string what, IEnumerable<Player> players)
    {
        string[] names = [.. players.Select(player => player.Name)];
        return names.Length == 0 ? [] : [$"{what}: {Phrase.List(names)}."];
    }

    private static string Digest(Player player) =>
        Convert.ToHexStringLower(
            SHA256.HashData(
                Encoding.UTF8.GetBytes(
                    string.Join('\n', player.Name, player.Number, player.BirthYear, player.Positions, player.Hand, player.Notes)
                )
            )
        )[..DigestLength];
}
