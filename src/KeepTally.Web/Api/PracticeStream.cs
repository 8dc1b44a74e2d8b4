using System.Globalization;
using System.Net.ServerSentEvents;
using System.Runtime.CompilerServices;
using KeepTally.Store.Events;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeepTally.Web.Api;

/// <summary><c>GET /api/practices/{practice}/events?after=N</c>: every event on record after a sequence number, then each new one.</summary>
internal static class PracticeStream
{
    private static readonly TimeSpan Beat = TimeSpan.FromSeconds(15);

    internal static ServerSentEventsResult<Heard> Get(
        int practice,
        long? after,
        HttpContext context,
        EventFeed feed,
        IServiceScopeFactory scopes,
        IHostApplicationLifetime lifetime
    )
    {
        var from = long.TryParse(
            context.Request.Headers["Last-Event-ID"],
            NumberStyles.None,
            CultureInfo.InvariantCulture,
            out var last
        )
            ? last
            : after ?? 0;
        return TypedResults.ServerSentEvents(
            FollowAsync(practice, from, feed, scopes, lifetime.ApplicationStopping, context.RequestAborted)
        );
    }

    private static async IAsyncEnumerable<SseItem<Heard>> FollowAsync(
        int practice,
        long after,
        EventFeed feed,
        IServiceScopeFactory scopes,
        CancellationToken stopping,
        [EnumeratorCancellation] CancellationToken gone
    )
    {
        // Listening begins before the record is read: an event in between comes twice and is passed on once.
        using var listener = feed.Listen(practice);
        await using (var scope = scopes.CreateAsyncScope())
        {
            var journal = scope.ServiceProvider.GetRequiredService<EventJournal>();
            foreach (var row in await journal.SinceAsync(practice, after, gone))
            {
                after = row.Sequence;
                yield return Item(row);
            }
        }

        using var either = CancellationTokenSource.CreateLinkedTokenSource(stopping, gone);
        yield return new SseItem<Heard>(new Heard("", ""), "ready");
        while (await NextAsync(listener, either.Token) is { } waited)
        {
            if (!waited)
            {
                yield return new SseItem<Heard>(new Heard("", ""), "beat");
            }

            while (listener.Events.TryRead(out var row))
            {
                if (row.Sequence > after)
                {
                    after = row.Sequence;
                    yield return Item(row);
                }
            }
        }
    }

    /// <summary>True where something was said, false where it was quiet for a while, null where it is time to go.</summary>
    private static async Task<bool?> NextAsync(EventFeed.Listener listener, CancellationToken stop)
    {
        using var quiet = CancellationTokenSource.CreateLinkedTokenSource(stop);
        quiet.CancelAfter(Beat);
        try
        {
            return await listener.Events.WaitToReadAsync(quiet.Token) ? true : null;
        }
        catch (OperationCanceledException)
        {
            return stop.IsCancellationRequested ? null : false;
        }
    }

    private static SseItem<Heard> Item(EventRow row) =>
        new(new Heard(row.SheetId, row.Line)) { EventId = row.Sequence.ToString(CultureInfo.InvariantCulture) };
}

internal sealed record Heard(string Sheet, string Line);
