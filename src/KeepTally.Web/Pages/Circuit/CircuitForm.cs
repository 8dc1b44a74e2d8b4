using System.ComponentModel.DataAnnotations;
using KeepTally.Store.Planning;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Pages.Circuit;

/// <summary>A circuit as it is being put together.</summary>
public sealed class CircuitForm
{
    /// <summary>The practice, or null for a new one today.</summary>
    public int? Practice { get; set; }

    /// <summary>The card of each station, in the order of going; empty where none is chosen yet.</summary>
    public List<string> Cards { get; set; } = ["", "", "", ""];

    [Range(0.05, 30, ErrorMessage = "A station lasts from three seconds (0.05) to 30 minutes.")]
    public double MinutesEach { get; set; } = 3.5;

    [Range(0, 300, ErrorMessage = "A change lasts from 0 to 300 seconds.")]
    public int ChangeSeconds { get; set; } = 30;

    [Range(1, 12, ErrorMessage = "Write how many groups, from 1 to 12.")]
    public int Groups { get; set; } = 4;

    public bool Reverse { get; set; }

    public bool CoachesMove { get; set; }

    /// <summary>The walks between are part of the minutes at the stations.</summary>
    public bool ChangeInside { get; set; }

    /// <summary>As it goes onto a timing sheet.</summary>
    public CircuitLine Line =>
        new(
            Practice,
            [.. Cards.Where(card => !string.IsNullOrEmpty(card))],
            MinutesEach,
            ChangeSeconds,
            Groups,
            Reverse,
            CoachesMove,
            ChangeInside
        );

    /// <summary>As a grid, with the names of the drills chosen so far.</summary>
    public CircuitGrid Grid(IReadOnlyDictionary<string, string> names) =>
        CircuitGrid.Of(
            new CircuitBlock
            {
                MinutesEach = MinutesEach,
                ChangeSeconds = ChangeSeconds,
                Reverse = Reverse,
                CoachesMove = CoachesMove,
                ChangeInside = ChangeInside,
                Stations = [.. Cards.Select((_, order) => new Station { Order = order })],
            },
            [.. Cards.Select(card => names.GetValueOrDefault(card ?? "", "choose a drill"))],
            Math.Clamp(Groups, 1, 12)
        );
}
