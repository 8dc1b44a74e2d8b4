namespace KeepTally.Core.Circuits;

/// <summary>
/// Groups going round stations. In round r group g is at position (g + r) mod S, in reverse (g − r) mod S, where S is the
/// larger of groups and stations; a position beyond the last station is a rest. Source: docs/formats.md, section 4.
/// </summary>
public sealed record Circuit(int Groups, int Stations, bool Reverse)
{
    /// <summary>Positions, and so rounds of a full circuit.</summary>
    public int Rounds => Math.Max(Groups, Stations);

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
