using KeepTally.Core.Clock;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>
/// Something that happened during a run. The kinds are a closed set. Source: docs/formats.md, section 2.
/// </summary>
/// <param name="Id">Given by the device that made it; the same id is the same event.</param>
/// <param name="At">When it happened.</param>
public abstract record RunEvent(EventId Id, Instant At)
{
    /// <summary>The name of its type in the format, such as "tap".</summary>
    public abstract string Type { get; }

    /// <summary>The clock begins to run.</summary>
    public sealed record Start(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "start";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>The clock stands until it is resumed.</summary>
    public sealed record Pause(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "pause";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>The clock goes on.</summary>
    public sealed record Resume(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "resume";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>The sheet is closed.</summary>
    public sealed record End(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "end";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>A tap on the pad: whom, what, where it went, what else it says, and the number it carries; each may be left out.</summary>
    public sealed record Tap(
        EventId Id,
        Instant At,
        PlayerId? Unit,
        string? Outcome,
        string? Zone,
        IReadOnlyDictionary<string, string>? Tags,
        double? Value
    ) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "tap";

        /// <inheritdoc/>
        public override string Type => TypeName;

        /// <summary>The lap times in the unit of <c>Value</c>; null where there are none.</summary>
        public IReadOnlyList<double>? Laps { get; init; }

        /// <summary>Whether it counts although it was late, by an <see cref="Amend"/>.</summary>
        public bool CountsLate { get; init; }
    }

    /// <summary>
    /// What a tap said is put right: <paramref name="Of"/> reads from now on as told here, in its own place; what is left out stays
    /// as it was.
    /// </summary>
    /// <param name="Id">The id of the event.</param>
    /// <param name="At">The moment it happened.</param>
    /// <param name="Of">The id of the tap that is corrected.</param>
    /// <param name="Unit">The unit it is corrected to; null for no change.</param>
    /// <param name="Outcome">The outcome it is corrected to; null for no change.</param>
    /// <param name="Zone">The zone it is corrected to; null for no change.</param>
    /// <param name="Value">The value it is corrected to; null for no change.</param>
    /// <param name="Counts">Whether it counts though it was late; null leaves that as it was.</param>
    public sealed record Amend(
        EventId Id,
        Instant At,
        EventId Of,
        PlayerId? Unit,
        string? Outcome,
        string? Zone,
        double? Value,
        bool? Counts
    ) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "amend";

        /// <inheritdoc/>
        public override string Type => TypeName;

        /// <summary>Values of tags that are put right; null or those not named stay as they were.</summary>
        public IReadOnlyDictionary<string, string>? Tags { get; init; }

        /// <summary>The tap as it reads by this.</summary>
        public Tap Over(Tap tap) =>
            tap with
            {
                Tags = Tags is null ? tap.Tags : Over(tap.Tags),
                Unit = Unit ?? tap.Unit,
                Outcome = Outcome ?? tap.Outcome,
                Zone = Zone ?? tap.Zone,
                Value = Value ?? tap.Value,
                CountsLate = Counts ?? tap.CountsLate,
            };

        private Dictionary<string, string> Over(IReadOnlyDictionary<string, string>? said)
        {
            var all = (said ?? new Dictionary<string, string>()).ToDictionary(StringComparer.Ordinal);
            foreach (var (tag, value) in Tags!)
            {
                all[tag] = value;
            }

            return all;
        }
    }

    /// <summary>The turn passes to <paramref name="Unit"/>, or to the next that is not done.</summary>
    public sealed record Turn(EventId Id, Instant At, PlayerId? Unit) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "turn";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>Places move on; who won, lost or did it where a move asks for it.</summary>
    public sealed record Rotate(EventId Id, Instant At, PlayerId? Winner, PlayerId? Loser, PlayerId? Actor) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "rotate";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary><paramref name="Of"/> counts as if it had never been.</summary>
    public sealed record Undo(EventId Id, Instant At, EventId Of) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "undo";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>A teaching stop: the clock stands until it is resumed.</summary>
    public sealed record Freeze(EventId Id, Instant At, string Reason) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "freeze";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>Something written down, about <paramref name="Unit"/> or about the drill.</summary>
    public sealed record Note(EventId Id, Instant At, string Text, PlayerId? Unit) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "note";

        /// <inheritdoc/>
        public override string Type => TypeName;

        /// <summary>Whether it is about the whole practice.</summary>
        public bool OfPractice { get; init; }
    }

    /// <summary>The work under way, or that was last, is longer by so much; shorter where it is below nought.</summary>
    public sealed record Add(EventId Id, Instant At, Duration By) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "add";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>An interval of the clock is over at this moment, if it is the one under way.</summary>
    /// <param name="Id">The id of the event.</param>
    /// <param name="At">The moment it happened.</param>
    /// <param name="Kind">Work, change or break.</param>
    /// <param name="Round">The round it belongs to, from 1.</param>
    public sealed record Skip(EventId Id, Instant At, IntervalKind Kind, int Round) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "skip";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>The clock has so many rounds from now on, though no fewer than have begun.</summary>
    public sealed record Rounds(EventId Id, Instant At, int Count) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "rounds";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>The coach's whistle: the clock of one rep begins.</summary>
    public sealed record Whistle(EventId Id, Instant At) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "whistle";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>The game is over, whatever stands, and another begins at once on the same sheet.</summary>
    /// <param name="Id">The id of the event.</param>
    /// <param name="At">The moment it happened.</param>
    /// <param name="Ends">Sides change ends: the next one starts with the ball, or has the good side.</param>
    /// <param name="Moves">Places move on once before it.</param>
    public sealed record Again(EventId Id, Instant At, bool Ends, bool Moves) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "again";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>Something looked for all practice long was seen once, of <paramref name="Player"/> or of the team.</summary>
    public sealed record Habit(EventId Id, Instant At, string Name, PlayerId? Player) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "habit";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>A unit says itself how many it had in a round; the last word for the round stands. It is kept apart from taps.</summary>
    /// <param name="Id">The id of the event.</param>
    /// <param name="At">The moment it happened.</param>
    /// <param name="Unit">The unit: a player, a pair, a group or a side.</param>
    /// <param name="Count">The number the unit said it had.</param>
    /// <param name="Round">The round of the clock, from 1.</param>
    public sealed record OwnCount(EventId Id, Instant At, PlayerId Unit, int Count, int Round) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "count";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary>A cue for the next rep, for <paramref name="Unit"/> or for all; an empty text removes it.</summary>
    public sealed record Cue(EventId Id, Instant At, string Text, PlayerId? Unit) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "cue";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }

    /// <summary><paramref name="Out"/> leaves, <paramref name="In"/> joins; two who are both on change places.</summary>
    public sealed record Substitution(EventId Id, Instant At, PlayerId? Out, PlayerId? In) : RunEvent(Id, At)
    {
        /// <summary>The name of the type in the format.</summary>
        public const string TypeName = "sub";

        /// <inheritdoc/>
        public override string Type => TypeName;
    }
}

/// <summary>Which device made an event, and which of that device's events it is. Unique on a sheet.</summary>
public readonly record struct EventId(DeviceId Device, int N)
{
    /// <summary>The device by which the application itself makes what the clock calls for, so that all devices make it alike.</summary>
    public static readonly DeviceId ClockDevice = new("clock");

    /// <summary>The device by which the clock of a circuit opens, stops and closes its stations.</summary>
    public static readonly DeviceId CircuitDevice = new("circuit");

    /// <summary>A sheet has a handful of devices: the number tells most events apart, and hashing stands on the path of every tap.</summary>
    public override int GetHashCode() => Device.Value is { Length: > 0 } device ? (N * 397) ^ ((device[0] * 31) + device[^1]) : N;
}
