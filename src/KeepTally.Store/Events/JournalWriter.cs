using System.Threading.Channels;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.Data.Sqlite;

namespace KeepTally.Store.Events;

/// <summary>
/// The one writer of the journal within the process. Whatever waits is written in one transaction, so that many taps share
/// one wait for the disk; each is acknowledged when it is on the disk, and then passed on in the order of the journal, so
/// that nobody who listens can see a later event before an earlier one.
/// </summary>
public sealed class JournalWriter : IDisposable
{
    private const int MostTogether = 500;

    private readonly DataFolder _folder;
    private readonly IJournalListener? _listener;
    private readonly Channel<Request> _waiting = Channel.CreateUnbounded<Request>(
        new UnboundedChannelOptions { SingleReader = true }
    );
    private readonly Lazy<Thread> _writing;
    private readonly Dictionary<SheetId, int> _practices = [];
    private readonly Dictionary<int, long> _last = [];

    private readonly JournalMeter _meter;

    private sealed record Request(SheetId Sheet, IReadOnlyList<EventRow> Rows, TaskCompletionSource<Appended> Done, long Arrived)
    {
        /// <summary>The sheet is not on record yet: nobody is told of the events.</summary>
        internal bool IsStaged { get; init; }
    }

    private sealed record Written(int Practice, Appended Appended);

    public JournalWriter(DataFolder folder, JournalMeter meter, IJournalListener? listener = null)
    {
        _folder = folder;
        _meter = meter;
        _listener = listener;
        _writing = new Lazy<Thread>(Begin);
    }

    /// <summary>Appends a batch of events that were checked against the sheet: all of them or none.</summary>
    /// <exception cref="SqliteException">The disk would not take it; nothing of the batch was written.</exception>
    /// <exception cref="InvalidOperationException">There is no such sheet.</exception>
    public Task<Appended> AppendAsync(SheetId sheet, IReadOnlyList<RunEvent> events)
    {
        _ = _writing.Value;
        var request = new Request(
            sheet,
            [.. events.Select(runEvent => EventRow.Of(sheet, runEvent))],
            new TaskCompletionSource<Appended>(TaskCreationOptions.RunContinuationsAsynchronously),
            _meter.Arrived()
        );
        return _waiting.Writer.TryWrite(request)
            ? request.Done.Task
            : Task.FromException<Appended>(new ObjectDisposedException(nameof(JournalWriter)));
    }

    /// <summary>Writes events of sheets that are not on record yet, after the taps that wait; see <see cref="EventStaging"/>.</summary>
    /// <param name="rows">The events, in the order in which they are to stand.</param>
    /// <exception cref="SqliteException">The disk would not take it; nothing of it was written.</exception>
    internal Task StageAsync(IReadOnlyList<EventRow> rows)
    {
        _ = _writing.Value;
        var request = new Request(
            new SheetId(rows[0].SheetId),
            rows,
            new TaskCompletionSource<Appended>(TaskCreationOptions.RunContinuationsAsynchronously),
            _meter.Arrived()
        )
        {
            IsStaged = true,
        };
        return _waiting.Writer.TryWrite(request)
            ? request.Done.Task
            : Task.FromException(new ObjectDisposedException(nameof(JournalWriter)));
    }

    /// <summary>Writes what still waits, then closes.</summary>
    public void Dispose()
    {
        _waiting.Writer.TryComplete();
        if (_writing.IsValueCreated)
        {
            _writing.Value.Join();
        }
    }

    private Thread Begin()
    {
        var thread = new Thread(Write) { IsBackground = true, Name = "journal" };
        thread.Start();
        return thread;
    }

    private void Write()
    {
        using var connection = _folder.Open();
        using var insert = new EventInsert(connection);
        var query = new JournalQuery(connection);
        var together = new List<Request>();
        while (_waiting.Reader.WaitToReadAsync().AsTask().GetAwaiter().GetResult())
        {
            together.Clear();
            Request? staged = null;
            while (together.Count < MostTogether && staged is null && _waiting.Reader.TryRead(out var request))
            {
                if (request.IsStaged)
                {
                    staged = request;
                }
                else
                {
                    together.Add(request);
                }
            }

            if (together.Count > 0 && !TryCommit(connection, insert, query, together) && together.Count > 1)
            {
                // One of them cannot be written: each by itself, so that it takes no other down.
                foreach (var request in together)
                {
                    TryCommit(connection, insert, query, [request]);
                }
            }

            if (staged is not null)
            {
                Stage(connection, insert, staged);
            }
        }
    }

    private void Stage(SqliteConnection connection, EventInsert insert, Request request)
    {
        try
        {
            // Their sheets come last, so that nobody sees half of an import.
            DurableConnection.HoldForeignKeys(connection, hold: false);
            using var transaction = connection.BeginTransaction(deferred: false);
            insert.Transaction = transaction;
            foreach (var row in request.Rows)
            {
                insert.Try(row);
            }

            transaction.Commit();
            _meter.Done(request.Arrived, 0);
            request.Done.SetResult(new Appended([], []));
        }
        catch (Exception failure)
        {
            _meter.Done(request.Arrived, 0);
            request.Done.SetException(failure);
        }
        finally
        {
            DurableConnection.HoldForeignKeys(connection, hold: true);
        }
    }

    /// <summary>Writes requests in one transaction; false where it cannot be, and a request that stood alone is told why.</summary>
    private bool TryCommit(SqliteConnection connection, EventInsert insert, JournalQuery query, IReadOnlyList<Request> requests)
    {
        var written = new List<Written>(requests.Count);
        try
        {
            using var transaction = connection.BeginTransaction(deferred: false);
            insert.Transaction = transaction;
            foreach (var request in requests)
            {
                written.Add(Insert(request, insert, query, transaction));
            }

            transaction.Commit();
        }
        catch (Exception failure)
        {
            // Whatever it was, the next ones are written all the same.
            if (requests.Count == 1)
            {
                _meter.Done(requests[0].Arrived, 0);
                requests[0].Done.SetException(failure);
            }

            return false;
        }

        for (var i = 0; i < requests.Count; i++)
        {
            _meter.Done(requests[i].Arrived, written[i].Appended.Fresh.Count);
            requests[i].Done.SetResult(written[i].Appended);
        }

        PassOn(written);
        return true;
    }

    private Written Insert(Request request, EventInsert insert, JournalQuery query, SqliteTransaction transaction)
    {
        var practice = PracticeOf(request.Sheet, query, transaction);
        if (!_last.ContainsKey(practice))
        {
            _last[practice] = query.LastOf(practice, transaction);
        }

        var (fresh, conflicting) = (new List<EventRow>(), new List<string>());
        foreach (var row in request.Rows)
        {
            if (insert.Try(row) is { } sequence)
            {
                fresh.Add(row.InSequence(sequence));
            }
            else if (query.StandingLine(row, transaction) is var stands && stands != row.Line)
            {
                conflicting.Add(stands);
            }
        }

        return new Written(practice, new Appended(fresh, conflicting));
    }

    private int PracticeOf(SheetId sheet, JournalQuery query, SqliteTransaction transaction)
    {
        if (!_practices.TryGetValue(sheet, out var practice))
        {
            practice =
                query.PracticeOf(sheet, transaction) ?? throw new InvalidOperationException($"There is no sheet \"{sheet}\".");
            _practices[sheet] = practice;
        }

        return practice;
    }

    /// <summary>What is on the disk is on record, whatever becomes of telling it: a device that misses an event fetches it.</summary>
    private void Tell(int practice, List<JournalEntry> events)
    {
        try
        {
            _listener?.OnAppended(practice, events);
        }
        catch (Exception)
        {
            _meter.NotPassedOn(events.Count);
        }
    }

    /// <summary>Passes events that are on the disk to every listener, practice by practice, each with the one before it.</summary>
    private void PassOn(List<Written> written)
    {
        foreach (var practice in written.GroupBy(each => each.Practice))
        {
            var events = new List<JournalEntry>();
            foreach (var row in practice.SelectMany(each => each.Appended.Fresh))
            {
                events.Add(new JournalEntry(row, _last[practice.Key]));
                _last[practice.Key] = row.Sequence;
            }

            if (events.Count > 0)
            {
                Tell(practice.Key, events);
            }
        }
    }
}

/// <summary>Hears what was appended, in the order of the journal, from one thread.</summary>
public interface IJournalListener
{
    void OnAppended(int practice, IReadOnlyList<JournalEntry> events);
}

/// <summary>An event on record.</summary>
/// <param name="Row">The row as it is stored.</param>
/// <param name="Before">The sequence number of the event before it in its practice; 0 where it is the first.</param>
public readonly record struct JournalEntry(EventRow Row, long Before);

/// <param name="Fresh">What was written now.</param>
/// <param name="Conflicting">Lines that stood there already under the same device and number, and say something else.</param>
public sealed record Appended(IReadOnlyList<EventRow> Fresh, IReadOnlyList<string> Conflicting);
