using KeepTally.Core.Identity;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>The players at a running practice, latecomers included and leavers not, whatever the attendance said before.</summary>
internal static class WhoIsOn
{
    /// <summary>
    /// The practice with everyone's presence as it is now. Who comes or goes does so on every sheet that is left: the last one dealt
    /// tells; who is on no sheet of it, as for a limit, is where they were.
    /// </summary>
    internal static Practice Of(Practice practice, IReadOnlyList<StoredRun> runs)
    {
        var latest = runs.Where(run => run.Fault is null).Select(run => run.Fold()).LastOrDefault(run => run.Count > 0) ?? [];
        var on = latest.SelectMany(each => each.Sheet.Score.Roster.Everyone).ToHashSet();
        var known = latest
            .SelectMany(each => each.Sheet.Head.Units.SelectMany(unit => unit.People))
            .Select(each => each.Id)
            .ToHashSet();
        var entries = practice.Attendance.ToDictionary(each => each.PlayerId);
        foreach (var player in on.Concat(known).Distinct().Select(IdOf).OfType<int>())
        {
            entries.TryGetValue(player, out var entry);
            entries[player] = new Attendance
            {
                PracticeId = practice.Id,
                PlayerId = player,
                Limits = entry?.Limits ?? default,
                Presence = on.Contains(Player.UnitIdOf(player)) ? Presence.Here : Presence.Absent,
            };
        }

        practice.Attendance.Clear();
        practice.Attendance.AddRange(entries.Values);
        return practice;
    }

    private static int? IdOf(PlayerId player) =>
        player.Value is ['p', .. var digits] && int.TryParse(digits, System.Globalization.CultureInfo.InvariantCulture, out var id)
            ? id
            : null;
}
