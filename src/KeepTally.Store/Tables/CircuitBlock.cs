namespace KeepTally.Store.Tables;

/// <summary>The circuit of a block: its stations, and how groups go round them.</summary>
public sealed class CircuitBlock
{
    public int BlockId { get; init; }

    /// <summary>Minutes at each station.</summary>
    public double MinutesEach { get; set; }

    /// <summary>Seconds to walk to the next station.</summary>
    public int ChangeSeconds { get; set; }

    /// <summary>The walks between are part of the minutes at the stations.</summary>
    public bool ChangeInside { get; set; }

    public bool Reverse { get; set; }

    /// <summary>The groups stay and the coaches go round.</summary>
    public bool CoachesMove { get; set; }

    public List<Station> Stations { get; init; } = [];
}

/// <summary>A station of a circuit: a stage of a card.</summary>
public sealed class Station
{
    public int Id { get; init; }

    public int BlockId { get; init; }

    /// <summary>The order on the way round, from 0.</summary>
    public int Order { get; set; }

    public int CardVersionId { get; init; }

    public CardVersion? CardVersion { get; init; }

    public int Stage { get; set; }
}
