using KeepTally.Core.Cards;

namespace KeepTally.Core.Sheets;

/// <summary>What the rules have counted for one unit so far. Only the rules write here.</summary>
internal sealed class UnitTally(int index, Unit unit, int outcomes, int zones, Stage stage)
{
    internal int Index { get; } = index;

    internal Unit Unit { get; } = unit;

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

    internal Climb Climb { get; } = new();

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
    internal int[] Counts { get; } = new int[outcomes + (zones > 0 ? 2 : 0)];

    /// <summary>How many zones have been asked and answered.</summary>
    internal int Answered { get; set; }

    /// <summary>Asked zone by landed zone; the last column is no zone at all.</summary>
    internal int[,] Landed { get; } = new int[zones, zones + 1];

    internal Readings Readings { get; } = new();

    /// <summary>The latest values of each limited tag.</summary>
    internal RecentValues?[] RecentTags { get; } = new RecentValues?[stage.Limits.Count];

    /// <summary>For each kind of tag of the stage: counted taps by value and by outcome, laid out as <see cref="Counts"/>.</summary>
    internal int[][,] TagCounts { get; } = [.. stage.Tags.Select(tag => new int[tag.Values.Count, outcomes + (zones > 0 ? 2 : 0)])];
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
}

/// <summary>Numbers carried by taps.</summary>
internal sealed class Readings
{
    internal int Count { get; private set; }

    internal double Sum { get; private set; }

    internal double High { get; private set; } = double.NegativeInfinity;

    internal double Low { get; private set; } = double.PositiveInfinity;

    internal double Last { get; private set; }

    internal void Add(double value)
    {
        Count++;
        Sum += value;
        High = Math.Max(High, value);
        Low = Math.Min(Low, value);
        Last = value;
    }
}
