using System.Globalization;
using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Live;

/// <summary>
/// A gym of several devices and a server, played from a seed: clocks that are off, taps in the same millisecond, messages
/// that are late or come twice, devices that lose the network and come back, events the server refuses.
/// </summary>
internal sealed class Convergence
{
    private const int Steps = 120;
    private readonly Random _chance;
    private readonly DrillCard _card;
    private readonly Device[] _devices;
    private readonly Sheet _server;
    private readonly EventGate _gate;
    private readonly List<string> _journal = [];
    private readonly HashSet<EventId> _acknowledged = [];
    private long _now;

    private sealed class Device(string name, Sheet sheet, long skew)
    {
        internal string Name => name;
        internal Sheet Sheet => sheet;
        internal long Skew => skew;
        internal LivePractice Practice { get; } =
            new(new DeviceId(name), [new LiveRun("one", [new RunSheet(new SheetId("s"), "", sheet)])]);
        internal List<RunEvent> Unsent { get; } = [];
        internal int Heard { get; set; }
        internal bool Online { get; set; } = true;
    }

    private Convergence(int seed)
    {
        _chance = new Random(seed);
        _card = AnyLog.Cards[_chance.Next(AnyLog.Cards.Length)];
        _server = AnyLog.Open(_card);
        _gate = new EventGate(_server.Head);
        _devices =
        [
            .. Enumerable
                .Range(0, _chance.Next(2, 6))
                // One device's clock may run far ahead: what it says then is refused.
                .Select(i => new Device(
                    $"{(char)('a' + i)}{seed % 10}",
                    AnyLog.Open(_card),
                    _chance.Next(20) == 0 ? 60_000 : _chance.Next(-1500, 1500)
                )),
        ];
    }

    /// <summary>Plays a history; everything that was wrong with it, or nothing.</summary>
    internal static IReadOnlyList<string> Play(int seed)
    {
        var gym = new Convergence(seed);
        for (var i = 0; i < Steps; i++)
        {
            gym.Step();
        }

        return [.. gym.Settle().Select(wrong => string.Create(CultureInfo.InvariantCulture, $"seed {seed}: {wrong}"))];
    }

    private void Step()
    {
        // Often several things happen in the same millisecond.
        _now += _chance.Next(3) == 0 ? 0 : _chance.Next(1500);
        var device = _devices[_chance.Next(_devices.Length)];
        switch (_chance.Next(10))
        {
            case < 5:
                Say(device);
                break;
            case 5:
                device.Online = !device.Online;
                break;
            case 6:
                Send(device, andAgain: _chance.Next(3) == 0);
                break;
            default:
                Hear(device, _chance.Next(1, 8));
                break;
        }
    }

    private void Say(Device device)
    {
        var now = Math.Max(0, _now + device.Skew);
        foreach (var due in device.Practice.AppendDue(new Instant(now)))
        {
            device.Unsent.Add(due.Event);
        }

        var log = device.Sheet.Log;
        // A device stamps after all it has seen; here it appends anything, sensible or not.
        var at = device.Sheet.Stamp(new Instant(now)).Milliseconds;
        var reach = log.Count == 0 ? new EventId(new DeviceId(device.Name), 1) : log.Events[_chance.Next(log.Count)].Id;
        var runEvent = AnyLog.Event(
            _card,
            new EventId(new DeviceId(device.Name), log.LastNumberOf(new DeviceId(device.Name)) + 1),
            at,
            (_chance.Next(20), _chance.Next(41), _chance.Next(41), _chance.Next(41)),
            reach
        );
        if (device.Sheet.Add(runEvent) is null)
        {
            device.Unsent.Add(runEvent);
        }
    }

    /// <summary>A batch goes up as lines and is taken or refused one by one; the answer may be lost, and the batch sent again.</summary>
    private void Send(Device device, bool andAgain)
    {
        if (!device.Online)
        {
            return;
        }

        for (var time = 0; time < (andAgain ? 2 : 1); time++)
        {
            foreach (var runEvent in device.Unsent.ToArray())
            {
                var read = EventReader.Read(EventWriter.Write(runEvent)).Require();
                if (_gate.Check(read, new Instant(_now)) is not null || _server.Check(read) is not null)
                {
                    device.Sheet.Retract(runEvent);
                    device.Unsent.Remove(runEvent);
                }
                else if (_server.Log.Find(read.Id) is { } stands)
                {
                    if (EventWriter.Write(stands) != EventWriter.Write(read))
                    {
                        device.Sheet.Receive(stands);
                    }
                }
                else
                {
                    _server.Add(read);
                    _journal.Add(EventWriter.Write(read));
                    _acknowledged.Add(read.Id);
                }
            }
        }

        device.Unsent.Clear();
    }

    /// <summary>Some of what is on record comes down, own events too, now and then the same again.</summary>
    private void Hear(Device device, int most)
    {
        if (!device.Online)
        {
            return;
        }

        var from = _chance.Next(4) == 0 ? 0 : device.Heard;
        var to = Math.Min(_journal.Count, device.Heard + most);
        for (var i = from; i < to; i++)
        {
            var recorded = EventReader.Read(_journal[i]).Require();
            device.Sheet.Receive(recorded);
            device.Unsent.RemoveAll(runEvent => runEvent.Id == recorded.Id && _chance.Next(2) == 0);
        }

        device.Heard = Math.Max(device.Heard, to);
        if (_chance.Next(2) == 0)
        {
            _ = device.Sheet.ReportAt(device.Sheet.Log.LastAt);
        }
    }

    /// <summary>Everyone is back on the network: all of them and a fresh replay must show the same sheet.</summary>
    private IEnumerable<string> Settle()
    {
        foreach (var device in _devices)
        {
            device.Online = true;
            Send(device, andAgain: true);
        }

        foreach (var device in _devices)
        {
            Hear(device, int.MaxValue / 2);
        }

        var at = Instant.Max(new Instant(_now), _server.Log.LastAt) + Duration.FromSeconds(10);
        var fresh = AnyLog.Open(_card);
        fresh.AddAll([.. _journal.Select(line => EventReader.Read(line).Require())]);
        var shown = Shown(fresh, at);
        if (Shown(_server, at) != shown)
        {
            yield return "the server and a fresh replay differ";
        }

        foreach (var device in _devices)
        {
            if (Shown(device.Sheet, at) != shown)
            {
                yield return $"device {device.Name} shows another sheet";
            }

            if (_acknowledged.FirstOrDefault(id => !device.Sheet.Log.Holds(id)) is { Device.Value: { } } lost)
            {
                yield return $"device {device.Name} has lost {lost}";
            }
        }
    }

    private static string Shown(Sheet live, Instant at) =>
        ReplayWriter.Write(live.Score.Report(at))
        + string.Join('|', live.Floor.Now.Places.Select(place => place.Id + ":" + string.Join(',', live.Floor.Now.At(place.Id))))
        + string.Join(',', live.Score.Roster.Everyone);
}
