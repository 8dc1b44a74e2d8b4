using KeepTally.Core.Cards;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Simulation;
using KeepTally.Core.Simulation.Exact;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen.Charts;

namespace KeepTally.Screen;

/// <summary>What a simulation found: the pictures, each under its sentence, and the sentences that need none.</summary>
/// <param name="Words">The sentences without a picture.</param>
/// <param name="Charts">The pictures.</param>
public sealed record DrillForecast(IReadOnlyList<string> Words, IReadOnlyList<ChartView> Charts)
{
    private const double SecondsOfMinute = 60;

    /// <summary>Simulates a drill in the time there is, and without a limit of time where its rules end it.</summary>
    /// <param name="card">The drill card.</param>
    /// <param name="index">The stage of the card.</param>
    /// <param name="simulator">The stage opened for who plays it.</param>
    /// <param name="skill">Who plays it.</param>
    /// <param name="settings">How often it is played, how fast, and the time there is.</param>
    /// <param name="letRun">How often it is played without a limit of time, and for so many goes at the most.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public static DrillForecast Of(
        DrillCard card,
        int index,
        Simulator simulator,
        Skill skill,
        SimulationSettings settings,
        int letRun,
        CancellationToken cancellationToken = default
    )
    {
        var stage = card.Stages[index];
        var fit = simulator.Run(settings, cancellationToken);
        var untimed = Untimed.Of(card, index);
        var whole = SimulationWords.Ends(stage)
            ? Simulator
                .Open(untimed, index, skill)
                .Require()
                .Run(settings with { Given = null, Runs = letRun, Cap = letRun }, cancellationToken)
            : null;
        return Of(
            stage,
            fit,
            whole,
            settings.Given!.Value,
            ExactOdds.Of(untimed.Stages[index], skill),
            SimulationWords.Even(EvenStart.Of(stage, skill))
        );
    }

    /// <param name="stage">The stage as it was simulated.</param>
    /// <param name="fit">In the time there is.</param>
    /// <param name="whole">Without a limit of time; null where time alone ends it.</param>
    /// <param name="given">The time there is.</param>
    /// <param name="exact">What can be calculated without playing; null where nothing can.</param>
    /// <param name="even">The start that would make a match even; empty where there is none.</param>
    internal static DrillForecast Of(
        Stage stage,
        SimulationReport fit,
        SimulationReport? whole,
        Duration given,
        ExactAnswer? exact,
        string even
    )
    {
        string[] words =
        [
            .. SimulationWords.Of(stage, fit, given),
            .. SimulationWords.LetRun(stage, whole, exact),
            .. even.Length > 0 ? [even] : Array.Empty<string>(),
        ];
        ChartView[] charts = [.. ChartsOf(stage, fit, whole, given, exact)];
        var told = charts.Select(chart => chart.Finding).ToHashSet(StringComparer.Ordinal);
        var wins = stage.Play == Play.Match ? fit.Units.Select(SimulationWords.Wins) : [];
        return new DrillForecast([.. words.Where(line => !told.Contains(line)).Except(wins, StringComparer.Ordinal)], charts);
    }

    private static IEnumerable<ChartView> ChartsOf(
        Stage stage,
        SimulationReport fit,
        SimulationReport? whole,
        Duration given,
        ExactAnswer? exact
    )
    {
        if (stage.Play == Play.Match)
        {
            yield return Winner(fit);
        }
        else
        {
            var one = fit.Units[0];
            if (stage.Ladder is not null)
            {
                yield return Spread(SimulationWords.Steps(one), one.Cleared, Phrase.Figure, null);
            }

            if (SimulationWords.HasPoints(one))
            {
                yield return Spread(
                    SimulationWords.Points(one),
                    one.Points,
                    Phrase.Figure,
                    stage.Par is { } par && par.By == MeasureKinds.Points
                        ? new SpreadMark(par.Value, $"par {Phrase.Figure(par.Value)}")
                        : null
                );
            }
        }

        if (whole is { Finished: >= 0.5 } && SimulationWords.LetRun(stage, whole, exact) is [var lasts, ..])
        {
            yield return new ChartView(
                lasts,
                SpreadChart.Of(
                    whole.Seconds,
                    Clock,
                    new SpreadMark(given.TotalSeconds, $"{Phrase.Span(given)} planned"),
                    lasts,
                    SecondsOfMinute
                ),
                SpreadChart.Key(whole.Seconds)
            );
        }
    }

    private static ChartView Spread(string finding, Distribution spread, Func<double, string> figure, SpreadMark? mark) =>
        new(finding, SpreadChart.Of(spread, figure, mark, finding), SpreadChart.Key(spread));

    private static ChartView Winner(SimulationReport fit)
    {
        var finding = string.Join(' ', fit.Units.Select(SimulationWords.Wins));
        var neither = 1 - fit.Units.Sum(unit => unit.Wins);
        return new ChartView(
            finding,
            ShareBar.Of(
                [
                    .. fit.Units.Select(unit => (Phrase.Capital(Phrase.Words(unit.Unit.Value)), unit.Wins)),
                    ("Neither", Math.Max(0, neither)),
                ],
                finding
            )
        );
    }

    private static string Clock(double seconds) => Phrase.Clock(Duration.FromSeconds(seconds));
}
