namespace KeepTally.Core.Json;

/// <summary>
/// A closed choice of a format: each word that may be written, with what it means and what the editor calls it. The usual one
/// stands first: it is in force where the choice is left out. One table serves reading, the schema, the editor and the print
/// of what scores.
/// </summary>
public abstract class Choices
{
    private protected Choices(string property) => Property = property;

    /// <summary>The property of the format that holds the choice.</summary>
    public string Property { get; }

    /// <summary>Whether one of its words must be written: then none is in force where it is left out.</summary>
    public bool IsNeeded { get; init; }

    /// <summary>Every word with its label for the editor, the usual one first.</summary>
    public abstract IReadOnlyList<(string Word, string Label)> All { get; }
}

/// <inheritdoc cref="Choices"/>
/// <typeparam name="T">What a word means.</typeparam>
public sealed class Choices<T> : Choices
{
    private readonly (string Word, T Meaning)[] _meanings;

    internal Choices(string property, params ReadOnlySpan<(string Word, T Meaning, string Label)> all)
        : base(property)
    {
        var meanings = new (string, T)[all.Length];
        var labels = new (string, string)[all.Length];
        for (var i = 0; i < all.Length; i++)
        {
            (meanings[i], labels[i]) = ((all[i].Word, all[i].Meaning), (all[i].Word, all[i].Label));
        }

        (_meanings, All) = (meanings, labels);
    }

    /// <inheritdoc/>
    public override IReadOnlyList<(string Word, string Label)> All { get; }

    /// <summary>The default.</summary>
    public T Usual => _meanings[0].Meaning;

    /// <summary>The meaning of a word; a fault, and the usual one, where it is none of these.</summary>
    internal T Read(JsonPlace place) => place.OneOf<T>(_meanings);

    /// <summary>The choice an object makes, or the usual one where it leaves it out.</summary>
    internal T ReadFrom(JsonPlace parent) => parent.Find(Property) is { } found ? Read(found) : Usual;
}
