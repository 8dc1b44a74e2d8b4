using KeepTally.Screen.Views;

namespace KeepTally.Web.Api.Devices;

/// <summary>How the practice of a device's team stands at this moment.</summary>
/// <param name="Device">What the device is called.</param>
/// <param name="At">Now, in milliseconds since 1970 in UTC, on the clock that all devices share.</param>
/// <param name="Practice">The id of the practice under way; null where none is, and all else is then empty.</param>
/// <param name="Title">What the practice is called.</param>
/// <param name="Drill">The drill under way; empty once all are over.</param>
/// <param name="Clock">Its clock; null once all drills are over.</param>
/// <param name="Signals">What is to be heard in the next minute and a half, if the clock runs on as it does now.</param>
/// <param name="Sheets">Its sheets that can be tapped now.</param>
public sealed record DeviceNow(
    string Device,
    long At,
    int? Practice,
    string Title,
    string Drill,
    DeviceClock? Clock,
    IReadOnlyList<SignalView> Signals,
    IReadOnlyList<DeviceSheet> Sheets
);

/// <param name="State">ready, countIn, work, change, break, paused or over.</param>
/// <param name="Word">The same in a word for people.</param>
/// <param name="Left">What is left of the interval, or what has passed where nothing limits it, as <c>m:ss</c>.</param>
/// <param name="Round">Which round it is, in words; empty where there is one.</param>
public sealed record DeviceClock(string State, string Word, string Left, string Round);

/// <param name="Sheet">Its id, by which taps name it.</param>
/// <param name="Name">Its letter or court; empty where there is one sheet.</param>
/// <param name="Done">It is played out.</param>
/// <param name="Result">Who won, once it is done.</param>
/// <param name="Turn">Whose turn it is; null where there are no turns.</param>
/// <param name="Named">A tap has to name whose it is: several can be meant at any time.</param>
/// <param name="Units">Everybody who carries a score.</param>
/// <param name="Outcomes">What can be tapped, in the order of the pad; none where a target is aimed at.</param>
/// <param name="Zones">Where a target can be hit; none where nothing is aimed at.</param>
public sealed record DeviceSheet(
    string Sheet,
    string Name,
    bool Done,
    string Result,
    string? Turn,
    bool Named,
    IReadOnlyList<DeviceUnit> Units,
    IReadOnlyList<DeviceOutcome> Outcomes,
    IReadOnlyList<string> Zones
);

/// <param name="Id">The id of the unit.</param>
/// <param name="Name">A player's call name, or the name of a group or side.</param>
/// <param name="Score">The figure that the pad shows.</param>
/// <param name="Tapped">Whether a tap of this unit would count now, as far as the places and the turn say.</param>
/// <param name="Done">It is done.</param>
public sealed record DeviceUnit(string Id, string Name, string Score, bool Tapped, bool Done);

/// <param name="Id">The id of the outcome.</param>
/// <param name="Label">The label of its button.</param>
/// <param name="Press">The number of its button, from 1.</param>
/// <param name="Result">success, failure or neutral.</param>
/// <param name="Reading">The unit of the figure it carries, such as <c>s</c> or <c>km/h</c>; null where it carries none.</param>
public sealed record DeviceOutcome(string Id, string Label, int Press, string Result, string? Reading);

/// <summary>
/// What a device says happened. It names what it knows: a clicker <c>press</c>, a sensor <c>result</c>, a gate or speed reader
/// <c>value</c>, a device that knows the card <c>outcome</c>. Or it says a word to the clock.
/// </summary>
/// <param name="Sheet">Which sheet; may be left out while one alone can be tapped.</param>
/// <param name="N">
/// A number from 1 that the device has not used on this sheet: sent again with the same number it counts once. Left out, the next
/// one is given, and what is sent twice counts twice.
/// </param>
/// <param name="At">When it happened, in milliseconds since 1970; now where it is left out.</param>
/// <param name="Unit">Whose it was; may be left out where the sheet knows: a turn, the ball, one unit alone.</param>
/// <param name="Press">The number of a button, from 1, in the order of the pad.</param>
/// <param name="Result"><c>success</c> or <c>failure</c>.</param>
/// <param name="Outcome">The id of an outcome.</param>
/// <param name="Zone">Where it went, or <c>none</c>.</param>
/// <param name="Value">What was read.</param>
/// <param name="Clock"><c>start</c>, <c>stop</c>, <c>go</c> or <c>whistle</c>; nothing else but that is then said.</param>
public sealed record DeviceSays(
    string? Sheet = null,
    int? N = null,
    long? At = null,
    string? Unit = null,
    int? Press = null,
    string? Result = null,
    string? Outcome = null,
    string? Zone = null,
    double? Value = null,
    string? Clock = null
);

/// <summary>The result.</summary>
/// <param name="Stored">How many events were new on record; 0 where it had been said before, or changes nothing.</param>
/// <param name="Sheet">The sheet; empty where it was said to the clock.</param>
/// <param name="N">The number it has among this device's events there.</param>
/// <param name="Said">How a coach reads it in the list of taps.</param>
/// <param name="Counts">Whether it counts: not when it came late, or was not allowed.</param>
public sealed record DeviceHeard(int Stored, string Sheet, int N, string Said, bool Counts);
