using KeepTally.Core.Clock;
using KeepTally.Core.Json;

namespace KeepTally.Core.Rules.Endings;

internal static class EndingReader
{
    private static readonly string[] Kinds = ["points", "attempts", "successes", "streak", "outs", "taps", "seconds"];

    internal static Ending Read(JsonPlace place)
    {
        place.Only("points", "lead", "attempts", "successes", "streak", "outs", "taps", "seconds", "after");
        var kinds = Kinds.Where(kind => place.Find(kind) is not null).ToArray();
        if (kinds.Length != 1)
        {
            place.Wrong(
                kinds.Length == 0 ? "this says no condition" : "this says more than one condition",
                "write exactly one of " + string.Join(", ", Kinds) + " in each entry"
            );
            return new Ending.Taps(1);
        }

        Misplaced(place, "lead", kinds[0] == "points", "points");
        Misplaced(place, "after", kinds[0] == "seconds", "seconds");
        var value = place.Find(kinds[0])!.Value;
        return kinds[0] switch
        {
            "points" => new Ending.Points(value.Number(), place.Find("lead")?.Number(0, double.MaxValue) ?? 0),
            "attempts" => new Ending.Attempts(value.Whole(1)),
            "successes" => new Ending.Successes(value.Whole(1)),
            "streak" => new Ending.Streak(value.Whole(1)),
            "outs" => new Ending.Outs(value.Whole(1)),
            "taps" => new Ending.Taps(value.Whole(1)),
            _ => new Ending.Time(
                ClockReader.Span(value, 0.001),
                place.Find("after")?.OneOf(("cut", AtTheHorn.Cut), ("finish", AtTheHorn.Finish)) ?? AtTheHorn.Cut
            ),
        };
    }

    private static void Misplaced(JsonPlace place, string name, bool allowed, string with)
    {
        if (!allowed)
        {
            place.Find(name)?.Wrong($"this only goes with {with}", $"take it out, or put it beside {with}");
        }
    }
}
