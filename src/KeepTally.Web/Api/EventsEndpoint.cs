using System.Diagnostics;
using System.Text;
using System.Text.Json.Serialization;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Store.Database;
using KeepTally.Store.Events;
using KeepTally.Store.People;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Data.Sqlite;

namespace KeepTally.Web.Api;

/// <summary><c>POST /api/sheets/{sheet}/events</c>: a batch of events as JSON Lines, all of them kept or none.</summary>
internal static class EventsEndpoint
{
    private const int MostBytes = 1 << 20;

    /// <summary>A write that takes longer is told to the operator.</summary>
    private static readonly TimeSpan SlowWrite = TimeSpan.FromSeconds(1);

    /// <summary>
    /// JSON Lines have a type of their own, which a page of another origin cannot send unasked: that and the host filter
    /// keep strangers out of the journal.
    /// </summary>
    private const string JsonLines = "application/x-ndjson";

    /// <summary>What a batch passes through on its way to the record.</summary>
    internal sealed record Way(
        EventJournal Journal,
        AppendGuards Rules,
        DeviceOwners Owners,
        OperatorLog Log,
        PracticeClock Clock,
        AuditTrail Trail,
        PlanBook Plans,
        PracticeNews News
    );

    internal static async Task<IResult> PostAsync(
        string sheet,
        HttpRequest request,
        [AsParameters] Way way,
        CancellationToken cancellationToken
    )
    {
        var caller = request.HttpContext.Caller()!;
        if (Unreadable(request) is { } unreadable)
        {
            return unreadable;
        }

        var found = await way.Rules.FindAsync(way.Journal, new SheetId(sheet), cancellationToken);
        if (Refused(sheet, found, caller) is { } refused)
        {
            return refused;
        }

        var guard = found!.Value!;
        using var body = new StreamReader(request.Body, Encoding.UTF8);
        var (events, faults) = Read(
            await body.ReadToEndAsync(cancellationToken),
            runEvent => way.Owners.Check(caller, runEvent) ?? guard.Check(runEvent, way.Clock.Now)
        );
        await way.Owners.KeepAsync(cancellationToken);
        if (faults.Count > 0)
        {
            way.Log.EventsRefused(faults[0].Place);
            return ApiProblem.Of(
                StatusCodes.Status422UnprocessableEntity,
                $"line {faults[0].Line}, {faults[0].Place}",
                faults[0].Problem,
                faults[0].Fix,
                faults
            );
        }

        return await AppendAsync(sheet, guard, events, way, cancellationToken);
    }

    /// <summary>Why a request is no batch, or null.</summary>
    private static ProblemHttpResult? Unreadable(HttpRequest request) =>
        request.ContentType?.Split(';')[0].Trim() != JsonLines
            ? ApiProblem.Of(
                StatusCodes.Status415UnsupportedMediaType,
                "Content-Type",
                "events come as JSON Lines",
                $"send them as {JsonLines}"
            )
        : request.ContentLength is not { } length
            ? ApiProblem.Of(
                StatusCodes.Status411LengthRequired,
                "Content-Length",
                "the length of the batch is not given",
                "send it with its length"
            )
        : length > MostBytes
            ? ApiProblem.Of(
                StatusCodes.Status413PayloadTooLarge,
                "body",
                $"the batch is longer than {MostBytes} bytes",
                "send it in parts"
            )
        : null;

    /// <summary>Why this caller cannot write to this sheet now, or null.</summary>
    private static ProblemHttpResult? Refused(string sheet, Result<AppendGuard>? found, Caller caller)
    {
        // The rules of a sheet are read once for all; whose they are is asked each time.
        if (found is null || (found.IsOk && !caller.Sees(found.Value.TeamId, found.Value.PracticeId)))
        {
            return ApiProblem.NotFound("sheet", $"there is no sheet \"{sheet}\"", "reload the page of the practice");
        }

        if (!found.IsOk)
        {
            // The device keeps what it has and sends it again once the card is fixed.
            var fault = found.Faults[0].For("the card of this drill cannot be read");
            return ApiProblem.Of(StatusCodes.Status409Conflict, "sheet", fault.Problem, fault.Fix);
        }

        return caller.Keeps(sheet)
            ? null
            : ApiProblem.Of(
                StatusCodes.Status403Forbidden,
                "sheet",
                "you may not write to this sheet",
                "tap on your own, or ask the coach"
            );
    }

    private static async Task<IResult> AppendAsync(
        string sheet,
        AppendGuard guard,
        List<RunEvent> events,
        Way way,
        CancellationToken cancellationToken
    )
    {
        var began = Stopwatch.GetTimestamp();
        Appended appended;
        try
        {
            appended = await way.Journal.AppendAsync(new SheetId(sheet), events);
        }
        catch (SqliteException full) when (DiskSpace.IsFull(full))
        {
            way.Log.DiskFull();
            return ApiProblem.Of(
                StatusCodes.Status507InsufficientStorage,
                "disk",
                "the disk of the server is full",
                "free some space on it; what was sent stays on this device until then"
            );
        }

        if (Stopwatch.GetElapsedTime(began) is var took && took > SlowWrite)
        {
            way.Log.SlowWrite(Math.Round(took.TotalMilliseconds));
        }

        await TellAsync(way.Trail, appended, guard.Drill, cancellationToken);
        if (
            appended.Fresh.Any(row => row.IsStart)
            && await way.Plans.ReturnAsync(sheet, guard.PracticeId, cancellationToken) is { } version
        )
        {
            way.News.SheetChanged(guard.PracticeId, version);
        }

        return TypedResults.Ok(new Kept(appended.Fresh.Count, appended.Conflicting));
    }

    /// <summary>Undoing is a correction of the record.</summary>
    private static async Task TellAsync(AuditTrail trail, Appended appended, string drill, CancellationToken cancellationToken)
    {
        if (appended.Fresh.Count(row => row.IsUndo) is > 0 and var undone)
        {
            await trail.AddAsync(
                AuditAct.Correction,
                $"{drill}: undid {undone} {(undone == 1 ? "tap" : "taps")}",
                cancellationToken
            );
        }
    }

    private static (List<RunEvent> Events, List<LineFault> Faults) Read(string text, Func<RunEvent, Fault?> check)
    {
        var (events, faults) = (new List<RunEvent>(), new List<LineFault>());
        foreach (var (index, line) in text.Split('\n').Index())
        {
            if (string.IsNullOrWhiteSpace(line))
            {
                continue;
            }

            if (faults.Count >= Fault.Most)
            {
                break;
            }

            var reading = EventReader.Read(line);
            if (!reading.IsOk)
            {
                faults.Add(Of(index, reading.Faults[0]));
            }
            else if (check(reading.Value) is { } fault)
            {
                faults.Add(new LineFault(index + 1, fault.Path, fault.Problem, fault.Fix));
            }
            else
            {
                events.Add(reading.Value);
            }
        }

        return (events, faults);
    }

    private static LineFault Of(int index, Fault fault) => new(index + 1, fault.Path, fault.Problem, fault.Fix);
}

/// <summary>The result of a batch. Source: docs/formats.md, section 2, "The HTTP API".</summary>
/// <param name="Stored">How many of the batch were new.</param>
/// <param name="Conflicting">Lines that stood there already under an id of the batch, and say something else.</param>
internal sealed record Kept(int Stored, [property: JsonPropertyName("theirs")] IReadOnlyList<string> Conflicting);
