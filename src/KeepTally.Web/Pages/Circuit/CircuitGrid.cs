using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Pages.Circuit;

/// <summary>A circuit as a grid: a row for each round, a column for each station, a letter for the group that is there.</summary>
/// <param name="Way">The circuit.</param>
/// <param name="Stations">What is done at each station.</param>
/// <param name="CoachesMove">True where the coaches move with the groups.</param>
/// <param name="Work">Seconds of work at each station.</param>
/// <param name="Seconds">How long the whole of it takes.</param>
public sealed record CircuitGrid(
    Core.Circuits.Circuit Way,
    IReadOnlyList<string> Stations,
    bool CoachesMove,
    double Work,
    double Seconds
)
{
    public static CircuitGrid Of(CircuitBlock circuit, IReadOnlyList<string> stations, int groups) =>
        new(
            Core.Circuits.Circuit.Planned(groups, circuit.Stations.Count, circuit.Reverse, circuit.CoachesMove),
            stations,
            circuit.CoachesMove,
            CircuitPlans.WorkSeconds(circuit, groups),
            CircuitPlans.Minutes(circuit, groups) * 60
        );

    /// <summary>The letter of the group at a station in a round, both from 0; empty where it stands empty.</summary>
    public string At(int station, int round) => Way.GroupAt(station, round) is { } group ? Letters.Of(group) : "";

    /// <summary>The groups that rest in a round.</summary>
    public IReadOnlyList<string> Resting(int round) =>
        [.. Enumerable.Range(0, Way.Groups).Where(group => Way.StationOf(group, round) is null).Select(Letters.Of)];

    public bool HasRests => Way.Groups > Stations.Count;

    /// <summary>Reminders for the coach before the drill.</summary>
    public IEnumerable<string> Words()
    {
        if (Work <= 0)
        {
            yield return "The walks take all of the time at the stations: fewer seconds, or more minutes at each.";
            yield break;
        }

        yield return $"{Phrase.Capital(Phrase.Of(Way.Rounds, "round"))} of {Phrase.Span(Duration.FromSeconds(Math.Floor(Work)))}, {Phrase.Span(Duration.FromSeconds(Seconds))} in all; every group comes to every station once.";
        if (HasRests)
        {
            yield return $"More groups than stations: in each round {Phrase.Of(Way.Groups - Stations.Count, "group")} {(Way.Groups - Stations.Count == 1 ? "rests" : "rest")}.";
        }

        if (Way.Groups < Stations.Count)
        {
            yield return $"Fewer groups than stations: in each round {Phrase.Of(Stations.Count - Way.Groups, "station")} {(Stations.Count - Way.Groups == 1 ? "stands" : "stand")} empty.";
        }

        if (CoachesMove)
        {
            yield return "The groups stay where they are; the coaches go round with their drills.";
        }
    }
}
