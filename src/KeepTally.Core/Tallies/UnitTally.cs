using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tallies;

/// <summary>The counts of one unit so far. Only the rules write here.</summary>
internal sealed class UnitTally
{
    private readonly IRuleState[] _states;

    /// <param name="index">The position of the unit, from 0.</param>
    /// <param name="unit">The unit it is the tally of.</param>
    /// <param name="counts">How many figures there are to count taps by; see <see cref="CountsOf"/>.</param>
    /// <param name="states">What rules remember of the unit, each in its judge's slot.</param>
    internal UnitTally(int index, Unit unit, int counts, IRuleState[] states)
    {
        Index = index;
        Unit = unit;
        Counts = new int[counts];
        Readings = new Readings();
        _states = states;
    }

    private UnitTally(UnitTally other)
    {
        Index = other.Index;
        Unit = other.Unit;
        Points = other.Points;
        Attempts = other.Attempts;
        Successes = other.Successes;
        Taps = other.Taps;
        Streak = other.Streak;
        BestStreak = other.BestStreak;
        Outs = other.Outs;
        Voids = other.Voids;
        Late = other.Late;
        Cleared = other.Cleared;
        Place = other.Place;
        OwnCount = other.OwnCount;
        Done = other.Done;
        Finished = other.Finished;
        DoneAfter = other.DoneAfter;
        EarlierTurns = other.EarlierTurns;
        Turns = other.Turns;
        TimeOff = other.TimeOff;
        WentOff = other.WentOff;
        Counts = [.. other.Counts];
        Readings = other.Readings.Copy();
        _states = Array.ConvertAll(other._states, state => state.Copy());
    }

    internal UnitTally Copy() => new(this);

    internal int Index { get; }

    internal Unit Unit { get; }

    internal double Points { get; set; }

    internal int Attempts { get; set; }

    internal int Successes { get; set; }

    /// <summary>Counted taps, neutral ones too.</summary>
    internal int Taps { get; set; }

    internal int Streak { get; set; }

    internal int BestStreak { get; set; }

    internal int Outs { get; set; }

    internal int Voids { get; set; }

    internal int Late { get; set; }

    /// <summary>Rungs of a ladder cleared.</summary>
    internal int Cleared { get; set; }

    /// <summary>The place taken by leaving: 1 for the first to leave.</summary>
    internal int? Place { get; set; }

    /// <summary>How many it said itself that it had, over all rounds; null where it said nothing.</summary>
    internal int? OwnCount { get; set; }

    internal bool Done { get; set; }

    /// <summary>Whether the unit finished by its own goes, and not by the clock, the coach, or another's win.</summary>
    internal bool Finished { get; set; }

    /// <summary>The unit's own time when it was done.</summary>
    internal Duration DoneAfter { get; set; }

    /// <summary>How many of its turns are over.</summary>
    internal int Turns { get; set; }

    /// <summary>The time of the turns that are over.</summary>
    internal Duration EarlierTurns { get; set; }

    /// <summary>Running time for which the unit was not on the sheet: before it came, or while it was off.</summary>
    internal Duration TimeOff { get; set; }

    /// <summary>When the unit went off; null while it is on.</summary>
    internal RunningTime? WentOff { get; set; }

    internal bool IsOn => WentOff is null;

    /// <summary>Counted taps by outcome; the last two are hit and miss where zones are asked.</summary>
    internal int[] Counts { get; }

    /// <summary>Something was counted for it, or it said a count itself.</summary>
    internal bool HadGo => OwnCount is not null || Array.Exists(Counts, static count => count > 0);

    internal Readings Readings { get; }

    /// <summary>The state of the judge with that slot for the unit.</summary>
    internal IRuleState State(int slot) => _states[slot];

    /// <summary>The state of a rule for the unit, or null where the stage has no such rule.</summary>
    internal T? StateOf<T>()
        where T : class, IRuleState
    {
        foreach (var state in _states)
        {
            if (state is T found)
            {
                return found;
            }
        }

        return null;
    }

    /// <summary>How many figures a stage counts taps by: one an outcome, and hit and miss.</summary>
    internal static int CountsOf(Stage stage) => stage.Outcomes.Count + 2;
}

/// <summary>Numbers carried by taps.</summary>
internal sealed class Readings
{
    internal int Count { get; private set; }

    internal double Sum { get; private set; }

    internal double Mean => Sum / Count;

    internal double High { get; private set; } = double.NegativeInfinity;

    internal double Low { get; private set; } = double.PositiveInfinity;

    internal double Last { get; private set; }

    internal Readings Copy() => (Readings)MemberwiseClone();

    internal void Add(double value)
    {
        Count++;
        Sum += value;
        High = Math.Max(High, value);
        Low = Math.Min(Low, value);
        Last = value;
    }
}
