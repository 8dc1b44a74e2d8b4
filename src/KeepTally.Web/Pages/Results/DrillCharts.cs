using KeepTally.Core.Judgement;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen.Charts;
using KeepTally.Web.Drawing;

namespace KeepTally.Web.Pages.Results;

/// <summary>The pictures of a drill that was run: how a match went, who stands where, how goes went over the time.</summary>
public static class DrillCharts
{
    /// <summary>From this many goes on it is worth a look how they went over the time.</summary>
    private const int Enough = 12;

    /// <summary>The lead in each game of each court, in order.</summary>
    public static IEnumerable<ChartView> Leads(DrillResult drill)
    {
        foreach (var (sheet, (course, _)) in drill.Sheets.Zip(drill.Courses))
        {
            foreach (var (index, game) in course.Games.Index().Where(game => game.Item.Steps.Count > 0))
            {
                var ran = index < sheet.Report.Games.Count ? sheet.Report.Games[index].Running.SinceStart : Duration.Zero;
                string[] where =
                [
                    .. drill.Sheets.Count > 1 ? [sheet.Name] : Array.Empty<string>(),
                    .. sheet.IsSeries ? [$"game {index + 1}"] : Array.Empty<string>(),
                ];
                var finding = CourseText.Of(game);
                yield return new ChartView(
                    where.Length > 0 ? $"{Phrase.Capital(string.Join(", ", where))}: {finding}" : finding,
                    LeadChart.Of(game, ran, finding),
                    LeadChart.Key(game)
                )
                {
                    Table = new ChartTable(
                        "Every change of the score",
                        ["Time", game.First, game.Second],
                        [
                            .. game.Steps.Select(step =>
                                (IReadOnlyList<string>)
                                    [Phrase.Clock(step.At.SinceStart), Phrase.Figure(step.First), Phrase.Figure(step.Second)]
                            ),
                        ]
                    ),
                };
            }
        }
    }

    /// <summary>Everyone who has a rank, by what ranks first, with par and the personal best before; null where fewer than two have, or in a match.</summary>
    public static ChartView? Ranks(DrillResult drill, IReadOnlyDictionary<string, PastBests> bests)
    {
        var measure = drill.Stage.Measures[0].By;
        DrillRow[] rows = [.. drill.Rows.Where(row => row.Rank is not null && row.Report.Value(measure) is not null)];
        if (drill.Stage.Play == Core.Cards.Play.Match || rows.Length < 2)
        {
            return null;
        }

        var names = CallNames.Of(drill.Sheets.SelectMany(sheet => sheet.Head.Everyone));
        RankBar[] bars =
        [
            .. rows.Select(row => new RankBar(
                names.GetValueOrDefault(row.Unit.Id, row.Unit.Name),
                row.Report.Value(measure),
                measure.Figure(row.Report.Value(measure)!.Value),
                bests.GetValueOrDefault(row.Sheet.Id)?.Own.TryGetValue(row.Unit.Id, out var own) == true ? own : null
            )),
        ];
        var par = drill.Stage.Par is { } set && set.By == measure ? set : null;
        return new ChartView(
            "",
            RankChart.Of(
                bars,
                par?.Value,
                par is null ? "" : $"par {measure.Figure(par.Value)}",
                $"{measure.Heading} of each, best first; the table has the figures."
            ),
            Array.Exists(bars, bar => bar.Best is not null) ? "Upright stroke: the personal best before this practice." : ""
        );
    }

    /// <summary>The goes minute by minute, and by place early and late; none of a series of games, or of too few goes.</summary>
    public static IEnumerable<ChartView> OverTime(DrillResult drill)
    {
        if (!drill.CountsMisses || drill.IsSeries || drill.Goes.Of < Enough)
        {
            yield break;
        }

        var sheets = drill.Courses.Select(each => (each.Course.Goes, each.Ran)).ToArray();
        var minutes = MinuteGoes.Of(sheets.SelectMany(sheet => sheet.Goes));
        if (minutes.Count > 1 && CourseText.Halves(LateGoes.Of(sheets)) is { Length: > 0 } halves)
        {
            yield return new ChartView(
                halves,
                ColumnChart.Of(
                    [.. minutes.Select(minute => new Column($"{minute.Minute + 1}", minute.Goes.Of, minute.Goes.Made))],
                    null,
                    halves
                ),
                "Each column is a minute: all goes, and filled those that were made."
            )
            {
                Table = TableOf(
                    "Goes by minute",
                    "Minute",
                    minutes,
                    minute => $"{minute.Minute + 1}",
                    ("Made", minute => minute.Goes)
                ),
            };
        }

        var places = LateGoes.ByPlace(sheets);
        if (PlaceDrawing.Of(drill, places) is { } map)
        {
            yield return new ChartView(CourseText.Spots(places), map, PlaceDrawing.Key)
            {
                Table = TableOf("Goes by place", "Place", places, place => place.Place, ("Made", place => place.All)),
            };
        }

        if (places.Count > 1 && places.Any(place => place.Early.Of > 0 && place.Late.Of > 0))
        {
            var told = CourseText.Places(places);
            yield return new ChartView(
                told,
                PairChart.Of(
                    [.. places.Select(place => (Phrase.Capital(Phrase.Words(place.Place)), place.Early, place.Late))],
                    told
                ),
                "Ring: first half of the time. Dot: second half. The line is the likely range."
            )
            {
                Table = TableOf(
                    "Goes by place and half",
                    "Place",
                    places,
                    place => place.Place,
                    ("First half", place => place.Early),
                    ("Second half", place => place.Late)
                ),
            };
        }
    }

    /// <summary>Shares in words, a row for each of what they are of.</summary>
    private static ChartTable TableOf<T>(
        string caption,
        string head,
        IEnumerable<T> rows,
        Func<T, string> name,
        params (string Head, Func<T, Share> Share)[] columns
    ) =>
        new(
            caption,
            [head, .. columns.Select(column => column.Head)],
            [
                .. rows.Select(row =>
                    (IReadOnlyList<string>)
                        [Phrase.Capital(Phrase.Words(name(row))), .. columns.Select(column => ShareWords.Plain(column.Share(row)))]
                ),
            ]
        );
}
