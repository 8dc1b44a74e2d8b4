using KeepTally.Core.Identity;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Results;

/// <summary>Who was at which practice.</summary>
/// <param name="Practices">The practices, the oldest first.</param>
/// <param name="Players">A row for each player of the squad.</param>
public sealed record SquadAttendance(IReadOnlyList<PastPractice> Practices, IReadOnlyList<AttendanceRow> Players)
{
    /// <param name="practices">Of one team, the oldest first, with what was recorded of their attendance.</param>
    /// <param name="players">The squad.</param>
    /// <param name="sheets">What was run in them.</param>
    public static SquadAttendance Of(
        IReadOnlyList<Practice> practices,
        IReadOnlyList<Player> players,
        IReadOnlyList<PastSheet> sheets
    )
    {
        var played = sheets
            .SelectMany(
                sheet => sheet.Outcome.Report.Games.SelectMany(game => game.Stays),
                (sheet, stay) => (sheet.Practice.Id, stay.Player)
            )
            .ToHashSet();
        return new SquadAttendance(
            [.. practices.Select(practice => new PastPractice(practice.Id, practice.Date, practice.Title))],
            [
                .. players.Select(player => new AttendanceRow(
                    player.UnitId,
                    player.Name,
                    [
                        .. practices.Select(practice =>
                            MarkOf(
                                practice.Attendance.FirstOrDefault(each => each.PlayerId == player.Id)?.Presence,
                                played.Contains((practice.Id, player.UnitId))
                            )
                        ),
                    ]
                )),
            ]
        );
    }

    /// <summary>What a player did says more than what was recorded before: who played was here.</summary>
    private static Presence? MarkOf(Presence? recorded, bool played) =>
        (recorded, played) switch
        {
            (Presence.Late, true) => Presence.Late,
            (_, true) or (Presence.Here, false) => Presence.Here,
            (Presence.Late or Presence.Absent, false) => Presence.Absent,
            (null, false) => null,
            _ => throw new ArgumentOutOfRangeException(nameof(recorded), recorded, "No such presence."),
        };

    /// <summary>How many players were at a practice on average, of the practices of which it is known; null where it is of none.</summary>
    public double? Average
    {
        get
        {
            var known = Practices.Index().Count(practice => Players.Any(player => player.Marks[practice.Index] is not null));
            return known == 0 ? null : (double)Players.Sum(player => player.There) / known;
        }
    }
}

/// <summary>A player's row of a <see cref="SquadAttendance"/>.</summary>
/// <param name="Id">The id of the player.</param>
/// <param name="Name">The player's name.</param>
/// <param name="Marks">Practice by practice; null where nothing says whether the player was there.</param>
public sealed record AttendanceRow(PlayerId Id, string Name, IReadOnlyList<Presence?> Marks)
{
    /// <summary>The practices the player was at, late or in time.</summary>
    public int There => Marks.Count(mark => mark is Presence.Here or Presence.Late);

    /// <summary>The practices of which it is known.</summary>
    public int Known => Marks.Count(mark => mark is not null);
}
