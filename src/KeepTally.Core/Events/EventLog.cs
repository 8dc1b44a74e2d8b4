using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>
/// The events of one sheet in their order, (at, device, n), each once, whatever order they arrived in. Which of them stand
/// is kept up to date as they arrive. Source: docs/formats.md, section 2.
/// </summary>
public sealed class EventLog
{
    private readonly List<RunEvent> _events = [];
    private readonly Dictionary<EventId, RunEvent> _byId = [];
    private readonly Dictionary<DeviceId, int> _lastN = [];

    /// <summary>Undos by the event they reach for, whether it has arrived or not.</summary>
    private readonly Dictionary<EventId, List<RunEvent.Undo>> _reaching = [];
    private readonly HashSet<EventId> _undone = [];

    /// <summary>Amendments by the tap they reach for, whether it has arrived or not.</summary>
    private readonly Dictionary<EventId, List<RunEvent.Amend>> _amending = [];

    /// <summary>For each event in order, whether it stands: what a fold asks of every event.</summary>
    private readonly List<bool> _stands = [];

    /// <summary>Every event in its order, those undone too.</summary>
    public IReadOnlyList<RunEvent> Events => _events;

    /// <summary>How many events there are.</summary>
    public int Count => _events.Count;

    /// <summary>When the last event happened; the origin where there is none.</summary>
    public Instant LastAt => _events.Count == 0 ? Instant.Origin : _events[^1].At;

    /// <summary>Whether an event with this id is here, undone or not.</summary>
    public bool Holds(EventId id) => _byId.ContainsKey(id);

    /// <summary>The event with an id, undone or not; null where there is none.</summary>
    public RunEvent? Find(EventId id) => _byId.GetValueOrDefault(id);

    /// <summary>The highest number a device has given so far, or 0.</summary>
    public int LastNumberOf(DeviceId device) => _lastN.GetValueOrDefault(device);

    /// <summary>Whether an event counts as if it had never been: an undo that stands reaches it.</summary>
    public bool IsUndone(EventId id) => _undone.Contains(id);

    /// <summary>Whether the event at a position counts: it is not undone.</summary>
    public bool StandsAt(int position) => _stands[position];

    /// <summary>The event at a position as it reads now: a tap with what later amendments that stand make of it.</summary>
    public RunEvent ReadAt(int position) =>
        _amending.Count > 0 && _events[position] is RunEvent.Tap tap ? Amended(tap) : _events[position];

    /// <summary>The event with an id as it reads now, undone or not; null where there is none.</summary>
    public RunEvent? Read(EventId id) => Find(id) is RunEvent.Tap tap ? Amended(tap) : Find(id);

    private RunEvent.Tap Amended(RunEvent.Tap tap)
    {
        if (!_amending.TryGetValue(tap.Id, out var amends))
        {
            return tap;
        }

        foreach (var amend in amends.Order(InOrder).Cast<RunEvent.Amend>())
        {
            tap = !_undone.Contains(amend.Id) && InOrder.Compare(amend, tap) > 0 ? amend.Over(tap) : tap;
        }

        return tap;
    }

    /// <summary>The position of an event that is here.</summary>
    internal int PositionOf(RunEvent runEvent) => _events.BinarySearch(runEvent, InOrder);

    /// <summary>The last standing undo that reaches for an event, or null.</summary>
    public RunEvent.Undo? StandingUndoOf(EventId id) =>
        _reaching.TryGetValue(id, out var undos) ? undos.FindLast(undo => !_undone.Contains(undo.Id)) : null;

    /// <summary>Takes an event in. The first under an id stays.</summary>
    /// <returns>
    /// The position from which the log reads differently now; at the end of the log for a plain next event. Null where the
    /// event was there already.
    /// </returns>
    public int? Add(RunEvent runEvent)
    {
        if (!_byId.TryAdd(runEvent.Id, runEvent))
        {
            return null;
        }

        var at =
            _events.Count == 0 || InOrder.Compare(_events[^1], runEvent) < 0
                ? _events.Count
                : ~_events.BinarySearch(runEvent, InOrder);
        _events.Insert(at, runEvent);
        _stands.Insert(at, true);
        Number(runEvent);
        var from = at;
        Reach(runEvent, ref from);

        // It may have been undone before it arrived.
        if (_reaching.Count > 0)
        {
            Recount(runEvent.Id, ref from);
            if (runEvent is RunEvent.Undo)
            {
                Recount(((RunEvent.Undo)runEvent).Of, ref from);
            }
        }

        return from;
    }

    /// <summary>Takes many events in with one sorting; where an id is there already, the first stays.</summary>
    public void AddAll(IEnumerable<RunEvent> many)
    {
        var sorted = true;
        foreach (var runEvent in many)
        {
            if (!_byId.TryAdd(runEvent.Id, runEvent))
            {
                continue;
            }

            sorted = sorted && (_events.Count == 0 || InOrder.Compare(_events[^1], runEvent) < 0);
            _events.Add(runEvent);
            Number(runEvent);
            var nowhere = 0;
            Reach(runEvent, ref nowhere);
        }

        if (!sorted)
        {
            _events.Sort(InOrder);
        }

        RecountAll();
    }

    /// <summary>Puts another event in the place of the one with the same id, or takes it out where there is no other.</summary>
    public void Replace(EventId id, RunEvent? other)
    {
        var rest = _events.FindAll(runEvent => runEvent.Id != id);
        _events.Clear();
        _byId.Clear();
        _reaching.Clear();
        _amending.Clear();
        AddAll(other is null ? rest : [.. rest, other]);
    }

    private void Number(RunEvent runEvent)
    {
        if (runEvent.Id.N > _lastN.GetValueOrDefault(runEvent.Id.Device))
        {
            _lastN[runEvent.Id.Device] = runEvent.Id.N;
        }
    }

    /// <summary>Notes down what an event reaches for, and from where on the log reads differently by that.</summary>
    private void Reach(RunEvent runEvent, ref int from)
    {
        switch (runEvent)
        {
            case RunEvent.Undo undo:
                ListOf(_reaching, undo.Of).Add(undo);
                break;
            case RunEvent.Amend amend:
                ListOf(_amending, amend.Of).Add(amend);
                FromThere(amend, ref from);
                break;
        }
    }

    private void FromThere(RunEvent.Amend amend, ref int from)
    {
        if (_byId.TryGetValue(amend.Of, out var tap) && PositionOf(tap) is >= 0 and var at)
        {
            from = Math.Min(from, at);
        }
    }

    private static List<T> ListOf<T>(Dictionary<EventId, List<T>> lists, EventId id)
    {
        if (!lists.TryGetValue(id, out var list))
        {
            lists[id] = list = [];
        }

        return list;
    }

    /// <summary>Looks anew whether an event stands; where that changed and it is an undo, at what it reaches, and so on.</summary>
    private void Recount(EventId id, ref int from)
    {
        while (_byId.TryGetValue(id, out var runEvent))
        {
            var undone = IsReached(runEvent);
            if (undone == _undone.Contains(id))
            {
                return;
            }

            _ = undone ? _undone.Add(id) : _undone.Remove(id);
            var at = PositionOf(runEvent);
            _stands[at] = !undone;
            from = Math.Min(from, at);
            if (runEvent is RunEvent.Amend amend)
            {
                FromThere(amend, ref from);
            }

            if (runEvent is not RunEvent.Undo undo)
            {
                return;
            }

            id = undo.Of;
        }
    }

    /// <summary>An undo reaches only events before it in order, and only while it stands itself.</summary>
    private bool IsReached(RunEvent runEvent) =>
        _reaching.TryGetValue(runEvent.Id, out var undos)
        && undos.Exists(undo => !_undone.Contains(undo.Id) && InOrder.Compare(undo, runEvent) > 0);

    /// <summary>From the last event back, since only a later event can undo.</summary>
    private void RecountAll()
    {
        _undone.Clear();
        _stands.Clear();
        _stands.AddRange(Enumerable.Repeat(true, _events.Count));
        for (var i = _events.Count - 1; i >= 0 && _reaching.Count > 0; i--)
        {
            if (IsReached(_events[i]))
            {
                _undone.Add(_events[i].Id);
                _stands[i] = false;
            }
        }
    }

    private static readonly Comparer<RunEvent> InOrder = Comparer<RunEvent>.Create(
        static (a, b) =>
        {
            var byTime = a.At.CompareTo(b.At);
            if (byTime != 0)
            {
                return byTime;
            }

            var byDevice = string.CompareOrdinal(a.Id.Device.Value, b.Id.Device.Value);
            return byDevice != 0 ? byDevice : a.Id.N.CompareTo(b.Id.N);
        }
    );
}
