using System.Buffers;
using System.Globalization;
using KeepTally.Store.Events;
using KeepTally.Store.People;
using KeepTally.Store.Practices;
using KeepTally.Web.Access;

namespace KeepTally.Web.Api;

/// <summary>
/// <c>GET /api/practices/{practice}/events?after=N</c>: every event on record after a sequence number, then each new one, in
/// the order of the record and without a gap.
/// </summary>
internal static class PracticeStream
{
    private const int LongestDevice = 40;

    internal static async Task<IResult> GetAsync(
        int practice,
        long? after,
        string? device,
        HttpContext context,
        EventFeed feed,
        WhoIsHere here,
        DeviceOwners owners,
        PracticeBook book,
        IServiceScopeFactory scopes,
        IHostApplicationLifetime lifetime
    )
    {
        if (!await book.ExistsAsync(practice, context.RequestAborted))
        {
            return ApiProblem.NotFound("practice", $"there is no practice {practice}", "open it from Today");
        }

        var from = long.TryParse(
            context.Request.Headers["Last-Event-ID"],
            NumberStyles.None,
            CultureInfo.InvariantCulture,
            out var last
        )
            ? last
            : Math.Max(0, after ?? 0);
        context.Response.ContentType = "text/event-stream";
        context.Response.Headers.CacheControl = "no-cache,no-store";
        long? entered = null;
        using var gone = CancellationTokenSource.CreateLinkedTokenSource(lifetime.ApplicationStopping, context.RequestAborted);
        try
        {
            await FollowAsync(practice, from, context, feed, Entering, scopes, gone.Token);
        }
        catch (OperationCanceledException)
        {
            // The device went away, or the application stops.
        }
        finally
        {
            if (entered is { } entry)
            {
                here.Leave(practice, device!, entry);
            }
        }

        return Results.Empty;

        // Anyone who can record is shown to the others; a board and a device are nobody.
        async Task Entering()
        {
            if (
                device is { Length: > 0 and <= LongestDevice }
                && context.Caller() is { Kind: not (CallerKind.Board or CallerKind.Device) } caller
            )
            {
                await owners.ClaimAsync(caller, device, gone.Token);
                entered = here.Enter(practice, device, caller.Name);
            }
        }
    }

    /// <summary>A caller who was removed meanwhile gets no more messages; checked at every beat.</summary>
    private static async Task<bool> IsStillInAsync(
        HttpContext context,
        IServiceScopeFactory scopes,
        CancellationToken cancellationToken
    )
    {
        await using var scope = scopes.CreateAsyncScope();
        return await Signed.IsStillInAsync(context, scope.ServiceProvider.GetRequiredService<CallerBook>(), cancellationToken);
    }

    private static async Task FollowAsync(
        int practice,
        long after,
        HttpContext context,
        EventFeed feed,
        Func<Task> entering,
        IServiceScopeFactory scopes,
        CancellationToken cancellationToken
    )
    {
        var response = context.Response;
        var pieces = feed.Join(practice, out var leave);
        try
        {
            after = await CatchUpAsync();
            await response.BodyWriter.WriteAsync(StreamPiece.Ready, cancellationToken);
            // Asked once it listens: a change from now on is told.
            await response.BodyWriter.WriteAsync(PracticeNews.Sheet(await VersionAsync()), cancellationToken);
            await response.BodyWriter.WriteAsync(PracticeNews.Scores(await HidesScoresAsync()), cancellationToken);
            await entering();
            while (await pieces.WaitToReadAsync(cancellationToken))
            {
                while (pieces.TryRead(out var piece))
                {
                    if (piece.Last < 0 && !await IsStillInAsync(context, scopes, cancellationToken))
                    {
                        return;
                    }

                    if (piece.Last < 0 || piece.Before == after)
                    {
                        response.BodyWriter.Write(piece.Bytes.Span);
                        after = Math.Max(after, piece.Last);
                    }
                    else if (piece.Last > after)
                    {
                        after = await CatchUpAsync();
                    }
                }

                await response.BodyWriter.FlushAsync(cancellationToken);
            }
        }
        finally
        {
            leave();
        }

        async Task<int> VersionAsync()
        {
            await using var scope = scopes.CreateAsyncScope();
            return await scope.ServiceProvider.GetRequiredService<PracticeBook>().SheetVersionAsync(practice, cancellationToken)
                ?? 0;
        }

        async Task<bool> HidesScoresAsync()
        {
            await using var scope = scopes.CreateAsyncScope();
            return await scope.ServiceProvider.GetRequiredService<DoorBook>().HidesScoresAsync(practice, cancellationToken);
        }

        // Whatever is on record after the last event sent: at the beginning, and where some pieces were missed.
        async Task<long> CatchUpAsync()
        {
            await using var scope = scopes.CreateAsyncScope();
            var rows = await scope
                .ServiceProvider.GetRequiredService<EventJournal>()
                .SinceAsync(practice, after, cancellationToken);
            if (rows.Count == 0)
            {
                return after;
            }

            var missed = StreamPiece.Of(after, rows);
            await response.BodyWriter.WriteAsync(missed.Bytes, cancellationToken);
            return missed.Last;
        }
    }
}
