using System.Text;
using System.Text.Json;
using KeepTally.Core.Events.Fields;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>
/// Reads an event that is written as <see cref="EventWriter"/> writes it in one pass, without a document: every event of a history comes
/// this way on every machine. Whatever is not at once clear it leaves to <see cref="EventReader"/>, which names what is wrong.
/// </summary>
internal ref struct EventScan
{
    private const int LongestLine = 4000;

    private Utf8JsonReader _json;
    private EventFormat? _format;
    private string? _device;
    private int _n;
    private long _milliseconds;
    private Said _said;

    /// <summary>The event, or null where the text is not at once clear.</summary>
    internal static RunEvent? Read(string json)
    {
        if (json.Length > LongestLine || json.Contains('\\'))
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
            return scan.TryTake() && !scan._json.Read() ? scan.Made() : null;
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private bool TryTake()
    {
        if (!_json.Read() || _json.TokenType != JsonTokenType.StartObject)
        {
            return false;
        }

        while (_json.Read() && _json.TokenType == JsonTokenType.PropertyName)
        {
            if (!(_format is null ? TryTakeOfAll() : TryTakeOwn(_format)))
            {
                return false;
            }
        }

        return _json.TokenType == JsonTokenType.EndObject;
    }

    /// <summary>What every event carries stands before its type.</summary>
    private bool TryTakeOfAll()
    {
        if (_json.ValueTextEquals("device"u8))
        {
            if (_device is not null || !Texts.TryTake(ref _json, Limits.LongestDevice, out var device))
            {
                return false;
            }

            _device = (string)device!;
            return _device.Length > 0;
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

        _format =
            _json.ValueTextEquals("type"u8) && Texts.TryTake(ref _json, Limits.LongestWord, out var type)
                ? EventFormats.Of((string)type!)
                : null;
        return _format is not null;
    }

    private bool TryTakeOwn(EventFormat format)
    {
        foreach (var field in format.Fields)
        {
            if (field.IsNamed(_json))
            {
                var isClear = _said.ValueOf(field) is null & field.TryTake(ref _json, out var value);
                _said.Put(field, value);
                return isClear;
            }
        }

        return false;
    }

    /// <summary>The event, where nothing it needs is missing.</summary>
    private readonly RunEvent? Made()
    {
        if (_format is null || _device is null || _n < 0 || _milliseconds < 0)
        {
            return null;
        }

        foreach (var field in _format.Fields)
        {
            if (field.IsNeeded && _said.ValueOf(field) is null)
            {
                return null;
            }
        }

        return _format.Make(new EventId(new DeviceId(_device), _n), new Instant(_milliseconds), _said);
    }
}
