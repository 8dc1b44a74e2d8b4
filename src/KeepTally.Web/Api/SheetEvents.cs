using KeepTally.Core.Formats;
using KeepTally.Core.Sheets;
using KeepTally.Store.Events;
using Microsoft.AspNetCore.Http.HttpResults;

namespace KeepTally.Web.Api;

/// <summary><c>POST /api/sheets/{sheet}/events</c>: a batch of events as JSON Lines, all of them kept or none.</summary>
internal static class SheetEvents
{
    private const int MostBytes = 1 << 20;

    /// <summary>
    /// JSON Lines have a type of their own, which a page of another origin cannot send unasked: that and the host filter
    /// keep strangers out of the journal.
    /// </summary>
    private const string JsonLines = "application/x-ndjson";

    internal static async Task<Results<Ok<Kept>, NotFound, UnprocessableEntity<NotKept>, StatusCodeHttpResult>> PostAsync(
        string sheet,
        HttpRequest request,
        EventJournal journal,
        SheetRules rules,
        EventFeed feed,
        CancellationToken stop
    )
    {
        if (request.ContentType?.Split(';')[0].Trim() != JsonLines)
        {
            return TypedResults.StatusCode(StatusCodes.Status415UnsupportedMediaType);
        }

        if (request.ContentLength is null or > MostBytes)
        {
            return TypedResults.StatusCode(StatusCodes.Status413PayloadTooLarge);
        }

        if (await rules.FindAsync(journal, sheet, stop) is not { } found)
        {
            return TypedResults.NotFound();
        }

        using var body = new StreamReader(request.Body);
        var (events, faults) = Read(await body.ReadToEndAsync(stop), found.Rules);
        if (faults.Count > 0)
        {
            return TypedResults.UnprocessableEntity(new NotKept(faults));
        }

        var appended = await journal.AppendAsync(sheet, events, stop);
        feed.Publish(found.PracticeId, appended.Fresh);
        return TypedResults.Ok(new Kept(appended.Fresh.Count, [.. appended.Theirs.Select(theirs => theirs.Line)]));
    }

    private static (List<RunEvent> Events, List<LineFault> Faults) Read(string text, Sheet rules)
    {
        var (events, faults) = (new List<RunEvent>(), new List<LineFault>());
        foreach (var (index, line) in text.Split('\n').Index())
        {
            if (string.IsNullOrWhiteSpace(line))
            {
                continue;
            }

            var reading = EventReader.Read(line);
            if (!reading.IsRead)
            {
                faults.Add(new LineFault(index + 1, reading.Faults[0].ToString()));
            }
            else if (rules.Refuse(reading.Value) is { } refusal)
            {
                faults.Add(new LineFault(index + 1, refusal.ToString()));
            }
            else
            {
                events.Add(reading.Value);
            }
        }

        return (events, faults);
    }
}

/// <param name="Stored">How many of the batch were new.</param>
/// <param name="Theirs">Lines that stood there already under an id of the batch, and say something else.</param>
internal sealed record Kept(int Stored, IReadOnlyList<string> Theirs);

internal sealed record NotKept(IReadOnlyList<LineFault> Faults);

/// <param name="Line">The line of the batch, from 1.</param>
internal sealed record LineFault(int Line, string Problem);
