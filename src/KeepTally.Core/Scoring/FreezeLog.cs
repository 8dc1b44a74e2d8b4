using KeepTally.Core.Time;

namespace KeepTally.Core.Scoring;

/// <summary>Teaching stops: how often the clock was stopped for a reason, and for how long by the wall clock.</summary>
internal sealed class FreezeLog
{
    private readonly List<(string Reason, int Count, Duration Stood)> _closed;
    private (string Reason, Instant From)? _open;

    internal FreezeLog() => _closed = [];

    private FreezeLog(FreezeLog other) => (_closed, _open) = ([.. other._closed], other._open);

    internal FreezeLog Copy() => new(this);

    internal string? OpenReason => _open?.Reason;

    internal void Open(string reason, Instant at)
    {
        Close(at);
        _open = (reason, at);
    }

    internal void Close(Instant at)
    {
        if (_open is { } open)
        {
            Enter(_closed, open.Reason, at - open.From);
            _open = null;
        }
    }

    internal IReadOnlyList<FreezeReport> Report(Instant at)
    {
        var entries = new List<(string Reason, int Count, Duration Stood)>(_closed);
        if (_open is { } open)
        {
            Enter(entries, open.Reason, Duration.Max(Duration.Zero, at - open.From));
        }

        return [.. entries.Select(entry => new FreezeReport(entry.Reason, entry.Count, entry.Stood))];
    }

    private static void Enter(List<(string Reason, int Count, Duration Stood)> entries, string reason, Duration stood)
    {
        var index = entries.FindIndex(entry => entry.Reason == reason);
        if (index < 0)
        {
            entries.Add((reason, 1, stood));
        }
        else
        {
            entries[index] = (reason, entries[index].Count + 1, entries[index].Stood + stood);
        }
    }
}
