using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Screen;
using KeepTally.Screen.Views;
using KeepTally.Store.Practices;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Http.HttpResults;
using EventId = KeepTally.Core.Identity.EventId;

namespace KeepTally.Web.Api.Devices;

/// <summary>The routes for devices with a key: a clicker, a gate, a sensor, a horn, a scoreboard.</summary>
internal static class DeviceRoutes
{
    /// <summary>Horns and calls are told so far ahead, so that one poll in a minute is enough to sound them.</summary>
    private static readonly Duration Ahead = Duration.FromSeconds(90);

    /// <summary>Two that say something at once under no number of their own are told apart by trying again.</summary>
    private const int Tries = 4;

    internal static void MapDevices(this IEndpointRouteBuilder app)
    {
        var device = app.MapGroup("/api/device").WithTags("Devices").RequireAuthorization(Policies.Device).DisableAntiforgery();
        device
            .MapGet("/now", NowAsync)
            .Produces<DeviceNow>()
            .WithSummary("The practice now")
            .WithDescription(
                "The drill under way of the device's team: its clock, the signals of the next minute and a half, and every sheet with names, scores and buttons. A scoreboard asks once a second, or after every event on the stream of the practice. A horn sounds each signal at now + in milliseconds."
            );
        device
            .MapPost("/says", SaysAsync)
            .Produces<DeviceHeard>()
            .ProducesProblem(StatusCodes.Status404NotFound)
            .ProducesProblem(StatusCodes.Status409Conflict)
            .ProducesProblem(StatusCodes.Status422UnprocessableEntity)
            .WithSummary("Send what the device noticed")
            .WithDescription(
                "A clicker sends {\"press\": 1}, a make-or-miss sensor {\"result\": \"success\"}, a timing gate {\"value\": 4.31}, a speed reader {\"value\": 71}, a foot switch {\"clock\": \"stop\"}. The answer comes when the event is on the disk. An event with a number n counts once, so a device can send it until it gets an answer."
            );
    }

    private static async Task<IResult> NowAsync(HttpContext context, DeviceDesk desks, PracticeClock clock)
    {
        var caller = context.Caller()!;
        if (await desks.OpenAsync(caller, context.RequestAborted) is not { } desk)
        {
            return TypedResults.Ok(new DeviceNow(caller.Name, clock.Now.ToUnixTimeMilliseconds(), null, "", "", null, [], []));
        }

        var (live, now) = (desk.Live, desk.Now);
        var run = live.Current < live.Runs.Count ? live.Runs[live.Current] : null;
        var view = run is null ? null : new RunPresenter(live, []).At(now).Run!;
        return TypedResults.Ok(
            new DeviceNow(
                caller.Name,
                desk.Time.ToUnixTimeMilliseconds(),
                desk.Practice,
                desk.Title,
                run?.Name ?? "",
                view is null ? null : new DeviceClock(view.Clock.State, view.Clock.Word, view.Clock.Left, view.Clock.Round),
                run is null ? [] : SignalPresenter.Of(run, now, now + Ahead),
                [.. desk.Sheets.Select(each => Told(each, view!.Sheets.First(sheet => sheet?.Id == each.Id.Value)!, now))]
            )
        );
    }

    private static DeviceSheet Told(RunSheet each, SheetView view, Instant at)
    {
        var live = each.Sheet;
        var report = live.ReportAt(at);
        var slots = ScoringSlots.At(live.Stage, live.UnitsOn, live.Floor).ToHashSet();
        return new DeviceSheet(
            each.Id.Value,
            each.Name,
            view.Done,
            view.Result,
            report.Turn?.Value,
            live.Stage.Play == Play.Together && report.Units.Count > 1,
            [
                .. report.Units.Select(unit => new DeviceUnit(
                    unit.Id.Value,
                    live.CallNameOf(unit.Id),
                    view.Rows.FirstOrDefault(row => row.Unit == unit.Id.Value)?.Score ?? $"{unit.Points}",
                    !view.Done && !unit.Done && slots.Contains(unit.Id) && (report.Turn is null || report.Turn == unit.Id),
                    unit.Done
                )),
            ],
            [
                .. live.Stage.Outcomes.Select(
                    (outcome, index) =>
                        new DeviceOutcome(
                            outcome.Id,
                            outcome.Label,
                            index + 1,
                            outcome.Result switch
                            {
                                OutcomeResult.Success => "success",
                                OutcomeResult.Failure => "failure",
                                OutcomeResult.Neutral => "neutral",
                            },
                            outcome.Reading
                        )
                ),
            ],
            live.Stage.Targets?.Zones ?? []
        );
    }

    private static async Task<IResult> SaysAsync(DeviceSays says, HttpContext context, DeviceDesk desks)
    {
        for (var tries = 1; ; tries++)
        {
            if (await desks.OpenAsync(context.Caller()!, context.RequestAborted) is not { Sheets.Count: > 0 } desk)
            {
                return ApiProblem.NotFound("practice", "no drill of this team is under way", "begin a practice, then say it again");
            }

            var heard = says.Clock is { } word
                ? await ClockAsync(word, desk, desks)
                : await TapAsync(says, desk, desks, context.RequestAborted);
            if (heard is { } answer)
            {
                return answer;
            }

            if (tries == Tries)
            {
                return ApiProblem.Of(
                    StatusCodes.Status409Conflict,
                    "n",
                    "this key says too much at once under no number of its own",
                    "number what it says"
                );
            }
        }
    }

    /// <summary>The answer to a word to the clock; null where its number was taken at the same moment, and it is to be tried again.</summary>
    private static async Task<IResult?> ClockAsync(string word, OpenDesk desk, DeviceDesk desks)
    {
        RunCommand? command = word switch
        {
            "start" => RunCommand.Start,
            "stop" => RunCommand.Pause,
            "go" => RunCommand.Resume,
            "whistle" => RunCommand.Whistle,
            _ => null,
        };
        if (command is not { } said)
        {
            return Fault(new Fault("clock", $"\"{word}\" is no word to the clock", "send start, stop, go or whistle"));
        }

        var events = desk.Live.Execute(said, desk.Now);
        if (!await desks.WriteAsync(events))
        {
            return null;
        }

        var clock = new RunPresenter(desk.Live, []).At(desk.Now).Run!.Clock.Word;
        return TypedResults.Ok(new DeviceHeard(events.Count, "", 0, clock, events.Count > 0));
    }

    /// <summary>The answer to a tap; null where its number was taken at the same moment, and it is to be tried again.</summary>
    private static async Task<IResult?> TapAsync(
        DeviceSays says,
        OpenDesk desk,
        DeviceDesk desks,
        CancellationToken cancellationToken
    )
    {
        if (SheetOf(says, desk) is not { } sheet)
        {
            return NoSheet(says, desk);
        }

        EventId? id = says.N is { } number ? new EventId(desk.Numbered, number) : null;
        if (id is { } known && sheet.Sheet.Log.Find(known) is { } before)
        {
            return Heard(0, sheet, before);
        }

        if (says.N is < 1)
        {
            return Fault(new Fault("n", "a number begins at 1", "send a whole number from 1 on"));
        }

        var at = says.At is { } then
            ? desk.Origin.InstantAt(DateTimeOffset.FromUnixTimeMilliseconds(then))
            : sheet.Sheet.Stamp(desk.Now);
        var tap = TapOf(says, sheet, at);
        if (!tap.IsOk)
        {
            return Fault(tap.Faults[0]);
        }

        var came = desk.Live.Tap(sheet.Id, tap.Value, id, at);
        if (!came.IsOk)
        {
            return Fault(came.Faults[0]);
        }

        var appended = came.Value;
        if (await desks.CheckAsync(desk, appended[0], cancellationToken) is { } fault)
        {
            return Fault(fault);
        }

        return await desks.WriteAsync(appended) ? Heard(1, sheet, appended[0].Event)
            : says.N is null ? null
            : Fault(new Fault("n", "this number was used for something else at the same moment", "send another"));
    }

    /// <summary>The sheet that is meant: the one that is named, else the only one that can be tapped.</summary>
    private static RunSheet? SheetOf(DeviceSays says, OpenDesk desk) =>
        says.Sheet is { } named ? desk.Live.Runs.SelectMany(run => run.Sheets).FirstOrDefault(each => each.Id.Value == named)
        : desk.Sheets.Count == 1 ? desk.Sheets[0]
        : null;

    private static ProblemHttpResult NoSheet(DeviceSays says, OpenDesk desk) =>
        says.Sheet is { } unknown
            ? ApiProblem.NotFound("sheet", $"there is no sheet \"{unknown}\" in the practice under way", "ask /api/device/now")
            : Fault(
                new Fault(
                    "sheet",
                    "more than one sheet can be tapped now",
                    $"send one of {string.Join(", ", desk.Sheets.Select(each => each.Id.Value))}"
                )
            );

    private static Result<TapCommand> TapOf(DeviceSays says, RunSheet sheet, Instant at)
    {
        bool? made = says.Result switch
        {
            "success" => true,
            "failure" => false,
            _ => null,
        };
        if (says.Result is { } result && made is null)
        {
            return Result.Fail<TapCommand>(new Fault("result", $"\"{result}\" is no result", "send success or failure"));
        }

        PlayerId? unit = says.Unit is { } named ? new PlayerId(named) : null;
        return new DeviceTap(unit, says.Outcome, says.Press, made, says.Zone, says.Value).On(sheet.Sheet, at);
    }

    private static Ok<DeviceHeard> Heard(int stored, RunSheet sheet, RunEvent tap) =>
        TypedResults.Ok(
            new DeviceHeard(
                stored,
                sheet.Id.Value,
                tap.Id.N,
                RunPresenter.Describe(sheet.Id, sheet.Sheet, tap),
                sheet.Sheet.ResultOf(tap.Id) is { Kind: EventResultKind.Counted }
            )
        );

    private static ProblemHttpResult Fault(Fault fault) =>
        ApiProblem.Of(StatusCodes.Status422UnprocessableEntity, fault.Path, fault.Problem, fault.Fix);
}
