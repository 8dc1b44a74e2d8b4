using System.Buffers;
using KeepTally.Store.Events;
using KeepTally.Store.People;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;

namespace KeepTally.Web.Api;

/// <summary>Writes to one listener whatever is new of a practice, in the order of the record and without a gap, until they go.</summary>
internal sealed class StreamFollower(
    int practice,
    HttpContext context,
    EventFeed feed,
    IServiceScopeFactory scopes,
    CancellationToken gone
)
{
    private readonly HttpResponse _response = context.Response;

    /// <param name="after">The sequence number of the last event the listener has.</param>
    /// <param name="entering">Is done once everything on record was sent, and before anything new is.</param>
    internal async Task FollowAsync(long after, Func<Task> entering)
    {
        var pieces = feed.Join(practice, out var leave);
        try
        {
            after = await CatchUpAsync(after);
            await _response.BodyWriter.WriteAsync(StreamPiece.Ready, gone);
            // Asked once it listens: a change from now on is told.
            await _response.BodyWriter.WriteAsync(PracticeNews.Sheet(await VersionAsync()), gone);
            await _response.BodyWriter.WriteAsync(PracticeNews.Scores(await HidesScoresAsync()), gone);
            await entering();
            while (await pieces.WaitToReadAsync(gone))
            {
                while (pieces.TryRead(out var piece))
                {
                    if (piece.Last < 0 && !await IsStillInAsync())
                    {
                        return;
                    }

                    if (piece.Last < 0 || piece.Before == after)
                    {
                        _response.BodyWriter.Write(piece.Bytes.Span);
                        after = Math.Max(after, piece.Last);
                    }
                    else if (piece.Last > after)
                    {
                        after = await CatchUpAsync(after);
                    }
                }

                await _response.BodyWriter.FlushAsync(gone);
            }
        }
        finally
        {
            leave();
        }
    }

    /// <summary>A caller who was removed meanwhile gets no more messages; checked at every beat.</summary>
    private Task<bool> IsStillInAsync() => AskAsync<CallerBook, bool>(book => Signed.IsStillInAsync(context, book, gone));

    private Task<int> VersionAsync() =>
        AskAsync<PracticeBook, int>(async book => await book.SheetVersionAsync(practice, gone) ?? 0);

    private Task<bool> HidesScoresAsync() => AskAsync<DoorBook, bool>(book => book.HidesScoresAsync(practice, gone));

    /// <summary>Whatever is on record after the last event sent: at the beginning, and where some pieces were missed.</summary>
    private async Task<long> CatchUpAsync(long after)
    {
        var rows = await AskAsync<EventJournal, IReadOnlyList<EventRow>>(journal => journal.SinceAsync(practice, after, gone));
        if (rows.Count == 0)
        {
            return after;
        }

        var missed = StreamPiece.Of(after, rows);
        await _response.BodyWriter.WriteAsync(missed.Bytes, gone);
        return missed.Last;
    }

    /// <summary>A stream lives for hours: each question has a database of its own.</summary>
    private async Task<TAnswer> AskAsync<TBook, TAnswer>(Func<TBook, Task<TAnswer>> ask)
        where TBook : notnull
    {
        await using var scope = scopes.CreateAsyncScope();
        return await ask(scope.ServiceProvider.GetRequiredService<TBook>());
    }
}
