using KeepTally.Core.Cards;
using KeepTally.Core.Chance;

namespace KeepTally.Core.Planning;

/// <summary>One whole sheet, put together line by line, and what it is worth.</summary>
internal sealed class SheetDraft
{
    private const double WaterMinutes = 2;
    private const double LeastRoom = 3 * 60;
    private const int Fineness = 1000;

    /// <summary>More than all that can speak for a drill: one that is cold begins a practice only where there is no other.</summary>
    private const double ColdStart = 50;

    /// <summary>Fitted to the time a line may become longer by so much.</summary>
    private const double Stretch = 1.25;

    private readonly Pool _pool;
    private readonly SheetWish _wish;
    private readonly SeededDraw _draw;
    private readonly List<PlanBlock> _blocks;
    private readonly HashSet<string> _used;
    private double _hard;
    private int? _effort;
    private DrillCard? _last;

    private SheetDraft(SheetWish wish, Pool pool, SheetKind kind, SeededDraw draw)
    {
        (_wish, _pool, Kind, _draw) = (wish, pool, kind, draw);
        _blocks = [.. wish.Frame.Blocks];
        _used = [.. _blocks.SelectMany(block => block.Cards)];
        foreach (var block in _blocks)
        {
            Remember(block, block.Cards.Select(pool.Shelf.Find).LastOrDefault());
        }

        Plan = wish.Frame;
    }

    internal SheetKind Kind { get; }

    internal Plan Plan { get; private set; }

    internal IReadOnlyList<PlanWarning> Warnings { get; private set; } = [];

    internal double Worth { get; private set; }

    /// <summary>The cards it is made of, besides what stands in any case.</summary>
    internal IReadOnlyList<string> Own { get; private set; } = [];

    internal CardShelf Shelf => _pool.Shelf;

    internal static SheetDraft Compose(SheetWish wish, Pool pool, SheetKind kind, SeededDraw draw)
    {
        var draft = new SheetDraft(wish, pool, kind, draw);
        draft.Fill();
        draft.Judge();
        return draft;
    }

    /// <summary>The share of drills two sheets have in common, of the smaller.</summary>
    internal double AlikeWith(SheetDraft other) =>
        (double)Own.Intersect(other.Own).Count() / Math.Max(1, Math.Min(Own.Count, other.Own.Count));

    private double Room => (_wish.Frame.Minutes * 60) - _blocks.Sum(block => block.ChangeSeconds + block.Seconds);

    /// <summary>How far into the practice it is, from 0 to 1.</summary>
    private double Progress => 1 - (Room / (_wish.Frame.Minutes * 60));

    private double Walk => _blocks.Count == 0 ? 0 : PlanEdits.WalkSeconds;

    private void Fill()
    {
        var circled = Kind != SheetKind.WithCircuit;
        while (Room > LeastRoom)
        {
            if (!circled && _effort is not null)
            {
                circled = true;
                AddCircuit();
                continue;
            }

            if (Next() is not { } next)
            {
                break;
            }

            AddWaterBefore(next.Card.Intensity, next.Minutes * 60);
            if (Room < (next.Minutes * 60) + Walk)
            {
                break;
            }

            Add(new PlanBlock.Drill(next.Card.Id, next.Minutes, next.Groups) { ChangeSeconds = Walk }, next.Card);
        }

        if (_blocks is [.., PlanBlock.Break])
        {
            _blocks.RemoveAt(_blocks.Count - 1);
        }

        var loose = _wish.Frame with { Blocks = [.. _blocks], Reserve = Reserved() };
        var fitted = FitToTime.Of(loose, Shelf, _wish.Frame.Blocks.Count);
        Plan = PlanCheck.Of(fitted, Shelf).Count <= PlanCheck.Of(loose, Shelf).Count ? fitted : loose;
    }

    private void Add(PlanBlock block, DrillCard? card)
    {
        _blocks.Add(block);
        _used.UnionWith(block.Cards);
        Remember(block, card);
    }

    private void Remember(PlanBlock block, DrillCard? card)
    {
        if (block is PlanBlock.Break)
        {
            _hard = 0;
        }

        if (Shelf.EffortOf(block) is { } effort)
        {
            _effort = effort;
            _hard += effort >= PlanCheck.ThirstyEffort ? block.Seconds : 0;
            _last = card ?? _last;
        }
    }

    private void AddWaterBefore(int effort, double seconds)
    {
        if (effort >= PlanCheck.ThirstyEffort && _hard > 0 && (_hard + seconds) * Stretch > PlanCheck.ThirstyMinutes * 60)
        {
            Add(new PlanBlock.Break("Water", WaterMinutes), null);
        }
    }

    private Candidate? Next()
    {
        var wished = Wished();
        Candidate? best = null;
        var most = double.NegativeInfinity;
        foreach (var each in _pool.Drills)
        {
            if (
                _used.Contains(each.Card.Id)
                || (each.Minutes * 60) + Walk > Room
                || each.Card.Intensity < (_effort ?? 1)
                || each.Card.Intensity > (_effort ?? 0) + PlanCheck.EffortStep
            )
            {
                continue;
            }

            var weight =
                WeightOf(each)
                - (1.5 * Math.Abs(each.Card.Intensity - wished))
                + (Chance() * 4)
                - (IsCold(each.Card) ? ColdStart : 0);
            if (weight > most)
            {
                (best, most) = (each, weight);
            }
        }

        return best;
    }

    /// <summary>
    /// Nothing has been done yet, and it asks for throws or hard work: players and arms are warmed up first. Common practice.
    /// </summary>
    private bool IsCold(DrillCard card) => _effort is null && (card.Load is not null || card.Intensity >= PlanCheck.ThirstyEffort);

    /// <summary>Effort rises with the practice.</summary>
    private double Wished() => 1 + ((Balance.MostEffort - 1) * Math.Clamp(Progress * 1.1, 0, 1));

    private double WeightOf(Candidate each)
    {
        var stale = each.DaysAgo is { } days ? Math.Min(days, 56) / 14.0 : 2;
        return (each.Card.Skills.Any(_wish.Skills.Contains) ? 4 : 0)
            + (Kind == SheetKind.LongestUnpractised ? 2 * stale : stale / 2)
            + (_last is { } last && last.Skills.Intersect(each.Card.Skills).Any() ? 2 : 0)
            + (Kind == SheetKind.LongestUnpractised && Progress > 0.6 && IsGame(each.Card) ? 4 : 0)
            + (double)each.Share;
    }

    /// <summary>Stations as many as the squad can fill, of drills that can be done side by side.</summary>
    private void AddCircuit()
    {
        for (var stations = 4; stations >= 3; stations--)
        {
            var (largest, smallest) = (EvenGroups.Largest(_wish.Frame.Players, stations), _wish.Frame.Players / stations);
            Candidate[] fitting =
            [
                .. _pool
                    .Drills.Where(each => !_used.Contains(each.Card.Id) && !IsGame(each.Card))
                    .Where(each => each.Card.Players.Min <= smallest && each.Card.Players.Max >= largest)
                    .Where(each => each.Card.Intensity >= _effort && each.Card.Intensity <= _effort + PlanCheck.EffortStep)
                    .Select(each => (Each: each, Weight: WeightOf(each) + (Chance() * 4)))
                    .OrderByDescending(each => each.Weight)
                    .Select(each => each.Each)
                    .Take(stations)
                    .OrderBy(each => each.Card.Intensity),
            ];
            if (fitting.Length < stations)
            {
                continue;
            }

            var most = PlanCheck.ThirstyMinutes / Stretch / stations;
            var each = Math.Min(
                _wish.Frame.LongestDrill ?? most,
                Math.Floor(Math.Clamp(Room / 60 / 2 / stations, 2, most) * 2) / 2
            );
            var circuit = new PlanBlock.Circuit([.. fitting.Select(drill => drill.Card.Id)], each, stations)
            {
                ChangeSeconds = Walk,
                BetweenSeconds = 30,
            };
            if (circuit.Seconds + Walk > Room)
            {
                continue;
            }

            AddWaterBefore(Shelf.EffortOf(circuit)!.Value, circuit.Seconds);
            Add(circuit, fitting[^1].Card);
            return;
        }
    }

    private static bool IsGame(DrillCard card) => card.Stages[0].Scores == Scorer.Side;

    /// <summary>More than will be reached: a third of the time, three drills at least where there are so many.</summary>
    private string[] Reserved()
    {
        var minutes = 0.0;
        return
        [
            .. _pool
                .Drills.Where(each => !_used.Contains(each.Card.Id))
                .OrderByDescending(WeightOf)
                .ThenBy(each => each.Card.Id, StringComparer.Ordinal)
                .TakeWhile((each, index) => (minutes += each.Minutes) - each.Minutes < _wish.Frame.Minutes / 3 || index < 3)
                .Take(5)
                .Select(each => each.Card.Id),
        ];
    }

    private void Judge()
    {
        Own = [.. Plan.Blocks.Skip(_wish.Frame.Blocks.Count).SelectMany(block => block.Cards)];
        var report = PlanReport.Of(Plan, Shelf);
        Warnings = report.Warnings;
        var trained = Balance.Of([Plan], Shelf).Skills.Where(each => _wish.Skills.Contains(each.Skill)).Sum(each => each.Minutes);
        var cards = Own.Select(Shelf.Find).OfType<DrillCard>().ToArray();
        var building = cards.Zip(cards.Skip(1)).Count(each => each.First.Skills.Intersect(each.Second.Skills).Any());
        var stale = Own.Sum(id => _pool.Find(id) is { DaysAgo: var days } ? Math.Min(days ?? 28, 56) / 14.0 : 0);
        var busy = report.Blocks.Average(block => (double?)block.ActiveShare) ?? 0;
        Worth =
            (-1000 * Warnings.Count)
            + (3 * trained)
            + (2 * building)
            + ((Kind == SheetKind.LongestUnpractised ? 3 : 1) * stale)
            + (10 * busy)
            + (Kind == SheetKind.WithCircuit && Plan.Blocks.Any(block => block is PlanBlock.Circuit) ? 50 : 0)
            + (Kind == SheetKind.LongestUnpractised && cards.LastOrDefault() is { } last && IsGame(last) ? 15 : 0)
            - (2 * Math.Max(0, report.Slack / 60));
    }

    private double Chance() => _draw.Below(Fineness) / (double)Fineness;

    /// <summary>A drill that can be done by this squad: in how many groups, and for how long.</summary>
    internal sealed record Candidate(DrillCard Card, int? DaysAgo, int Groups, double Minutes, decimal Share);

    /// <summary>The drills of the book that this squad can do with what there is.</summary>
    internal sealed class Pool
    {
        private readonly Dictionary<string, Candidate> _byId;

        internal Pool(SheetWish wish)
        {
            Shelf = CardShelf.Of(wish.Book.Select(each => each.Card));
            Drills = [.. wish.Book.Select(each => Of(wish.Frame, each)).OfType<Candidate>()];
            _byId = Drills.ToDictionary(each => each.Card.Id, StringComparer.Ordinal);
        }

        internal CardShelf Shelf { get; }

        internal IReadOnlyList<Candidate> Drills { get; }

        internal Candidate? Find(string card) => _byId.GetValueOrDefault(card);

        /// <summary>A card of several parts is a practice in itself; which of them are wanted is for the coach.</summary>
        private static Candidate? Of(Plan frame, BookDrill drill)
        {
            var card = drill.Card;
            if (card.Stages.Count > 1 || SuggestedCount.For(frame, card) is not { } groups)
            {
                return null;
            }

            var minutes = CardSense.Of(card, frame).Usual;
            var played = CardShelf.Played(card, 0, frame.Players, groups);
            var busy = Activity.Of(
                played,
                played.Stages[0],
                minutes * 60,
                SharedFloor.Players(played.Stages[0], frame.Players, groups)
            );
            return new Candidate(card, drill.DaysAgo, groups, minutes, busy.ActiveShare);
        }
    }
}
