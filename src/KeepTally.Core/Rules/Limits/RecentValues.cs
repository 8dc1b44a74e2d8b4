namespace KeepTally.Core.Rules.Limits;

/// <summary>The last few values of a tag, oldest forgotten first.</summary>
internal sealed class RecentValues(int capacity)
{
    private readonly string?[] _values = new string?[capacity];
    private int _next;

    internal RecentValues Copy()
    {
        var copy = new RecentValues(_values.Length) { _next = _next };
        _values.CopyTo(copy._values, 0);
        return copy;
    }

    internal IEnumerable<string> All => _values.OfType<string>();

    internal bool Contains(string value) => Array.IndexOf(_values, value) >= 0;

    internal void Add(string value)
    {
        _values[_next] = value;
        _next = (_next + 1) % _values.Length;
    }
}
