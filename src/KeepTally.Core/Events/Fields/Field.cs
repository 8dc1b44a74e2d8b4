using System.Text;
using System.Text.Json;
using KeepTally.Core.Json;

namespace KeepTally.Core.Events.Fields;

/// <summary>
/// One property that a kind of event carries: its name in the format, and how its value is read and written. A value is an object here, as
/// it is kept between the text and the event; null where it is left out.
/// </summary>
internal abstract class Field(string name)
{
    private readonly byte[] _utf8 = Encoding.UTF8.GetBytes(name);

    /// <summary>The name in the format.</summary>
    internal string Name { get; } = name;

    /// <summary>Which of the fields of its kind it is, from 0.</summary>
    internal int Place { get; set; }

    /// <summary>Whether an event of its kind must carry it.</summary>
    internal virtual bool IsNeeded => false;

    /// <summary>What the property may hold.</summary>
    internal abstract Schema Schema { get; }

    internal bool IsNamed(in Utf8JsonReader json) => json.ValueTextEquals(_utf8);

    /// <summary>Takes the value that comes next; false where it is not at once clear, and is to be read closely.</summary>
    internal abstract bool TryTake(ref Utf8JsonReader json, out object? value);

    /// <summary>Reads the value of an event, and tells every fault in it.</summary>
    /// <param name="place">The place of the event.</param>
    internal abstract object? Read(JsonPlace place);

    /// <summary>Writes name and value.</summary>
    internal abstract void Write(Utf8JsonWriter json, object value);
}

/// <inheritdoc cref="Field"/>
/// <typeparam name="T">What the event holds.</typeparam>
internal abstract class Field<T>(string name) : Field(name)
{
    /// <summary>What the event holds for a value.</summary>
    internal abstract T Of(object? value);

    /// <summary>The value for what the event holds; null where it is left out.</summary>
    internal abstract object? ValueOf(T held);
}
