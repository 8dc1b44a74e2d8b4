using KeepTally.Core.Cards;
using KeepTally.Core.Events;

namespace KeepTally.Core.Tallies;

/// <summary>What the rules have counted for one unit so far. Only the rules write here.</summary>
internal sealed class UnitTally
{
    internal UnitTally(int index, Unit unit, int outcomes, int zones, Stage stage)
    {
        Index = index;
        Unit = unit;
        Climb = new Climb();
        Counts = new int[outcomes + (zones > 0 ? 2 : 0)];
        Landed = new int[zones, zones + 1];
        Readings = new Readings();
        RecentTags = new RecentValues?[stage.Limits.Count];
        TagCounts = [.. stage.Tags.Select(tag => new int[tag.Values.Count, Counts.Length])];
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
        Climb = other.Climb.Copy();
        Place = other.Place;
        Done = other.Done;
        DoneAfter = other.DoneAfter;
        EarlierTurns = other.EarlierTurns;
        TimeOff = other.TimeOff;
        WentOff = other.WentOff;
        Counts = [.. other.Counts];
        Answered = other.Answered;
        Landed = (int[,])other.Landed.Clone();
        Readings = other.Readings.Copy();
        RecentTags = [.. other.RecentTags.Select(values => values?.Copy())];
        TagCounts = [.. other.TagCounts.Select(counts => (int[,])counts.Clone())];
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

    internal Climb Climb { get; }

    /// <summary>The place taken by leaving: 1 for the first to leave.</summary>
    internal int? Place { get; set; }

    internal bool Done { get; set; }

    /// <summary>Running milliseconds of the unit when it was done.</summary>
    internal long DoneAfter { get; set; }

    /// <summary>Milliseconds of the turns that are over.</summary>
    internal long EarlierTurns { get; set; }

    /// <summary>Running milliseconds for which the unit was not on the sheet: before it came, or while it was off.</summary>
    internal long TimeOff { get; set; }

    /// <summary>Running milliseconds at which the unit went off; null while it is on.</summary>
    internal long? WentOff { get; set; }

    internal bool IsOn => WentOff is null;

    /// <summary>Counted taps by outcome; the last two are hit and miss where zones are asked.</summary>
    internal int[] Counts { get; }

    /// <summary>How many zones have been asked and answered.</summary>
    internal int Answered { get; set; }

    /// <summary>Asked zone by landed zone; the last column is no zone at all.</summary>
    internal int[,] Landed { get; }

    internal Readings Readings { get; }

    /// <summary>The latest values of each limited tag.</summary>
    internal RecentValues?[] RecentTags { get; }

    /// <summary>For each kind of tag of the stage: counted taps by value and by outcome, laid out as <see cref="Counts"/>.</summary>
    internal int[][,] TagCounts { get; }
}

/// <summary>How far a unit is up a ladder.</summary>
internal sealed class Climb
{
    internal int Rung { get; set; }

    internal int Lap { get; set; }

    internal int Cleared { get; set; }

    /// <summary>The highest rung cleared, or -1.</summary>
    internal int Highest { get; set; } = -1;

    /// <summary>Attempts in the open window.</summary>
    internal int Taken { get; set; }

    /// <summary>Successes in the open window, or the run of them where a rung asks for so many in a row.</summary>
    internal int Made { get; set; }

    /// <summary>The open window, one bit an attempt, the first attempt lowest; enough for sixty-four.</summary>
    internal ulong Hits { get; set; }

    internal void FreshWindow() => (Taken, Made, Hits) = (0, 0, 0);

    internal Climb Copy() => (Climb)MemberwiseClone();
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
