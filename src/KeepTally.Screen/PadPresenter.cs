using KeepTally.Core.Cards;
using KeepTally.Core.Clock;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Places;
using KeepTally.Core.Rules.Limits;
using KeepTally.Core.Rules.Measures;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Scoring;
using KeepTally.Core.Tallies;
using KeepTally.Core.Text;
using KeepTally.Core.Time;
using KeepTally.Core.Words;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>
/// Puts a sheet into the rows of its pad: whom to tap, how each stands, who is where. What has not changed since the last
/// look is handed over again as it was, the same object: this stands on the path of every tap.
/// </summary>
internal sealed class PadPresenter(RunSheet sheet)
{
    private readonly Sheet _live = sheet.Sheet;
    private readonly bool _hasOwners = sheet.Sheet.Stage.Outcomes.Any(outcome => outcome.By is not null);
    private readonly string[] _jobs = [.. sheet.Sheet.Stage.Outcomes.Select(outcome => outcome.Job).OfType<string>()];
    private (Key Key, RowView Row)[] _rows = [];
    private (FloorState Floor, Placement Now, object People, bool WillMove, ClockPass Pass, PlayerId? Next) _standing;
    private IReadOnlyList<PlayerId> _slots = [];
    private IReadOnlyList<PersonView> _people = [];
    private bool _everyone;
    private string _versus = "";
    private (int Version, string Words) _result = (-1, "");
    private (int Version, string Words) _aim = (-1, "");
    private (int Earlier, int Count, string Words) _games = (0, -1, "");
    private SheetView? _shown;

    /// <summary>The input of a row: where it is equal, so is the row.</summary>
    private readonly record struct Key(
        PlayerId Unit,
        UnitSnapshot Glance,
        bool Last,
        bool Leads,
        bool TellsStreak,
        bool Waits,
        bool HasBall,
        bool OthersBall,
        string Barred,
        string Said,
        string Called,
        string Cue,
        int? OwnCount,
        object People
    );

    internal SheetView At(Instant at, AgainWays again)
    {
        var kept = _live.Score;
        var pass = _live.AfterRest(at);
        LookWhoStands(_live.WillMove(at), pass, at);
        var done = kept.IsDoneAt(at);
        var rows = RowsAt(at, done, lastBall: pass != default);
        // On the way to the next station the places of this one are nobody's any more.
        var people = LiveRun.HasStood(sheet) ? [] : _people;
        var clock = sheet.Stop is null ? "" : OwnClock(at);
        var result = ResultAt(at, done);
        var aim = AimAt(done);
        var versus = done ? "" : _versus;
        var games = GamesAt();
        var half = HalfWords.First(_live, at);
        games = games.Length > 0 && half.Length > 0 ? $"{games} {half}" : games + half;
        var ways = again.Same ? new AgainView(again.Ends, again.Moves) : null;
        var helpers = HelpersAt(done);
        if (
            _shown is { } shown
            && ReferenceEquals(shown.Rows, rows)
            && shown.People.SequenceEqual(people)
            && shown.Helpers.SequenceEqual(helpers)
            && (shown.Done, shown.Result, shown.Aim, shown.Clock) == (done, result, aim, clock)
            && (shown.Versus, shown.Games, shown.Again) == (versus, games, ways)
        )
        {
            return shown;
        }

        return _shown = new SheetView(
            sheet.Id.Value,
            done,
            result,
            aim,
            versus,
            games,
            ways,
            clock,
            sheet.Stop is { } stop ? $"Group {Letters.Of(stop.Group)}" : "",
            rows,
            helpers,
            people
        );
    }

    /// <summary>The units of the pad and their places, which follow from the floor alone; computed again when a player has moved.</summary>
    private void LookWhoStands(bool willMove, ClockPass pass, Instant at)
    {
        var (floor, roster) = (_live.Floor, _live.Score.Roster);
        var standing = (floor, floor.Now, roster.Mark, willMove, pass, pass.Turns ? _live.Score.NextTurn : null);
        if (standing == _standing)
        {
            return;
        }

        _standing = standing;
        var on = _live.UnitsOn;
        _slots = ScoringSlots.At(_live.Stage, on, floor);
        _everyone = _slots.Count > 1 && _slots.Count == on.Count;
        _people = [.. PeopleOf(_live, _live.NextAt(at), pass)];
        _versus = VersusWords.Of(_live.Stage, place => floor.Now.At(place.Id).Count);
    }

    private IReadOnlyList<RowView> RowsAt(Instant at, bool done, bool lastBall)
    {
        var kept = _live.Score;
        var turn = done ? null : kept.Turn;
        var ball = kept.Ball;
        var scorer = _live.Stage.Play == Play.Match ? LastScorer() : null;
        var leader =
            !_everyone ? null
            : done ? _live.VerdictAt(at).First?.Unit.Id
            : kept.LeaderAt(at);
        // Where nobody is left to be tapped the pad says so.
        var rows = new (Key Key, RowView Row)[Math.Max(1, _slots.Count)];
        var same = _shown is not null && rows.Length == _rows.Length;
        for (var i = 0; i < rows.Length; i++)
        {
            if (i >= _slots.Count)
            {
                rows[i] = (default, RowView.Nobody);
            }
            else
            {
                var unit = _slots[i];
                var glance = kept.SnapshotOf(unit, at);
                var key = new Key(
                    unit,
                    glance,
                    lastBall && !glance.Done && (turn is null || turn == unit),
                    leader == unit && (done || glance.Attempts > 0),
                    scorer is null || scorer == unit,
                    turn is not null && turn != unit,
                    ball == unit && !done,
                    ball is not null && ball != unit,
                    _live.Stage.Limits.Count == 0 ? "" : Lines(_live.Barred(unit)),
                    _live.Stage.Tags.Count == 0 ? "" : Lines(_live.Standing(unit)),
                    _live.Stage.Asks is null || glance.Done ? "" : _live.AskedOf(sheet.Id, unit, at) ?? "",
                    kept.Cues.For(unit) ?? "",
                    kept.OwnCountOf(unit, _live.RoundAt(at)),
                    kept.Roster.Mark
                );
                rows[i] = i < _rows.Length && _rows[i].Key == key ? _rows[i] : (key, RowOf(key, at));
            }

            same = same && ReferenceEquals(rows[i].Row, _rows[i].Row);
        }

        _rows = rows;
        return same ? _shown!.Rows : Array.ConvertAll(rows, row => row.Row);
    }

    /// <summary>In a match the run that is told is that of the side which had the last success.</summary>
    private PlayerId? LastScorer()
    {
        for (var i = _live.Log.Count - 1; i >= 0; i--)
        {
            if (
                _live.Log.StandsAt(i)
                && _live.ResultAt(i) is { Kind: EventResultKind.Counted, Attempt: true, Unit: >= 0 and var unit }
            )
            {
                return _live.Units[unit].Id;
            }
        }

        return null;
    }

    private RowView RowOf(in Key key, Instant at)
    {
        var unit = _live.Score.UnitAt(key.Unit, at)!;
        var score = RowWords.ScoreOf(_live.Stage, unit);
        var streak = key.TellsStreak && unit.Streak >= 2 ? $"{unit.Streak} in a row" : "";
        return new RowView(
            key.Unit.Value,
            NameOf(key.Unit),
            score is { } figure ? RowWords.Figure(figure) : "–",
            _live.Stage.Measures[0].By.IsReading ? 0 : (int)Math.Clamp(Math.Floor(score ?? 0), 0, 30),
            DetailOf(key, unit, streak),
            RowWords.Gate(_live.Stage, unit),
            streak,
            unit.Done,
            key.Last,
            key.Leads,
            unit.Asked is { } asked ? Phrase.Words(asked) : key.Called,
            key.Barred,
            key.Said,
            key.Waits,
            key.HasBall,
            _hasOwners ? WithheldFrom(key) : "",
            _live.Stage.Scores == Scorer.Player ? "" : string.Join(", ", _live.Score.Roster.Of(key.Unit).Select(_live.CallNameOf))
        );
    }

    /// <summary>How the unit stands, what it said itself, and what it is to be told.</summary>
    private string DetailOf(in Key key, UnitReport unit, string streak)
    {
        var own = key.OwnCount is { } said ? $"own count {said}" : "";
        var cue = key.Cue.Length > 0 ? $"“{key.Cue}”" : "";
        string[] parts =
        [
            cue,
            RowWords.Detail(_live.Stage, unit),
            ParWords.Of(_live.Stage, unit),
            own,
            // While a run is on, it is what is looked at, and a phone has no room for the best of before, too; a new best is news.
            streak.Length > 0
            && sheet.Bests.Judge(_live.Stage, unit) == BestKind.None
                ? ""
                : BestWords.Of(sheet.Bests, _live.Stage, unit),
        ];
        return string.Join(" · ", parts.Where(part => part.Length > 0));
    }

    private string NameOf(PlayerId unit) => _live.Units.First(each => each.Id == unit).Name;

    private static string Lines(IEnumerable<(string Tag, string Value)> tags) =>
        string.Join('\n', tags.Select(tag => $"{tag.Tag}={tag.Value}"));

    /// <summary>An outcome that belongs to the side with the ball is not offered to the other; nor one side's own to any other.</summary>
    private string WithheldFrom(in Key key)
    {
        var (unit, others, own) = (key.Unit, key.OthersBall, _live.Score.Ball == key.Unit);
        return string.Join(
            '\n',
            _live
                .Stage.Outcomes.Where(outcome =>
                    outcome.By switch
                    {
                        TappedBy.Ball => others,
                        TappedBy.OffBall => own,
                        TappedBy.Named named => named.Side != unit.Value,
                        _ => false,
                    }
                )
                .Select(outcome => outcome.Id)
        );
    }

    private string ResultAt(Instant at, bool done)
    {
        if (!done)
        {
            return "";
        }

        if (_result.Version != _live.Version)
        {
            _result = (_live.Version, VerdictWords.Of(_live.VerdictAt(at)));
        }

        return _result.Words;
    }

    private HelperView[] HelpersAt(bool done)
    {
        if (_jobs.Length == 0)
        {
            return [];
        }

        return Array.ConvertAll(
            _jobs,
            job =>
                !done && _live.HolderOf(job) is { } player
                    ? new HelperView(player.Value, _live.CallNameOf(player))
                    : new HelperView(null, done ? "" : "nobody")
        );
    }

    private string GamesAt()
    {
        var earlier = _live.Score.EarlierGames.Count;
        if (_games.Earlier != earlier || _games.Count != _live.Score.Units.Count)
        {
            _games = (earlier, _live.Score.Units.Count, GameWords.Standing(_live.Score));
        }

        return _games.Words;
    }

    private string AimAt(bool done)
    {
        if (done)
        {
            return "";
        }

        if (_aim.Version < 0 || (_aim.Version != _live.Version && AimWords.CanChange(_live.Stage)))
        {
            _aim = (_live.Version, AimWords.Of(_live.Stage, _live.Score.Points));
        }

        return _aim.Words;
    }

    /// <summary>A station keeps its own rounds within the circuit's.</summary>
    private string OwnClock(Instant at)
    {
        if (_live.Timeline is not { } timeline || _live.Score.Clock is not { IsStarted: true, IsPaused: false })
        {
            return "";
        }

        var elapsed = _live.Score.Clock.At(at);
        var interval = timeline.At(elapsed);
        var left = interval.Kind == IntervalKind.Over ? "" : $", {ClockPresenter.Down(interval.End - elapsed)}";
        return "The drill's own clock: "
            + interval.Kind switch
            {
                IntervalKind.CountIn => $"get ready{left}",
                IntervalKind.Work when timeline.Plan.Rounds > 1 => $"round {interval.Round} of {timeline.Plan.Rounds}{left}",
                IntervalKind.Work => $"work{left}",
                IntervalKind.Change => $"change over{left}",
                IntervalKind.Break => $"rest{left}",
                IntervalKind.Over => "time",
            };
    }

    /// <summary>Everyone on the floor with the place now and the place next, which is the same where places move on no more.</summary>
    private static IEnumerable<PersonView> PeopleOf(Sheet live, Placement next, ClockPass pass)
    {
        if (live.Stage.Places.Count == 0)
        {
            yield break;
        }

        var from = live.Floor.Now;
        var moving = pass.Moves || (pass.Turns && next != from);
        foreach (var player in live.Score.Roster.Everyone.OrderBy(player => OrderOf(from, player)))
        {
            yield return new PersonView(
                live.CallNameOf(player),
                from.Of(player)?.Name ?? "waiting",
                next.Of(player)?.Name ?? "waiting",
                moving
            );
        }
    }

    private static int OrderOf(Placement placement, PlayerId player) =>
        placement.Of(player) is { } place ? placement.Places.ToList().IndexOf(place) : int.MaxValue;
}
