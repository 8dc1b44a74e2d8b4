using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>
/// What a device noticed, as it knows it: a clicker the number of its button, a sensor made or missed, a gate or a speed reader
/// a figure. It knows no card; what it means is said by the stage.
/// </summary>
/// <param name="Unit">Whose it was; null where the sheet knows (a turn, the ball, a single unit).</param>
/// <param name="Outcome">The id of an outcome, for a device that knows the card.</param>
/// <param name="Press">Which button, from 1, in the order of the pad.</param>
/// <param name="Made">Made or missed.</param>
/// <param name="Zone">Where it went.</param>
/// <param name="Value">What was read, in the outcome's own unit.</param>
public sealed record DeviceTap(PlayerId? Unit, string? Outcome, int? Press, bool? Made, string? Zone, double? Value)
{
    /// <summary>The tap it comes to on a sheet, or what does not fit there.</summary>
    public Result<TapCommand> On(Sheet sheet, Instant at)
    {
        var said = new[] { Outcome is not null, Press is not null, Made is not null }.Count(each => each);
        if (said > 1)
        {
            return Fault("outcome", "it says more than one thing at once", "send one of outcome, press and result");
        }

        if (sheet.Stage.Targets is not null && Made is { } hit)
        {
            return OnTarget(sheet, hit, at);
        }

        if (Zone is not null && said == 0)
        {
            return Ok(null);
        }

        var outcomes = sheet.Stage.Outcomes;
        if (Outcome is not null)
        {
            return Ok(Outcome);
        }

        if (Press is { } press)
        {
            return press >= 1 && press <= outcomes.Count
                ? Ok(outcomes[press - 1].Id)
                : Fault("press", $"this drill has no button {press}", $"send a number from 1 to {outcomes.Count}");
        }

        if (Made is { } made)
        {
            var result = made ? OutcomeResult.Success : OutcomeResult.Failure;
            return
                outcomes.FirstOrDefault(each =>
                    each.Result == result && each.Job is null && each.Reading is not null == Value is not null
                )
                    is { } fitting
                ? Ok(fitting.Id)
                : Fault("result", $"nothing in this drill is simply {(made ? "made" : "missed")}", Named(outcomes));
        }

        return Value is null ? Fault("press", "it does not say what happened", "send one of press, result, zone, value and outcome")
            : outcomes.Where(each => each.Reading is not null).ToArray() is [var only] ? Ok(only.Id)
            : Fault(
                "value",
                outcomes.Any(each => each.Reading is not null)
                    ? "more than one thing is read in this drill"
                    : "nothing is read in this drill",
                Named(outcomes)
            );
    }

    /// <summary>A target tells hit from miss by where it went: a hit went where it was asked.</summary>
    private Result<TapCommand> OnTarget(Sheet sheet, bool hit, Instant at)
    {
        if (!hit)
        {
            return Result<TapCommand>.Ok(new TapCommand(Unit, null, Targets.None));
        }

        var report = sheet.ReportAt(at);
        var whose = Unit ?? report.Turn ?? (report.Units is [var only] ? only.Id : null);
        return report.Units.FirstOrDefault(unit => unit.Id == whose) is { Asked: { } asked }
            ? Result<TapCommand>.Ok(new TapCommand(whose, null, asked))
            : Fault("unit", "it is not clear whose it was, or nothing is asked of them", "send the unit");
    }

    private Result<TapCommand> Ok(string? outcome) => Result<TapCommand>.Ok(new TapCommand(Unit, outcome, Zone, null, Value));

    private static Result<TapCommand> Fault(string place, string problem, string fix) =>
        Result.Fail<TapCommand>(new Fault(place, problem, fix));

    private static string Named(IReadOnlyList<Outcome> outcomes) =>
        $"send an outcome: {string.Join(", ", outcomes.Select(each => each.Id))}";
}
