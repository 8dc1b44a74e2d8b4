using System.Text.Json;
using KeepTally.Core.Events.Fields;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>
/// How one kind of event is written: its type, and every property it carries besides device, number, moment and type. Reading, writing,
/// renaming and the checks of a server all follow it. Source: docs/formats.md, section 2.
/// </summary>
internal abstract class EventFormat(string type)
{
    /// <summary>The name of its type in the format.</summary>
    internal string Type { get; } = type;

    /// <summary>Whether it is what a person saw or decided, which the clock never says.</summary>
    internal bool IsOfPeople { get; init; }

    /// <summary>The properties, in the order in which they are written.</summary>
    internal abstract IReadOnlyList<Field> Fields { get; }

    internal abstract RunEvent Make(EventId id, Instant at, in Said said);

    /// <summary>What an event of this kind says of its fields.</summary>
    internal abstract Said SaidBy(RunEvent runEvent);

    /// <summary>What no property alone shows: why an event of this kind says nothing, or null.</summary>
    internal abstract Fault? FaultOf(RunEvent runEvent);

    internal void Write(Utf8JsonWriter json, RunEvent runEvent)
    {
        var said = SaidBy(runEvent);
        foreach (var field in Fields)
        {
            if (said.ValueOf(field) is { } value)
            {
                field.Write(json, value);
            }
        }
    }

    /// <summary>The same event with everyone it names told by another name.</summary>
    internal RunEvent Renamed(RunEvent runEvent, Func<PlayerId, PlayerId> name)
    {
        var said = SaidBy(runEvent);
        var changed = false;
        foreach (var field in Fields)
        {
            if (
                field is IPlayerField
                && said.ValueOf(field) is string id
                && name(new PlayerId(id)).Value is var other
                && other != id
            )
            {
                said.Put(field, other);
                changed = true;
            }
        }

        return changed ? Make(runEvent.Id, runEvent.At, said) : runEvent;
    }
}

/// <inheritdoc cref="EventFormat"/>
/// <typeparam name="T">The kind of event.</typeparam>
internal sealed class EventFormat<T> : EventFormat
    where T : RunEvent
{
    private readonly List<Field> _fields = [];
    private readonly List<Func<T, object?>> _held = [];
    private readonly Making _make;

    /// <summary>Makes an event of what was said.</summary>
    internal delegate T Making(EventId id, Instant at, in Said said);

    /// <param name="type">The name of the type in the format.</param>
    /// <param name="declare">Adds the fields, in the order in which they are written, and returns how an event is made of them.</param>
    internal EventFormat(string type, Func<EventFormat<T>, Making> declare)
        : base(type) => _make = declare(this);

    /// <summary>Why an event says nothing, where no property alone shows it.</summary>
    internal Func<T, Fault?>? Fault { get; init; }

    internal override IReadOnlyList<Field> Fields => _fields;

    internal override RunEvent Make(EventId id, Instant at, in Said said) => _make(id, at, said);

    internal override Fault? FaultOf(RunEvent runEvent) => Fault?.Invoke((T)runEvent);

    internal override Said SaidBy(RunEvent runEvent)
    {
        var said = new Said();
        for (var i = 0; i < _fields.Count; i++)
        {
            said.Put(_fields[i], _held[i]((T)runEvent));
        }

        return said;
    }

    /// <summary>It carries this field, too.</summary>
    /// <param name="field">How it is read and written.</param>
    /// <param name="held">What an event holds of it.</param>
    internal Field<TValue> With<TValue>(Field<TValue> field, Func<T, TValue> held)
    {
        field.Place = _fields.Count;
        _fields.Add(field);
        _held.Add(runEvent => field.ValueOf(held(runEvent)));
        return field;
    }
}
