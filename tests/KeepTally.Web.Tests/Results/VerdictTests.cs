using System.Globalization;
using CsvHelper;
using KeepTally.Core.Cards;
using KeepTally.Core.Chance;
using KeepTally.Core.Clock;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Groups;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Reports;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Training;
using KeepTally.Core.Words;
using KeepTally.Screen;
using KeepTally.Store.Book;
using KeepTally.Store.Results;

namespace KeepTally.Web.Tests.Results;

/// <summary>
/// Who won, drew or was first is one verdict: pad, board, results, report and CSV say the same, over random histories of every shipped
/// card with undone taps, late comers, leavers, early ends and games played again.
/// </summary>
public sealed class VerdictTests
{
    private const int Histories = 4;

    public static TheoryData<string, int> Stages
    {
        get
        {
            var all = new TheoryData<string, int>();
            foreach (var (id, text) in ShippedCards.All)
            {
                foreach (var stage in Enumerable.Range(0, CardReader.Read(text).Require().Stages.Count))
                {
                    all.Add(id, stage);
                }
            }

            return all;
        }
    }

    [Theory]
    [MemberData(nameof(Stages))]
    public void Pad_board_results_report_and_CSV_say_one_verdict(string id, int stage)
    {
        for (var seed = 0; seed < Histories; seed++)
        {
            new History(id, stage, seed).HoldToOneVerdict();
        }
    }

    /// <summary>One drill as it may go, from a seed.</summary>
    private sealed class History
    {
        private readonly SeededDraw _draw;
        private readonly LivePractice _practice;
        private readonly LiveRun _run;
        private readonly IReadOnlyList<Member> _players;
        private Instant _now;

        internal History(string id, int stage, int seed)
        {
            _draw = new SeededDraw(seed, id.Length + (100 * stage));
            var card = CardReader.Read(ShippedCards.All[id]).Require();
            _players =
            [
                .. Enumerable
                    .Range(1, 2 * Math.Max(2, card.Players.Best))
                    .Select(n => new Member(new PlayerId($"p{n}"), $"Player {n}")),
            ];
            Member[] late = [new(new PlayerId("late"), "Late Comer")];
            var groups = StageDealer
                .Groups(
                    card.Stages[stage],
                    _players,
                    1 + (int)_draw.Below(2),
                    (all, count) => Result.Ok<IReadOnlyList<IReadOnlyList<Member>>>(Split.Listed(all, count))
                )
                .Require();
            _run = new LiveRun(
                card.Name,
                [
                    .. StageDealer
                        .Sheets(card, stage, groups)
                        .Select(
                            (sheet, index) =>
                                new RunSheet(
                                    new SheetId($"s{index}"),
                                    sheet.Name,
                                    Sheet.Open(card, sheet.Head with { Bench = late }).Require()
                                )
                        ),
                ]
            );
            _practice = new LivePractice(new DeviceId("coach"), [_run]);
        }

        internal void HoldToOneVerdict()
        {
            Go();
            if (_run.IsDone(_now))
            {
                LookAtPadAndBoard();
            }

            _practice.Execute(RunCommand.End, _now);
            LookAtFiles();
        }

        private void Go()
        {
            _practice.Execute(RunCommand.Start, _now);
            var steps = (int)_draw.Below(60);
            for (var step = 0; step < steps; step++)
            {
                _now += Duration.FromSeconds(2 + (int)_draw.Below(12));
                _practice.AppendDue(_now);
                Step();
            }
        }

        private void Step()
        {
            switch (_draw.Below(20))
            {
                case 0 when LastTap() is { } tap:
                    _practice.Undo(tap.Sheet, tap.Id, _now);
                    break;
                case 1:
                    _practice.ChangeRoster(new RosterChange(AnyPlayer(), null), _now);
                    break;
                case 2:
                    _practice.ChangeRoster(new RosterChange(null, new PlayerId("late")), _now);
                    break;
                case 3 when _run.Sheets[0].Sheet.Score.IsPlayedOutAt(_now):
                    _practice.Again(_run.Sheets[0].Id, ends: false, moves: false, _now);
                    break;
                default:
                    Rep();
                    break;
            }
        }

        private PlayerId AnyPlayer() => _players[(int)_draw.Below(_players.Count)].Id;

        private (SheetId Sheet, EventId Id)? LastTap() =>
            _run
                .Sheets.SelectMany(each => each.Sheet.Log.Events.OfType<RunEvent.Tap>().Select(tap => (each.Id, tap)))
                .LastOrDefault()
                is (var sheet, { } last)
                ? (sheet, last.Id)
                : null;

        private void Rep()
        {
            foreach (var each in _run.OpenAt(_now).ToArray())
            {
                foreach (var unit in StandIn.AtWork(each.Sheet, _now, _draw))
                {
                    if (_draw.Below(3) > 0 && StandIn.Go(each.Sheet, unit, _draw.Below(2) == 0, _now, _draw) is { } go)
                    {
                        _practice.Tap(each.Id, go, _now);
                    }
                }
            }
        }

        /// <summary>While the drill is over and not ended yet, its screen and the board name the same first.</summary>
        private void LookAtPadAndBoard()
        {
            var view = new RunPresenter(_practice, []).At(_now);
            var boards = new BoardPresenter(_practice).At(_now);
            LookAtHidingBoard();
            foreach (var (index, each) in _run.Sheets.Index().Where(each => each.Item.Sheet.Score.IsDoneAt(_now)))
            {
                var verdict = each.Sheet.VerdictAt(_now);
                if (view.Run!.Sheets[index] is { } pad)
                {
                    Assert.Equal(VerdictWords.Of(verdict), pad.Result);
                }

                if (boards.FirstOrDefault(board => board.Sheet == each.Id.Value) is { } board)
                {
                    var first = verdict.First is { } row ? each.Sheet.CallNameOf(row.Unit.Id) : null;
                    Assert.All(board.Scores, score => Assert.Equal(score.Name == first, score.Leads));
                    var isTold =
                        LeadCourse.IsTold(each.Sheet.Stage, each.Sheet.Head)
                        && LeadCourse.Of(each.Sheet) is [.., { Steps.Count: > 1 }];
                    Assert.Equal(isTold, board.Picture.Contains("board-lead", StringComparison.Ordinal));
                }
            }
        }

        /// <summary>A board that leaves scores out tells of nobody how they did, by no figure and no sentence.</summary>
        private void LookAtHidingBoard()
        {
            Assert.All(
                new BoardPresenter(_practice, showsScores: false).At(_now),
                board =>
                {
                    Assert.Empty(board.Scores);
                    Assert.DoesNotContain("board-lead", board.Picture, StringComparison.Ordinal);
                }
            );
            var prompt = new RunPresenter(_practice, []) { TellsResults = false }
                .At(_now)
                .Run!.Prompt;
            if (_run.VerdictAt(_now) is { } verdict && VerdictWords.Of(verdict) is { Length: > 0 } words)
            {
                Assert.DoesNotContain(words, prompt, StringComparison.Ordinal);
            }
        }

        private void LookAtFiles()
        {
            var result = Assert.Single(
                DrillResult.Of(
                    new KeptRun(
                        1,
                        [.. _run.Sheets.Select(each => new KeptSheet(each.Id.Value, each.Name, null, ScoredSheet.Of(each.Sheet)))]
                    )
                )
            );
            var verdict = result.Verdict;
            var words = VerdictWords.Of(verdict);

            // The run screen and the board, once the coach has ended it.
            var view = new RunPresenter(_practice, []).At(_now);
            Assert.True(view.Over);
            Assert.Equal(words.Length == 0 ? "" : $"{_run.Name}: {words}", view.Result);
            if (words.Length > 0)
            {
                Assert.Contains(words, ReportText.Came(result));
            }

            HoldToTheLog(result, verdict);
            HoldCsv(result, verdict);
        }

        /// <summary>What the raw replay of each sheet says of it, whatever the words are.</summary>
        private static void HoldToTheLog(DrillResult result, Verdict verdict)
        {
            Assert.All(
                result.Rows.Where(row => row.Rank is null),
                row => Assert.True(!row.HadGo || result.Stage.Scores == Scorer.None)
            );
            Assert.All(
                result.Rows.Where(row => row.Rank is not null),
                row => Assert.True(row.HadGo || result.Stage.Play == Play.Match)
            );
            foreach (var one in verdict.Courts.DefaultIfEmpty(verdict).Where(each => each.Kind == VerdictKind.Won))
            {
                var (first, report) = (one.Top[0], one.Top[0].Sheet.Report);
                Assert.Contains(report.Games, game => game.Winner == first.Unit.Id);
                Assert.All(
                    one.Ranked.Where(row => row.Sheet == first.Sheet),
                    row => Assert.True((row.GamesWon ?? 0) <= (first.GamesWon ?? 0))
                );
            }

            if (
                result.Stage.Play == Play.Match
                && result.Sheets is [{ IsSeries: false, Report: { Done: true, Winner: { } winner } }]
            )
            {
                Assert.True(verdict.Kind == VerdictKind.NobodyHadGo || verdict.First?.Unit.Id == winner);
            }
        }

        private static void HoldCsv(DrillResult result, Verdict verdict)
        {
            using var text = new StringReader(ResultsCsv.Write(new DateOnly(2026, 9, 3), [result]));
            using var csv = new CsvReader(text, CultureInfo.InvariantCulture);
            csv.Read();
            csv.ReadHeader();
            var first = new HashSet<string>();
            while (csv.Read())
            {
                if (csv.GetField("Rank") == "1")
                {
                    first.Add($"{csv.GetField("Group")}/{csv.GetField("Id")}");
                }
            }

            if (verdict.Courts.Count == 0)
            {
                Assert.Equal(
                    result.Rows.Where(row => row.Rank == 1).Select(row => $"{row.Sheet.Name}/{row.Unit.Id}").Order(),
                    first.Order()
                );
                Assert.True(verdict.First is null || first.SetEquals([$"{verdict.First.Sheet.Name}/{verdict.First.Unit.Id}"]));
            }
        }
    }
}
