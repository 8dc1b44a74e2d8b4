using KeepTally.Core.Cards;
using KeepTally.Core.Chance;
using KeepTally.Core.Clock;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Floor;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Places;
using KeepTally.Core.Planning;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Training;

namespace KeepTally.Core.Tests.Shipped;

/// <summary>
/// Every shipped card is played to its end by stand-ins, with the fewest players it takes, the number that suits it, the most, and one
/// more than suits: nobody is stuck, and no spot stands empty while a player could fill it.
/// </summary>
public sealed class WalkTests
{
    private const int MostReps = 1500;
    private const int TurnReps = 12;

    public static TheoryData<string, int, int> Walks
    {
        get
        {
            var all = new TheoryData<string, int, int>();
            foreach (var card in ShippedCard.Ids.Select(id => ShippedCard.Read(id)))
            {
                var counts = new[] { card.Players.Min, card.Players.Best, card.Players.Max, card.Players.Best + 1 };
                foreach (var stage in Enumerable.Range(0, card.Stages.Count))
                {
                    foreach (var players in counts.Distinct().Where(count => count > 0))
                    {
                        all.Add(card.Id, stage, players);
                    }
                }
            }

            return all;
        }
    }

    [Theory]
    [MemberData(nameof(Walks))]
    public void A_drill_is_played_to_its_end_with_nobody_stuck(string id, int stage, int players)
    {
        var walk = new Walk(id, stage, players);
        walk.ToItsEnd();
        Assert.Empty(walk.Troubles);
    }

    /// <summary>One drill on one floor.</summary>
    private sealed class Walk
    {
        private readonly SeededDraw _draw;
        private readonly LivePractice _practice;
        private readonly DrillCard _card;
        private readonly Stage _stage;
        private Instant _now;

        internal Walk(string id, int stage, int players)
        {
            var written = ShippedCard.Read(id);
            // Groups that take turns or meet are three to a floor.
            var groups = written.Stages[stage] is { Scores: Scorer.Group or Scorer.None, Play: not Play.Together } ? 3 : 1;
            var all = players * groups;
            _card = CardShelf.Played(written, stage, all, groups);
            _stage = _card.Stages[stage];
            _draw = new SeededDraw(players + stage, id.Length);
            var members = Enumerable.Range(1, all).Select(n => new Member(new PlayerId($"p{n}"), $"Player {n}")).ToArray();
            _practice = new LivePractice(
                new DeviceId("walk"),
                [
                    new LiveRun(
                        _card.Name,
                        [
                            .. StageDealer
                                .Deal(_card, stage, members, groups)
                                .Select(
                                    (sheet, index) =>
                                        new RunSheet(new SheetId($"s{index}"), sheet.Name, Sheet.Open(_card, sheet.Head).Require())
                                ),
                        ]
                    ),
                ]
            );
        }

        internal SortedSet<string> Troubles { get; } = [];

        private LiveRun Run => _practice.Runs[0];

        internal void ToItsEnd()
        {
            _practice.Execute(RunCommand.Start, _now);
            var pace = Duration.FromSeconds(Math.Max(1, (int)_card.SecondsPerRep));
            for (var rep = 0; rep < MostReps && !Run.IsDone(_now) && !IsOverByClock; rep++)
            {
                _now += pace;
                _practice.AppendDue(_now);
                if (Run.ClockAt(_now)?.Interval.Kind is null or IntervalKind.Work && !Run.IsDone(_now))
                {
                    Rep(rep);
                }
            }

            LookWhoHadGo();
        }

        private bool IsOverByClock => Run.ClockAt(_now)?.Interval.Kind == IntervalKind.Over;

        private void Rep(int rep)
        {
            foreach (var each in Run.OpenAt(_now).ToArray())
            {
                var live = each.Sheet;
                Look(live);
                foreach (var unit in StandIn.AtWork(live, _now, _draw))
                {
                    if (StandIn.Go(live, unit, _draw.Below(2) == 0, _now, _draw) is { } go)
                    {
                        _practice.Tap(each.Id, go, _now);
                    }
                }

                if (rep % 3 == 2 && live.Floor.Contestants is { Count: > 0 } against)
                {
                    _practice.RotateWith(each.Id, against[(int)_draw.Below(against.Count)], _now);
                }
                else if (rep % 3 == 2 && _stage.Rotate?.On == RotateTrigger.Manual)
                {
                    _practice.Execute(RunCommand.Rotate, _now);
                }

                // Nothing but the coach passes such a turn.
                if (rep % TurnReps == TurnReps - 1 && _stage is { Play: Play.Turns, Clock: null } && !live.Score.IsDoneAt(_now))
                {
                    _practice.PassTurn(each.Id, null, _now);
                }
            }
        }

        private void Look(Sheet live)
        {
            var done = live.UnitsOn.Where(unit => live.Score.SnapshotOf(unit.Id, _now).Done).Select(unit => unit.Id).ToHashSet();
            if (_stage.Outcomes.Count > 0 && done.Count < live.UnitsOn.Count)
            {
                var tapped = live.Score.Turn is { } turn ? [turn] : ScoringSlots.At(_stage, live.UnitsOn, live.Floor);
                if (!tapped.Any(unit => !done.Contains(unit)))
                {
                    Troubles.Add(
                        $"stuck: of {live.UnitsOn.Count} {done.Count} are done, and anyone who could be tapped is done, too"
                    );
                }
            }

            foreach (var spot in _stage.Places.Where(place => place is { Kind: PlaceKind.Spot } && (place.Active || place.Scores)))
            {
                if (live.Floor.Now.At(spot.Id).Count < spot.Size && CouldFill(live, spot) is { } who)
                {
                    Troubles.Add($"{spot.Id} has room while {who}");
                }
            }
        }

        private string? CouldFill(Sheet live, Place spot)
        {
            var now = live.Floor.Now;
            foreach (var move in _stage.Moves.Where(move => move.To == spot.Id && move.When == MoveWhen.Room))
            {
                if (_stage.Places.First(place => place.Id == move.From).Kind == PlaceKind.Line && now.At(move.From).Count > 0)
                {
                    return $"a player stands in {move.From}";
                }
            }

            foreach (var rest in _stage.Places.Where(place => place is { Kind: PlaceKind.Spot, Active: false, Scores: false }))
            {
                if (now.At(rest.Id).Count > 0 && _stage.Moves.Any(move => move.From == rest.Id && move.To == spot.Id))
                {
                    return $"a player rests in {rest.Id}";
                }
            }

            var waits =
                _stage.Play != Play.Turns
                && now.Waiting.Any(player => spot.Side is null || live.Score.Roster.UnitOf(player)?.Value == spot.Side);
            return waits ? "a player waits" : null;
        }

        /// <summary>Only a clock of fewer rounds than there are players keeps any player from having a go; the timing sheet warns of that.</summary>
        private void LookWhoHadGo()
        {
            if (_stage.Scores != Scorer.Player || _stage.Outcomes.Count == 0)
            {
                return;
            }

            var without = Run.Sheets.SelectMany(each => each.Sheet.ReportAt(_now).Units).Count(unit => !unit.HadGo);
            var slots = _stage.Play == Play.Turns ? 1 : ScoringSlots.Count(_stage, int.MaxValue);
            var byRound = _stage.Play == Play.Turns || _stage.Rotate?.On == RotateTrigger.Round;
            if (without > 0 && !(byRound && _stage.Clock is { } clock && clock.Rounds * slots < Run.Sheets[0].Sheet.Units.Count))
            {
                Troubles.Add($"{without} had no go");
            }
        }
    }
}
