namespace KeepTally.Core.Planning;

/// <summary>One line of a timing sheet. A closed set: a drill, a circuit, a break or a talk.</summary>
public abstract record PlanBlock
{
    private PlanBlock() { }

    /// <summary>The id by which the store knows the line; null for a new one. No part of the format.</summary>
    public int? Key { get; init; }

    /// <summary>Seconds before it: walking, setting up.</summary>
    public double ChangeSeconds { get; init; }

    /// <summary>The coaches who take it; at a circuit of each station, in order.</summary>
    public IReadOnlyList<string> Takes { get; init; } = [];

    /// <summary>Seconds of the line itself, for so many groups as it has.</summary>
    public abstract double Seconds { get; }

    /// <summary>The cards it is made of, by id.</summary>
    public virtual IReadOnlyList<string> Cards => [];

    /// <summary>A drill from the book.</summary>
    /// <param name="Card">The id of its card.</param>
    /// <param name="Minutes">The minutes of the line.</param>
    /// <param name="Groups">The number of groups; null for what the card suggests.</param>
    public sealed record Drill(string Card, double Minutes, int Groups) : PlanBlock
    {
        /// <summary>The only part of the card that is done, from 0; null for the whole card.</summary>
        public int? Stage { get; init; }

        /// <summary>The house rules chosen, option to choice.</summary>
        public IReadOnlyDictionary<string, string> Options { get; init; } = NoOptions;

        /// <summary>The clock of the card is fitted to the minutes.</summary>
        public bool FitsClock { get; init; }

        /// <summary>
        /// The greatest number wanted on each side, where the card is played with several (<see cref="Cards.VersusChoice"/>); null
        /// for as many as there are players for.
        /// </summary>
        public int? Versus { get; init; }

        /// <inheritdoc/>
        public override double Seconds => Minutes * 60;

        /// <inheritdoc/>
        public override IReadOnlyList<string> Cards => [Card];
    }

    /// <summary>Groups going round stations, a drill at each.</summary>
    /// <param name="Stations">The id of each station's card.</param>
    /// <param name="MinutesEach">The minutes of each station.</param>
    /// <param name="Groups">How many groups go round; null for as many as stations.</param>
    public sealed record Circuit(IReadOnlyList<string> Stations, double MinutesEach, int? Groups) : PlanBlock
    {
        /// <summary>Seconds from one station to the next.</summary>
        public double BetweenSeconds { get; init; }

        /// <summary>The walks between are part of the minutes at the stations.</summary>
        public bool ChangeInside { get; init; }

        /// <summary>Groups go the other way round.</summary>
        public bool Reverse { get; init; }

        /// <summary>The groups stay and the coaches go round with their drills.</summary>
        public bool CoachesMove { get; init; }

        /// <summary>How many groups go round.</summary>
        public int GroupCount => Groups ?? Stations.Count;

        /// <summary>How often a whistle ends a station.</summary>
        public int Turns => Math.Max(Stations.Count, GroupCount);

        /// <inheritdoc/>
        public override double Seconds => Circuits.Circuit.Seconds(GroupCount, Stations.Count, WorkSeconds, BetweenSeconds);

        /// <summary>Seconds of work at one station.</summary>
        public double WorkSeconds =>
            Circuits.Circuit.WorkSeconds(GroupCount, Stations.Count, MinutesEach * 60, BetweenSeconds, ChangeInside);

        /// <summary>The walks leave time to work in.</summary>
        public bool HasWork => WorkSeconds > 0;

        /// <inheritdoc/>
        public override IReadOnlyList<string> Cards => Stations;
    }

    /// <summary>A break, with water at hand.</summary>
    public sealed record Break(string Name, double Minutes) : PlanBlock
    {
        /// <inheritdoc/>
        public override double Seconds => Minutes * 60;
    }

    /// <summary>Teaching time: the coach talks, or shows.</summary>
    public sealed record Talk(string Name, double Minutes) : PlanBlock
    {
        /// <inheritdoc/>
        public override double Seconds => Minutes * 60;
    }

    private static readonly Dictionary<string, string> NoOptions = [];
}
