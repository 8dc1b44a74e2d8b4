using KeepTally.Core.Cards;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;
using KeepTally.Core.Words;

namespace KeepTally.Core.Tests.Shipped;

/// <summary>The cards that come with the application, as they lie in the store.</summary>
internal static class ShippedCard
{
    private static readonly string Folder = Path.Combine(AppContext.BaseDirectory, "shipped");

    internal static IReadOnlyList<string> Ids { get; } =
    [.. Directory.GetFiles(Folder).Select(file => Path.GetFileNameWithoutExtension(file)).Order(StringComparer.Ordinal)];

    internal static string Text(string id) => File.ReadAllText(Path.Combine(Folder, $"{id}.json"));

    internal static DrillCard Read(string id, params (string Option, string Choice)[] chosen) =>
        CardReader.Read(Text(id), chosen.ToDictionary(each => each.Option, each => each.Choice)).Require();

    /// <summary>A sheet of a shipped card, started and past its count-in. Units are the sides, or a, b, c …</summary>
    internal static Bout Play(string id, int units = 2, int stage = 0, params (string Option, string Choice)[] chosen) =>
        new(Read(id, chosen), stage, units);
}

/// <summary>A shipped card being run: says taps a second apart and reads what came of them.</summary>
internal sealed class Bout
{
    private readonly Sheet _live;
    private long _now;
    private int _said;

    internal Bout(DrillCard card, int stage, int count)
    {
        var sides = card.Stages[stage].Sides;
        var names = sides.Count > 0 ? sides : [.. Enumerable.Range(0, count).Select(i => ((char)('a' + i)).ToString())];
        _live = Sheet
            .Open(card, new LogHead(card.Id, stage, card.Chosen, [.. names.Select(name => new Unit(new PlayerId(name), name, []))]))
            .Require();
        _live.Add(new RunEvent.Start(NextId(), new Instant(0)));
        _now = card.Stages[stage].Clock?.CountIn.Milliseconds ?? 0;
    }

    internal Sheet Live => _live;

    /// <summary>Why the last tap did what it did.</summary>
    internal string Why { get; private set; } = "";

    internal ScoreReport Now => _live.Score.Report(new Instant(_now));

    internal UnitReport this[string unit] => Now.Of(unit);

    private EventId NextId() => new(new DeviceId("t"), ++_said);

    /// <summary>Taps in a row: <c>a:make</c>, by anyone who is meant <c>:goal</c>, many times <c>a:make*5</c>.</summary>
    internal Bout Tap(string taps)
    {
        foreach (var tap in taps.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var (who, what) = (tap.Split(':')[0], tap.Split(':')[1].Split('*'));
            for (var i = 0; i < (what.Length > 1 ? int.Parse(what[1], null) : 1); i++)
            {
                Say(who, what[0]);
            }
        }

        return this;
    }

    internal Bout Say(
        string who,
        string? outcome,
        string? zone = null,
        double? value = null,
        params (string Tag, string Value)[] tags
    )
    {
        _now += 1000;
        var tap = new RunEvent.Tap(
            NextId(),
            new Instant(_now),
            Given.Player(who.Length == 0 ? null : who),
            outcome,
            zone,
            tags.Length == 0 ? null : tags.ToDictionary(tag => tag.Tag, tag => tag.Value),
            value
        );
        var before = _live.Score.Snapshot(new Instant(_now));
        Assert.Null(_live.Add(tap));
        Why = TapWords.Explain(_live, tap, before, _live.Score.Snapshot(new Instant(_now)));
        return this;
    }

    /// <summary>Lets the clock run, and says what it calls for.</summary>
    internal Bout Wait(double seconds)
    {
        _now += (long)(seconds * 1000);
        foreach (var due in _live.Due(new Instant(_now)).ToArray())
        {
            _live.Add(due);
        }

        return this;
    }

    internal Bout Turn(string? unit = null)
    {
        _now += 1000;
        _live.Add(new RunEvent.Turn(NextId(), new Instant(_now), Given.Player(unit)));
        return this;
    }

    internal Bout Rotate(string? winner = null)
    {
        _now += 1000;
        _live.Add(new RunEvent.Rotate(NextId(), new Instant(_now), Given.Player(winner), null, null));
        return this;
    }
}
