using System.Globalization;
using KeepTally.Core.Faults;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Results;

/// <summary>Scores a past run again with other rules, beside the saved results. Nothing stored changes.</summary>
public sealed class RescoreModel(PracticeBook book, Rescore school) : PageModel
{
    private const string Option = "option.";
    private const string Number = "number.";

    public required Practice Practice { get; set; }

    public required RescoredRun Run { get; set; }

    /// <summary>Of a circuit, the station from 0.</summary>
    public int? Station { get; private set; }

    public IReadOnlyList<DrillRow> Was { get; private set; } = [];

    /// <summary>By the rules asked for, in the order of what was; null where nothing else was asked for, or it cannot be judged so.</summary>
    public IReadOnlyList<DrillRow>? Would { get; private set; }

    /// <summary>Why it cannot be judged so, or null.</summary>
    public Fault? Fault { get; private set; }

    /// <summary>The house rules asked for.</summary>
    public Dictionary<string, string> Options { get; } = new(StringComparer.Ordinal);

    /// <summary>The numbers asked for.</summary>
    public Dictionary<string, double> Numbers { get; } = new(StringComparer.Ordinal);

    public MeasureKind By => Run.Stage.Measures[0].By;

    public async Task<IActionResult> OnGetAsync(int id, int run, int? station, CancellationToken cancellationToken)
    {
        if (
            await book.FindAsync(id, cancellationToken) is not { } practice
            || await school.FindAsync(id, run, station, cancellationToken) is not { } found
        )
        {
            return NotFound();
        }

        (Practice, Run, Station) = (practice, found, station);
        ReadAsked();
        Was = Rescore.Judge(found, new Dictionary<string, string>(), new Dictionary<string, double>()).Require();
        if (Fault is null && (Options.Any(IsOther) || Numbers.Any(IsOther)))
        {
            var judged = Rescore.Judge(found, Options, Numbers);
            (Would, Fault) = (judged.Value, judged.IsOk ? null : judged.Faults[0]);
        }

        return Page();
    }

    /// <summary>How a unit would stand; null where it has no line.</summary>
    public DrillRow? WouldOf(DrillRow was) =>
        Would?.FirstOrDefault(row => row.Sheet.Name == was.Sheet.Name && row.Unit.Id == was.Unit.Id);

    /// <summary>The finding in a sentence.</summary>
    public string InAll()
    {
        if (Would is null)
        {
            return "";
        }

        var played = Was.Count(row => row.Played);
        if (Run.Stage.Ladder is { Rungs.Count: { } rungs } ladder && ladder.Laps * rungs is var all)
        {
            return Told("cleared every step", row => row.Report.Cleared >= all);
        }

        if (Run.Stage.Par is not null)
        {
            return Told("reached par", row => ParJudge.IsMet(Run.Stage, row.Report, row.Report.Done));
        }

        var (first, other) = (FirstOf(Was), FirstOf(Would));
        return first == other ? $"First with both rules: {first}." : $"First that day: {first}. With the other rules: {other}.";

        string Told(string what, Func<DrillRow, bool> holds) =>
            $"{Phrase.Capital(Phrase.Count(Was.Count(row => row.Played && holds(row))))} of {Phrase.Count(played)} {what}; with the other rules {Phrase.Count(Would.Count(row => row.Played && holds(row)))} would have.";

        static string FirstOf(IReadOnlyList<DrillRow> rows) =>
            rows.Where(row => row.Rank == 1).Select(row => row.Unit.Name).ToArray() is { Length: > 0 } names
                ? Phrase.List(names)
                : "nobody";
    }

    private bool IsOther(KeyValuePair<string, string> option) => Run.ChosenOf(option.Key) != option.Value;

    private bool IsOther(KeyValuePair<string, double> number) =>
        Run.Numbers.First(each => each.Path == number.Key).Value != number.Value;

    /// <summary>Reads what the address asks for; what the card does not know is passed over, what is no number is a fault.</summary>
    private void ReadAsked()
    {
        foreach (var (name, value) in Request.Query)
        {
            if (
                name.StartsWith(Option, StringComparison.Ordinal)
                && Run.Card.Options.TryGetValue(name[Option.Length..], out var rule)
            )
            {
                if (rule.Choices.ContainsKey(value.ToString()))
                {
                    Options[name[Option.Length..]] = value.ToString();
                }
            }
            else if (
                name.StartsWith(Number, StringComparison.Ordinal)
                && Run.Numbers.FirstOrDefault(each => each.Path == name[Number.Length..]) is { } known
            )
            {
                if (
                    double.TryParse(value, NumberStyles.Float, CultureInfo.InvariantCulture, out var number)
                    && double.IsFinite(number)
                )
                {
                    Numbers[known.Path] = number;
                }
                else
                {
                    Fault = new Fault(known.Label, $"\"{value}\" is no number", "write one, as 5");
                }
            }
        }
    }
}
