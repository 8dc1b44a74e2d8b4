using System.Runtime.CompilerServices;

namespace KeepTally.Core.Events.Fields;

/// <summary>The values of one event's fields, between its text and the event.</summary>
internal ref struct Said
{
    private Values _values;

    /// <summary>No kind has more fields.</summary>
    [InlineArray(Most)]
    private struct Values
    {
        private object? _first;
    }

    internal const int Most = 8;

    /// <summary>What was said of a field.</summary>
    internal readonly T Get<T>(Field<T> field) => field.Of(_values[field.Place]);

    /// <summary>The value of a field; null where it is left out.</summary>
    internal readonly object? ValueOf(Field field) => _values[field.Place];

    internal void Put(Field field, object? value) => _values[field.Place] = value;
}
