using KeepTally.Core.Json;

namespace KeepTally.Core.Rules.Ladders;

/// <summary>Reads a ladder from a card. Source: docs/formats.md, section 1, "Ladder".</summary>
internal static class LadderReader
{
    private static readonly Choices<WindowShort> Fails = new(
        "fail",
        ("retry", WindowShort.Retry, "the same step again"),
        ("back", WindowShort.Back, "one step back"),
        ("first", WindowShort.First, "back to the first"),
        ("out", WindowShort.Out, "an out")
    );

    private static readonly Choices<WindowStop> Stops = new(
        "stop",
        ("none", WindowStop.None, "after all its goes"),
        ("fail", WindowStop.Fail, "as soon as it can no longer be passed"),
        ("pass", WindowStop.Pass, "as soon as it is passed"),
        ("both", WindowStop.Both, "as soon as it is decided")
    );

    internal static IReadOnlyList<Choices> Choices { get; } = [Fails, Stops];

    internal static IReadOnlyList<(string Name, Schema Schema)> Definitions { get; } =
    [("pass", LadderSchema.PassOf(Stops)), ("ladder", LadderSchema.Of(Fails))];

    internal static Ladder Read(JsonPlace place)
    {
        place.Only("rungs", "laps", "pass", "fail");
        return new Ladder(
            place.Need("rungs", "a list of names, or start and step") is { } rungs ? Rungs(rungs) : new Rungs.Named(["?"]),
            place.Find("laps")?.Whole(1, 1000) ?? 1,
            place.Need("pass", "what clears a rung") is { } pass ? PassOf(pass) : new Pass.Makes(1),
            Fails.ReadFrom(place)
        );
    }

    private static Rungs Rungs(JsonPlace place)
    {
        if (place.IsArray)
        {
            var names = place.Items().Select(item => item.Text()).ToArray();
            if (names.Length == 0)
            {
                place.Wrong("the list is empty", "write at least one rung");
            }

            return new Rungs.Named(names);
        }

        place.Only("start", "step", "unit", "count");
        return new Rungs.Distances(
            place.Need("start", "the first distance")?.Number() ?? 0,
            place.Need("step", "how much each rung adds")?.Number() ?? 1,
            place.TextOr("unit", "m"),
            place.Find("count")?.Whole(1, 1000)
        );
    }

    private static Pass PassOf(JsonPlace place)
    {
        place.Only("successes", "of", "stop", "streak");
        if (place.Find("streak") is { } streak)
        {
            foreach (var name in new[] { "successes", "of", "stop" })
            {
                place.Find(name)?.Wrong("this does not go with streak", "remove it, or remove streak");
            }

            return new Pass.InARow(streak.Whole(1));
        }

        var makes = place.Need("successes", "how many successes clear the rung")?.Whole(1) ?? 1;
        if (place.Find("of") is not { } window)
        {
            place.Find("stop")?.Wrong("this only goes with a window", "write of: how many attempts the window has");
            return new Pass.Makes(makes);
        }

        var of = window.Whole(1);
        if (makes > of)
        {
            window.Wrong($"{makes} of {of} can never be reached", "write a window at least as long as its successes");
        }

        return new Pass.Window(makes, of, Stops.ReadFrom(place));
    }
}
