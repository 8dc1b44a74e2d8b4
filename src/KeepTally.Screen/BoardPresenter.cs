using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Measures;
using KeepTally.Core.Places;
using KeepTally.Core.Reports;
using KeepTally.Core.SetUp;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Screen.Charts;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>Puts who is where, and who goes where next, onto boards that players read from afar.</summary>
/// <param name="practice">The practice.</param>
/// <param name="showsScores">Whether scores and who leads are shown, as the coach has it.</param>
public sealed class BoardPresenter(LivePractice practice, bool showsScores = true)
{
    /// <summary>The number of boards that have room for two rows each, readable from the back of a hall.</summary>
    private const int Roomy = 2;

    /// <summary>The lead is drawn up to the last change of the score, and a little on, so that one sees how it stands.</summary>
    private const double Room = 1.06;

    private readonly Dictionary<SheetId, (int Version, string Picture)> _leads = [];

    /// <summary>The boards of the drill under way at a moment, one for each sheet that is played now.</summary>
    public IReadOnlyList<BoardView> At(Instant at)
    {
        if (practice.Current >= practice.Runs.Count)
        {
            return [];
        }

        var run = practice.Runs[practice.Current];
        var open = run.OpenAt(at).ToArray();
        return [.. open.Select(each => Of(each, run.Sheets.ToList().IndexOf(each), open.Length > Roomy, at))];
    }

    private BoardView Of(RunSheet each, int order, bool flat, Instant at)
    {
        var live = each.Sheet;
        var from = live.Floor.Now;
        var to = live.NextAt(at);
        var pass = live.AfterRest(at);
        var moving = pass.Moves || (pass.Turns && to != from);
        var people = live.Score.Roster.Everyone.ToArray();
        var scene = live.Card.Layout?.By(Stride.Usual);
        var board = PlaceBoard.Of(
            live.Stage.Places,
            place => Math.Max(StandAt(from, place).Count, StandAt(to, place).Count),
            place => scene is null ? null : StandingSpot.Of(scene, place),
            flat
        );
        var numbers = live.Head.Everyone.DistinctBy(member => member.Id).ToDictionary(member => member.Id, member => member.Number);
        var letters = BibLetters.Of([.. people.Select(player => (live.Head.NameOf(player), numbers.GetValueOrDefault(player)))]);
        var view = new BoardView(
            each.Id.Value,
            each.Stop is { } stop ? $"{stop.Station + 1} {each.Name}, {Letters.Of(stop.Group)}" : each.Name,
            PlaceBoard.Width,
            board.Height,
            [
                .. board.Places.Select(place => new BoardBox(
                    place.X,
                    place.Y,
                    place.Width,
                    place.Height,
                    NameOf(live, place),
                    place.IsLine,
                    place.Active
                )),
            ],
            [
                .. people.Select(
                    (player, index) =>
                        BibOf(live, board, player, letters[index], PatternOf(live, player, each.Stop?.Group ?? order), from, to)
                ),
            ],
            showsScores ? ScoresOf(live, at) : [],
            moving
        );
        return view with { Picture = BoardDrawing.Of(view, showsScores ? LeadOf(each) : "") };
    }

    /// <summary>The lead as it went, drawn anew only when something was tapped; empty where no lead is told.</summary>
    private string LeadOf(RunSheet each)
    {
        var live = each.Sheet;
        if (!LeadCourse.IsTold(live.Stage, live.Head))
        {
            return "";
        }

        if (!_leads.TryGetValue(each.Id, out var drawn) || drawn.Version != live.Version)
        {
            _leads[each.Id] = drawn = (
                live.Version,
                LeadCourse.Of(live) is [.., { Steps.Count: > 1 } game]
                    ? LeadChart.Of(game, new Duration((long)(game.Steps[^1].At.Milliseconds * Room)), CourseText.Of(game))
                    : ""
            );
        }

        return drawn.Picture;
    }

    private static BoardScore[] ScoresOf(Sheet live, Instant at)
    {
        if (live.Stage.Scores == Scorer.None || live.Score.Units.Count == 0)
        {
            return [];
        }

        var report = live.ReportAt(at);
        var leader =
            report.Done ? live.VerdictAt(at).First?.Unit.Id
            : report.Units.Count > 1 && report.IsTapped ? live.Score.LeaderAt(at)
            : null;
        return
        [
            .. report
                .Units.Where(unit => !unit.Off)
                .Select(unit => new BoardScore(
                    live.CallNameOf(unit.Id),
                    RowWords.ScoreOf(live.Stage, unit) is { } score ? RowWords.Figure(score) : "–",
                    leader == unit.Id,
                    report.Turn == unit.Id || (!report.Done && report.Ball == unit.Id)
                )),
        ];
    }

    /// <summary>Where a stage has no places, everyone stands together.</summary>
    private static string NameOf(Sheet live, BoardPlace place) =>
        live.Stage.Places.Count == 0 ? "Everyone" : Phrase.Capital(Phrase.Words(place.Name));

    private static BibView BibOf(
        Sheet live,
        PlaceBoard board,
        PlayerId player,
        string letters,
        int pattern,
        Placement from,
        Placement to
    )
    {
        var (seat, next) = (SeatOf(board, from, player), SeatOf(board, to, player));
        return new BibView(
            player.Value,
            letters,
            live.CallNameOf(player),
            pattern,
            seat.X,
            seat.Y,
            seat.Size,
            next.X,
            next.Y,
            next.Size,
            from.Of(player)?.Id == to.Of(player)?.Id ? "" : Arrow(seat, next)
        );
    }

    /// <summary>A curve from beside one bib to beside the other, bent to the right of the way, so that there and back do not meet.</summary>
    private static string Arrow(Seat from, Seat to)
    {
        var (dx, dy) = (to.X - from.X, to.Y - from.Y);
        var length = Math.Max(1, Math.Sqrt((dx * dx) + (dy * dy)));
        var (ux, uy) = (dx / length, dy / length);
        var bend = Math.Min(22, length * 0.28);
        var (mx, my) = (((from.X + to.X) / 2) - (uy * bend), ((from.Y + to.Y) / 2) + (ux * bend));
        return string.Create(
            CultureInfo.InvariantCulture,
            $"M{from.X + (ux * from.Size * 0.5):0.#} {from.Y + (uy * from.Size * 0.5):0.#} Q{mx:0.#} {my:0.#} {to.X - (ux * to.Size * 0.6):0.#} {to.Y - (uy * to.Size * 0.6):0.#}"
        );
    }

    private static IReadOnlyList<PlayerId> StandAt(Placement placement, string place) =>
        place == PlaceBoard.Waiting ? placement.Waiting : placement.At(place);

    private static Seat SeatOf(PlaceBoard board, Placement placement, PlayerId player)
    {
        var place = placement.Of(player)?.Id ?? PlaceBoard.Waiting;
        return board.SeatAt(place, StandAt(placement, place).ToList().IndexOf(player));
    }

    /// <summary>The bib of a group, or of a side.</summary>
    private static int PatternOf(Sheet live, PlayerId player, int order) =>
        live.Stage.Scores == Scorer.Player || live.Units.Count == 1
            ? order % 4
            : Math.Max(0, live.Units.ToList().FindIndex(unit => unit.Id == live.Score.Roster.UnitOf(player))) % 4;
}
