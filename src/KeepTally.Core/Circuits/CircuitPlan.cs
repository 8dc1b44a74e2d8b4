using KeepTally.Core.Cards;

namespace KeepTally.Core.Circuits;

/// <summary>A circuit as it is planned: its stations in the order of going, and how long each takes.</summary>
/// <param name="Stations">The stations in the order of going.</param>
/// <param name="MinutesEach">Minutes at each station.</param>
/// <param name="ChangeSeconds">Seconds between one station and the next.</param>
/// <param name="Reverse">Whether groups go the other way round.</param>
/// <param name="CoachesMove">Whether the coaches go round with their drills, and the groups stay.</param>
/// <param name="ChangeInside">Whether the walks between are part of the minutes at the stations.</param>
public sealed record CircuitPlan(
    IReadOnlyList<CircuitStation> Stations,
    double MinutesEach,
    int ChangeSeconds,
    bool Reverse,
    bool CoachesMove,
    bool ChangeInside = false
)
{
    /// <summary>Seconds of work at each station, for so many groups.</summary>
    public double WorkSeconds(int groups) =>
        Circuit.WorkSeconds(groups, Stations.Count, MinutesEach * 60, ChangeSeconds, ChangeInside);
}

/// <summary>A station of a circuit.</summary>
/// <param name="Card">The card of its drill.</param>
/// <param name="CardJson">The same as its text.</param>
/// <param name="Stage">The stage of the card that is done here, from 0.</param>
public sealed record CircuitStation(DrillCard Card, string CardJson, int Stage)
{
    /// <summary>The name of the stop: its drill, and the part of it where there are several.</summary>
    public string Name => Card.Stages.Count > 1 ? $"{Card.Name}: {Card.Stages[Stage].Name}" : Card.Name;
}
