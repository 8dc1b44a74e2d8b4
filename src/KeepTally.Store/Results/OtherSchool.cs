using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Store.Practices;

namespace KeepTally.Store.Results;

/// <summary>A past run judged by other rules, from its log alone. Nothing that is kept changes.</summary>
public sealed class OtherSchool(RunStore runs)
{
    /// <summary>How a run of a practice stands as it was kept; null where there is none, or it is a circuit or no longer reads.</summary>
    public async Task<JudgedRun?> FindAsync(int practice, int run, CancellationToken cancellationToken = default) =>
        (await runs.OfAsync(practice, cancellationToken)).FirstOrDefault(each => each.Run.Id == run)
            is { Fault: null, Sheets: [var first, ..] } found
        && found.Sheets.All(sheet => sheet.Row.Stop is null && sheet.Row.CardJson is null)
            ? new JudgedRun(found, first.Card, first.Head)
            : null;

    /// <summary>The same run by other house rules and other numbers, or why it cannot be judged so.</summary>
    /// <param name="options">House rules by name; those not named stay.</param>
    /// <param name="numbers">Numbers by their path on the card; those not named stay.</param>
    public static Result<IReadOnlyList<DrillRow>> Judge(
        JudgedRun run,
        IReadOnlyDictionary<string, string> options,
        IReadOnlyDictionary<string, double> numbers
    )
    {
        var chosen = new Dictionary<string, string>(run.Head.Options);
        foreach (var (name, choice) in options)
        {
            chosen[name] = choice;
        }

        var card = CardReader.Read(RuleNumbers.With(run.Stored.Run.CardJson, run.Head.Stage, numbers), chosen);
        return card.IsOk ? Of(run.Stored, card.Value, chosen) : Result.Fail<IReadOnlyList<DrillRow>>(card.Faults);
    }

    private static Result<IReadOnlyList<DrillRow>> Of(StoredRun run, DrillCard card, Dictionary<string, string> chosen)
    {
        var sheets = new List<DrillSheet>();
        Stage? stage = null;
        foreach (var stored in run.Sheets)
        {
            var head = stored.Head with { Options = chosen };
            var opened = Sheet.Open(card, head);
            if (!opened.IsOk)
            {
                return Result.Fail<IReadOnlyList<DrillRow>>(opened.Faults);
            }

            var sheet = opened.Value;
            sheet.AddAll([
                .. stored.Events.Select(row => EventReader.Read(row.Line)).Where(read => read.IsOk).Select(read => read.Require()),
            ]);
            stage = sheet.Stage;
            sheets.Add(
                new DrillSheet(
                    stored.Row.Name,
                    head,
                    sheet.Units,
                    sheet.Score.Clock.IsStarted,
                    sheet.Score.Report(sheet.Log.LastAt)
                )
            );
        }

        return Result.Ok<IReadOnlyList<DrillRow>>(DrillTable.Rank(stage!, sheets));
    }
}

/// <summary>A run that can be judged anew.</summary>
/// <param name="Card">Its card, by the house rules it was kept by.</param>
public sealed record JudgedRun(StoredRun Stored, DrillCard Card, LogHead Head)
{
    /// <summary>Its stage.</summary>
    public Stage Stage => Card.Stages[Head.Stage];

    /// <summary>The numbers it was judged by.</summary>
    public IReadOnlyList<RuleNumber> Numbers => RuleNumbers.Of(Stored.Run.CardJson, Head.Stage);

    /// <summary>The house rule it was kept by.</summary>
    public string ChosenOf(string option) => Card.Chosen[option];
}
