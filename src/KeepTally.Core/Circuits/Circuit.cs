namespace KeepTally.Core.Circuits;

/// <summary>
/// Groups going round stations. In round r group g is at position (g + r) mod S, in reverse (g − r) mod S, where S is the
/// larger of groups and stations; a position beyond the last station is a rest. Source: docs/formats.md, section 4.
/// </summary>
public sealed record Circuit(int Groups, int Stations, bool Reverse)
{
    /// <summary>Positions, and so rounds of a full circuit.</summary>
    public int Rounds => Math.Max(Groups, Stations);

    /// <summary>
    /// A circuit as it is planned. Where the coaches go round, coach and drill c are with group (c + r) mod S: the same rule, so
    /// each group has the drills in the order of going the other way.
    /// </summary>
    public static Circuit Planned(int groups, int stations, bool reverse, bool coachesMove) =>
        new(groups, stations, reverse != coachesMove);

    /// <summary>Seconds of a whole circuit: every station, and a change between each and the next.</summary>
    /// <param name="groups">The number of groups.</param>
    /// <param name="stations">The number of stations.</param>
    /// <param name="work">Seconds at each station.</param>
    /// <param name="change">Seconds between one station and the next.</param>
    public static double Seconds(int groups, int stations, double work, double change)
    {
        var rounds = Math.Max(groups, stations);
        return (rounds * work) + ((rounds - 1) * change);
    }

    /// <summary>
    /// Seconds of work at each station: all that is given, or where the walks between are part of it, what they leave.
    /// </summary>
    /// <param name="groups">The number of groups.</param>
    /// <param name="stations">The number of stations.</param>
    /// <param name="each">Seconds given to each station.</param>
    /// <param name="change">Seconds between one station and the next.</param>
    /// <param name="changeInside">True where the change is part of the station's time.</param>
    public static double WorkSeconds(int groups, int stations, double each, double change, bool changeInside)
    {
        var rounds = Math.Max(groups, stations);
        return changeInside ? ((rounds * each) - ((rounds - 1) * change)) / rounds : each;
    }

    /// <summary>The station of a group in a round, all from 0; null where it rests.</summary>
    public int? StationOf(int group, int round)
    {
        var step = Reverse ? -round : round;
        var position = (((group + step) % Rounds) + Rounds) % Rounds;
        return position < Stations ? position : null;
    }

    /// <summary>The group at a station in a round, or null where the station stands empty.</summary>
    public int? GroupAt(int station, int round)
    {
        for (var group = 0; group < Groups; group++)
        {
            if (StationOf(group, round) == station)
            {
                return group;
            }
        }

        return null;
    }
}
