namespace KeepTally.Core.Tallies;

/// <summary>
/// Names of a sheet by their index. A sheet has a handful of units and outcomes: looking along them is several times
/// quicker than hashing, and this stands on the path of every tap.
/// </summary>
internal sealed class NameIndex<T>(IEnumerable<T> names)
    where T : IEquatable<T>
{
    private T[] _names = [.. names];

    internal int Count => _names.Length;

    internal IReadOnlyList<T> Names => _names;

    internal NameIndex<T> Copy() => new(_names);

    /// <summary>Puts a name last; its index.</summary>
    internal int Add(T name)
    {
        _names = [.. _names, name];
        return _names.Length - 1;
    }

    /// <summary>The index of a name, or -1.</summary>
    internal int Of(T name)
    {
        var names = _names;
        for (var i = 0; i < names.Length; i++)
        {
            if (names[i].Equals(name))
            {
                return i;
            }
        }

        return -1;
    }
}
