using KeepTally.Core.Circuits;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Store.Tables;

/// <summary>A block being done, or done: the whole card as it was, and a sheet for each group or court.</summary>
public sealed class Run
{
    public int Id { get; init; }

    public int BlockId { get; init; }

    public Block? Block { get; init; }

    /// <summary>The card as it was when the practice began.</summary>
    public required string CardJson { get; init; }

    /// <summary>The origin of all times of this run.</summary>
    public RunOrigin Origin { get; init; }

    public List<SheetRow> Sheets { get; init; } = [];
}

/// <summary>A tally sheet of a run.</summary>
public sealed class SheetRow
{
    public required string Id { get; init; }

    public int RunId { get; init; }

    public Run? Run { get; init; }

    /// <summary>The order among the run's sheets, from 0.</summary>
    public int Order { get; init; }

    /// <summary>The group's or court's letter; at a station the drill done there; empty where there is only one.</summary>
    public required string Name { get; init; }

    /// <summary>The head of its log.</summary>
    public required string HeadJson { get; init; }

    /// <summary>At a station of a circuit, the station's own card as it was; null where it is the run's.</summary>
    public string? CardJson { get; init; }

    /// <summary>In a circuit, the round it is kept in, from 1; null on the sheet that keeps the circuit's clock.</summary>
    public int? Round { get; init; }

    /// <summary>In a circuit, the station it is kept at, from 0.</summary>
    public int? Station { get; init; }

    /// <summary>In a circuit, the group it is kept of, from 0.</summary>
    public int? Group { get; init; }

    /// <summary>Where on the way round a circuit it is kept, or null.</summary>
    public CircuitStop? Stop => Round is { } round ? new CircuitStop(round, Station ?? 0, Group ?? 0) : null;
}

/// <summary>An event as it was first acknowledged. Never deleted, and changed only where a note holds the name of a player who is erased.</summary>
public sealed class EventRow
{
    /// <summary>The order of arrival, over all sheets.</summary>
    public long Sequence { get; init; }

    public required string SheetId { get; init; }

    public required string Device { get; init; }

    public int N { get; init; }

    /// <summary>When it happened: milliseconds from the origin of the run.</summary>
    public long At { get; init; }

    /// <summary>The name of its type in the format, such as "tap": the same as in its line.</summary>
    public required string Type { get; init; }

    /// <summary>Its line of the log.</summary>
    public required string Line { get; init; }

    /// <summary>Whether it starts its sheet.</summary>
    public bool IsStart => Type == RunEvent.Start.TypeName;

    /// <summary>Whether it takes another event back.</summary>
    public bool IsUndo => Type == RunEvent.Undo.TypeName;

    /// <summary>An event that has no place in the order of arrival yet.</summary>
    internal static EventRow Of(SheetId sheet, RunEvent runEvent) =>
        new()
        {
            SheetId = sheet.Value,
            Device = runEvent.Id.Device.Value,
            N = runEvent.Id.N,
            At = runEvent.At.Milliseconds,
            Type = runEvent.Type,
            Line = EventWriter.Write(runEvent),
        };

    internal EventRow InSequence(long sequence) =>
        new()
        {
            Sequence = sequence,
            SheetId = SheetId,
            Device = Device,
            N = N,
            At = At,
            Type = Type,
            Line = Line,
        };
}
