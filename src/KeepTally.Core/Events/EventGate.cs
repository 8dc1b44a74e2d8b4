using System.Globalization;
using KeepTally.Core.Events.Fields;
using KeepTally.Core.Faults;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>
/// The checks of a server on an event before it is taken, besides what the rules ask: a moment that
/// can have been, and people whom the sheet knows. One event far in the future would have every device stamp after it.
/// </summary>
public sealed class EventGate
{
    /// <summary>The time by which a device's idea of the shared clock may run ahead.</summary>
    public static readonly Duration Allowance = Duration.FromSeconds(5);

    private readonly HashSet<PlayerId> _people;
    private readonly IReadOnlyDictionary<string, IReadOnlyCollection<string>>? _tags;

    /// <param name="head">The head of the sheet: who is on it and who may come in.</param>
    /// <param name="tags">What a tap may say besides its outcome, with the values of each; null where that is not asked.</param>
    public EventGate(LogHead head, IReadOnlyDictionary<string, IReadOnlyCollection<string>>? tags = null)
    {
        _people = [.. head.Everyone.Select(player => player.Id), .. head.Units.Select(unit => unit.Id)];
        _tags = tags;
    }

    /// <summary>Why an event cannot be taken, or null where it can.</summary>
    /// <param name="runEvent">The event that asks to be stored.</param>
    /// <param name="now">The instant by the shared clock.</param>
    public Fault? Check(RunEvent runEvent, Instant now)
    {
        if (runEvent.At > now + Allowance)
        {
            return new Fault(
                "at",
                string.Create(
                    CultureInfo.InvariantCulture,
                    $"this would have happened {Span(runEvent.At - now)} from now, by the clock of the practice"
                ),
                "ask for the time again and send it with the right moment, or send it again later"
            );
        }

        if (
            (runEvent.Id.Device == EventId.ClockDevice || runEvent.Id.Device == EventId.CircuitDevice) && runEvent.Format.IsOfPeople
        )
        {
            return new Fault(
                "device",
                $"\"{runEvent.Id.Device}\" says only what the clock calls for",
                "send it under an id of your own device"
            );
        }

        return runEvent.Format.FaultOf(runEvent) ?? FaultOfFields(runEvent);
    }

    private Fault? FaultOfFields(RunEvent runEvent)
    {
        var said = runEvent.Format.SaidBy(runEvent);
        foreach (var field in runEvent.Format.Fields)
        {
            var fault = (field, said.ValueOf(field)) switch
            {
                (IPlayerField { IsOfTheSheet: true }, string id) => Stranger(field.Name, new PlayerId(id)),
                (TagsField, IReadOnlyDictionary<string, string> tags) when _tags is not null => UnknownTag(tags, _tags),
                _ => null,
            };
            if (fault is not null)
            {
                return fault;
            }
        }

        return null;
    }

    private Fault? Stranger(string property, PlayerId who) =>
        _people.Contains(who)
            ? null
            : new Fault(
                property,
                $"nobody on this sheet or its bench is \"{who}\"",
                "name a player of the sheet or of its bench by id"
            );

    private static Fault? UnknownTag(
        IReadOnlyDictionary<string, string> said,
        IReadOnlyDictionary<string, IReadOnlyCollection<string>> known
    )
    {
        foreach (var (tag, value) in said)
        {
            if (!known.TryGetValue(tag, out var values))
            {
                return new Fault(
                    $"tags.{tag}",
                    $"the card lists no tag \"{tag}\"",
                    known.Count == 0 ? "leave it out" : "use one of " + string.Join(", ", known.Keys)
                );
            }

            if (values.Count > 0 && !values.Contains(value))
            {
                return new Fault(
                    $"tags.{tag}",
                    $"\"{value}\" is no value of the tag \"{tag}\"",
                    "use one of " + string.Join(", ", values)
                );
            }
        }

        return null;
    }

    private static string Span(Duration span) =>
        span.Milliseconds switch
        {
            < 120_000 and var milliseconds => string.Create(CultureInfo.InvariantCulture, $"{milliseconds / 1000} seconds"),
            < 7_200_000 and var milliseconds => string.Create(CultureInfo.InvariantCulture, $"{milliseconds / 60_000} minutes"),
            < 172_800_000 and var milliseconds => string.Create(CultureInfo.InvariantCulture, $"{milliseconds / 3_600_000} hours"),
            var milliseconds => string.Create(CultureInfo.InvariantCulture, $"{milliseconds / 86_400_000} days"),
        };
}
