namespace KeepTally.Core.Sheets;

/// <summary>
/// The events of one sheet in their order, (at, device, n), each once, whatever order they arrived in.
/// Source: docs/formats.md, section 2.
/// </summary>
public sealed class EventLog
{
    private readonly List<RunEvent> _events = [];
    private readonly HashSet<EventId> _ids = [];

    public IReadOnlyList<RunEvent> Events => _events;

    /// <summary>The time of the last event, or 0.</summary>
    public long LastAt => _events.Count == 0 ? 0 : _events[^1].At;

    public bool Holds(EventId id) => _ids.Contains(id);

    /// <summary>Takes an event in. False where it was there already; the first one stays.</summary>
    /// <param name="last">True where the event stands last, so that a fold may simply go on.</param>
    public bool Add(RunEvent said, out bool last)
    {
        last = false;
        if (!_ids.Add(said.Id))
        {
            return false;
        }

        var index = _events.Count;
        while (index > 0 && InOrder.Compare(_events[index - 1], said) > 0)
        {
            index--;
        }

        last = index == _events.Count;
        _events.Insert(index, said);
        return true;
    }

    /// <summary>Puts another event in the place of the one with the same id.</summary>
    public void Replace(RunEvent said)
    {
        _events.RemoveAll(old => old.Id == said.Id);
        _ids.Remove(said.Id);
        Add(said, out _);
    }

    /// <summary>The events that stand: what was undone is left out, and so are the undos themselves.</summary>
    public List<RunEvent> Standing()
    {
        var undone = Undone();
        return undone.Count == 0
            ? _events.FindAll(said => said is not RunEvent.Undo)
            : _events.FindAll(said => said is not RunEvent.Undo && !undone.Contains(said.Id));
    }

    /// <summary>
    /// The ids of events that count as never said. Read from the last event back, since only a later event can undo:
    /// an undo that is itself undone reaches nothing.
    /// </summary>
    public HashSet<EventId> Undone()
    {
        var reached = new HashSet<EventId>();
        var undone = new HashSet<EventId>();
        for (var i = _events.Count - 1; i >= 0; i--)
        {
            var said = _events[i];
            if (reached.Contains(said.Id))
            {
                undone.Add(said.Id);
            }
            else if (said is RunEvent.Undo undo)
            {
                reached.Add(undo.Of);
            }
        }

        return undone;
    }

    private static readonly Comparer<RunEvent> InOrder = Comparer<RunEvent>.Create(
        static (a, b) =>
        {
            var byTime = a.At.CompareTo(b.At);
            if (byTime != 0)
            {
                return byTime;
            }

            var byDevice = string.CompareOrdinal(a.Id.Device, b.Id.Device);
            return byDevice != 0 ? byDevice : a.Id.N.CompareTo(b.Id.N);
        }
    );
}
