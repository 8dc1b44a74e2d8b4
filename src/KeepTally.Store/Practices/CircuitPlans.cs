using KeepTally.Core.Cards;
using KeepTally.Core.Circuits;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>Reads what is stored of a circuit as it is planned.</summary>
public static class CircuitPlans
{
    /// <param name="circuit">The circuit.</param>
    /// <param name="cards">The card of each station, in their order.</param>
    public static CircuitPlan Of(CircuitBlock circuit, IReadOnlyList<DrillCard> cards) =>
        new(
            [.. circuit.Stations.Zip(cards, (station, card) => new CircuitStation(card, station.CardVersion!.Json, station.Stage))],
            circuit.MinutesEach,
            circuit.ChangeSeconds,
            circuit.Reverse,
            circuit.CoachesMove,
            circuit.ChangeInside
        );

    /// <summary>Seconds of work at each station, for so many groups.</summary>
    public static double WorkSeconds(CircuitBlock circuit, int groups) =>
        Circuit.WorkSeconds(groups, circuit.Stations.Count, circuit.MinutesEach * 60, circuit.ChangeSeconds, circuit.ChangeInside);

    /// <summary>Minutes of the whole circuit for so many groups.</summary>
    public static double Minutes(CircuitBlock circuit, int groups) =>
        Circuit.Seconds(groups, circuit.Stations.Count, WorkSeconds(circuit, groups), circuit.ChangeSeconds) / 60;
}
