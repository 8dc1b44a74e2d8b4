using System.Text;
using System.Text.Json;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>
/// Reads an event that is written as it should be in one pass, without a document: every event of a history comes this way
/// on every machine. Whatever it does not know at once it leaves to <see cref="EventReader"/>, which names what is wrong.
/// </summary>
internal ref struct EventScan
{
    private Utf8JsonReader _json;
    private string? _type;
    private string? _device;
    private int _n;
    private long _milliseconds;
    private double? _value;
    private EventId? _of;
    private Dictionary<string, string>? _tags;
    private Texts _texts;
    private int _seen;

    /// <summary>The texts an event may carry besides, by the names of the format.</summary>
    [System.Runtime.CompilerServices.InlineArray(Count)]
    private struct Texts
    {
        internal const int Count = 9;
        private string? _first;
    }

    private const int Unit = 0;
    private const int Outcome = 1;
    private const int Zone = 2;
    private const int Winner = 3;
    private const int Loser = 4;
    private const int Actor = 5;
    private const int Reason = 6;
    private const int Out = 7;
    private const int In = 8;
    private const int Value = 9;
    private const int Tags = 10;
    private const int Of = 11;

    /// <summary>The event, or null where the text is not at once clear.</summary>
    internal static RunEvent? Read(string json)
    {
        if (json.Length > 4000 || json.Contains('\\'))
        {
            return null;
        }

        Span<byte> bytes = stackalloc byte[json.Length * 3];
        var length = Encoding.UTF8.GetBytes(json, bytes);
        var scan = new EventScan
        {
            _json = new Utf8JsonReader(bytes[..length]),
            _n = -1,
            _milliseconds = -1,
        };
        try
        {
            return scan.Take() && !scan._json.Read() ? scan.Made() : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private bool Take()
    {
        if (!_json.Read() || _json.TokenType != JsonTokenType.StartObject)
        {
            return false;
        }

        while (_json.Read() && _json.TokenType == JsonTokenType.PropertyName)
        {
            if (!TakeProperty())
            {
                return false;
            }
        }

        return _json.TokenType == JsonTokenType.EndObject;
    }

    private bool TakeProperty()
    {
        if (_json.ValueTextEquals("device"u8))
        {
            return _device is null && Text(EventReader.LongestDevice) is { Length: > 0 } device && Keep(ref _device, device);
        }

        if (_json.ValueTextEquals("n"u8))
        {
            return _n < 0 && _json.Read() && _json.TokenType == JsonTokenType.Number && _json.TryGetInt32(out _n) && _n >= 0;
        }

        if (_json.ValueTextEquals("at"u8))
        {
            return _milliseconds < 0
                && _json.Read()
                && _json.TokenType == JsonTokenType.Number
                && _json.TryGetInt64(out _milliseconds)
                && _milliseconds >= 0
                && _milliseconds <= EventReader.LatestAt.Milliseconds;
        }

        return _json.ValueTextEquals("type"u8)
            ? _type is null && Text(EventReader.LongestWord) is { } type && Keep(ref _type, type)
            : TakeOwn();
    }

    private bool TakeOwn()
    {
        var which =
            _json.ValueTextEquals("unit"u8) ? Unit
            : _json.ValueTextEquals("outcome"u8) ? Outcome
            : _json.ValueTextEquals("zone"u8) ? Zone
            : _json.ValueTextEquals("value"u8) ? Value
            : _json.ValueTextEquals("of"u8) ? Of
            : _json.ValueTextEquals("tags"u8) ? Tags
            : _json.ValueTextEquals("winner"u8) ? Winner
            : _json.ValueTextEquals("loser"u8) ? Loser
            : _json.ValueTextEquals("actor"u8) ? Actor
            : _json.ValueTextEquals("reason"u8) ? Reason
            : _json.ValueTextEquals("out"u8) ? Out
            : _json.ValueTextEquals("in"u8) ? In
            : -1;
        if (which < 0 || (_seen & (1 << which)) != 0)
        {
            return false;
        }

        _seen |= 1 << which;
        return which switch
        {
            Value => TakeValue(),
            Of => TakeOf(),
            Tags => TakeTags(),
            _ => Text(EventReader.LongestWord) is { } text && Keep(ref _texts[which], text),
        };
    }

    private bool TakeValue()
    {
        if (
            !_json.Read()
            || _json.TokenType != JsonTokenType.Number
            || !_json.TryGetDouble(out var value)
            || !double.IsFinite(value)
        )
        {
            return false;
        }

        _value = value;
        return true;
    }

    private bool TakeOf()
    {
        if (!_json.Read() || _json.TokenType != JsonTokenType.StartObject)
        {
            return false;
        }

        string? device = null;
        var n = -1;
        while (_json.Read() && _json.TokenType == JsonTokenType.PropertyName)
        {
            var good = _json.ValueTextEquals("device"u8)
                ? device is null && Text(EventReader.LongestDevice) is { Length: > 0 } text && Keep(ref device, text)
                : _json.ValueTextEquals("n"u8)
                    && n < 0
                    && _json.Read()
                    && _json.TokenType == JsonTokenType.Number
                    && _json.TryGetInt32(out n)
                    && n >= 0;
            if (!good)
            {
                return false;
            }
        }

        _of = device is null || n < 0 ? null : new EventId(new DeviceId(device), n);
        return _of is not null && _json.TokenType == JsonTokenType.EndObject;
    }

    private bool TakeTags()
    {
        if (!_json.Read() || _json.TokenType != JsonTokenType.StartObject)
        {
            return false;
        }

        _tags = new Dictionary<string, string>(StringComparer.Ordinal);
        while (_json.Read() && _json.TokenType == JsonTokenType.PropertyName)
        {
            var tag = _json.GetString()!;
            if (Text(EventReader.LongestWord) is not { } value || !_tags.TryAdd(tag, value) || tag.Length > EventReader.LongestWord)
            {
                return false;
            }
        }

        return _tags.Count <= EventReader.MostTags && _json.TokenType == JsonTokenType.EndObject;
    }

    /// <summary>The text of a property, or null where it is none or may not stand. A dollar sign may stand for a house rule.</summary>
    private string? Text(int longest) =>
        _json.Read()
        && _json.TokenType == JsonTokenType.String
        && _json.GetString() is { } text
        && text.Length <= longest
        && !text.StartsWith('$')
            ? text
            : null;

    private static bool Keep(ref string? place, string text)
    {
        place = text;
        return true;
    }

    /// <summary>The event, where it carries no more than its kind does and nothing it needs is missing.</summary>
    private readonly RunEvent? Made()
    {
        if (_device is null || _n < 0 || _milliseconds < 0)
        {
            return null;
        }

        var id = new EventId(new DeviceId(_device), _n);
        var at = new Instant(_milliseconds);
        return _type switch
        {
            RunEvent.Tap.TypeName when Only(1 << Unit | 1 << Outcome | 1 << Zone | 1 << Tags | 1 << Value) => new RunEvent.Tap(
                id,
                at,
                Player(Unit),
                _texts[Outcome],
                _texts[Zone],
                _tags,
                _value
            ),
            RunEvent.Start.TypeName when Only(0) => new RunEvent.Start(id, at),
            RunEvent.Pause.TypeName when Only(0) => new RunEvent.Pause(id, at),
            RunEvent.Resume.TypeName when Only(0) => new RunEvent.Resume(id, at),
            RunEvent.End.TypeName when Only(0) => new RunEvent.End(id, at),
            RunEvent.Whistle.TypeName when Only(0) => new RunEvent.Whistle(id, at),
            RunEvent.Turn.TypeName when Only(1 << Unit) => new RunEvent.Turn(id, at, Player(Unit)),
            RunEvent.Rotate.TypeName when Only(1 << Winner | 1 << Loser | 1 << Actor) => new RunEvent.Rotate(
                id,
                at,
                Player(Winner),
                Player(Loser),
                Player(Actor)
            ),
            RunEvent.Undo.TypeName when Only(1 << Of) && _of is { } of => new RunEvent.Undo(id, at, of),
            RunEvent.Freeze.TypeName when Only(1 << Reason) => new RunEvent.Freeze(id, at, _texts[Reason] ?? ""),
            RunEvent.Substitution.TypeName when Only(1 << Out | 1 << In) => new RunEvent.Substitution(
                id,
                at,
                Player(Out),
                Player(In)
            ),
            _ => null,
        };
    }

    private readonly PlayerId? Player(int property) => _texts[property] is { } id ? new PlayerId(id) : null;

    private readonly bool Only(int own) => (_seen & ~own) == 0;
}
