using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Store.Practices;

namespace KeepTally.Store.Results;

/// <summary>A past run judged by other rules, from its log alone. Nothing that is kept changes.</summary>
public sealed class Rescore(RunStore runs)
{
    /// <summary>How a run of a practice stands as it was kept; null where there is none, or it no longer reads.</summary>
    /// <param name="practice">The id of the practice.</param>
    /// <param name="run">The id of the run.</param>
    /// <param name="station">Of a circuit, which station, from 0; a circuit itself is judged by nobody.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<RescoredRun?> FindAsync(int practice, int run, int? station, CancellationToken cancellationToken = default)
    {
        var found = (await runs.OfAsync(practice, cancellationToken)).FirstOrDefault(each =>
            each.Run.Id == run && each.Fault is null
        );
        var isCircuit = found?.Sheets.Any(sheet => sheet.Row.Stop is not null) ?? false;
        StoredSheet[] sheets =
            found is null || isCircuit != station is not null
                ? []
                :
                [
                    .. found
                        .Sheets.Where(sheet => sheet.Row.Station == station)
                        .OrderBy(sheet => sheet.Row.Group ?? sheet.Row.Order),
                ];
        return sheets is [var first, ..]
            ? new RescoredRun(sheets, first.Row.CardJson ?? found!.Run.CardJson, first.Card, first.Head)
            : null;
    }

    /// <summary>The same run by other house rules and other numbers, or why it cannot be judged so.</summary>
    /// <param name="run">The run that is scored again.</param>
    /// <param name="options">House rules by name; those not named stay.</param>
    /// <param name="numbers">Numbers by their path on the card; those not named stay.</param>
    public static Result<IReadOnlyList<DrillRow>> Judge(
        RescoredRun run,
        IReadOnlyDictionary<string, string> options,
        IReadOnlyDictionary<string, double> numbers
    )
    {
        var chosen = new Dictionary<string, string>(run.Head.Options);
        foreach (var (name, choice) in options)
        {
            chosen[name] = choice;
        }

        var card = CardReader.Read(RuleNumbers.With(run.CardJson, run.Head.Stage, numbers), chosen);
        return card.IsOk ? Of(run.Sheets, card.Value, chosen) : Result.Fail<IReadOnlyList<DrillRow>>(card.Faults);
    }

    private static Result<IReadOnlyList<DrillRow>> Of(
        IReadOnlyList<StoredSheet> kept,
        DrillCard card,
        Dictionary<string, string> chosen
    )
    {
        var sheets = new List<DrillSheet>();
        Stage? stage = null;
        foreach (var stored in kept)
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
                    stored.Row.Group is { } group ? Letters.Of(group) : stored.Row.Name,
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
/// <param name="Sheets">Its sheets; of a circuit those of one station.</param>
/// <param name="CardJson">The text of its card as it was.</param>
/// <param name="Card">Its card, by the house rules it was kept by.</param>
/// <param name="Head">The head of the log: drill, stage, rules and units.</param>
public sealed record RescoredRun(IReadOnlyList<StoredSheet> Sheets, string CardJson, DrillCard Card, LogHead Head)
{
    /// <summary>Its stage.</summary>
    public Stage Stage => Card.Stages[Head.Stage];

    /// <summary>The numbers it was judged by.</summary>
    public IReadOnlyList<RuleNumber> Numbers => RuleNumbers.Of(CardJson, Head.Stage);

    /// <summary>The house rule it was kept by.</summary>
    public string ChosenOf(string option) => Card.Chosen[option];
}
