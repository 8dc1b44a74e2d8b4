using KeepTally.Core.Sheets;

namespace KeepTally.Browser;

/// <summary>The last taps of a drill over all its sheets, the latest first, each with what it takes to undo it.</summary>
internal static class TapList
{
    private const int Shown = 12;

    internal static IReadOnlyList<TapView> Of(LiveRun run) =>
        [
            .. run
                .Sheets.SelectMany(each => Recent(each.Id, each.Sheet))
                .OrderByDescending(each => each.At)
                .ThenByDescending(each => each.View.N)
                .Take(Shown)
                .Select(each => each.View),
        ];

    private static List<(long At, TapView View)> Recent(string id, LiveSheet live)
    {
        var undone = live.Log.Undone();
        var taps = new List<(long At, TapView View)>();
        for (var i = live.Log.Events.Count - 1; i >= 0 && taps.Count < Shown; i--)
        {
            if (live.Log.Events[i] is RunEvent.Tap tap)
            {
                taps.Add((tap.At, View(id, live, tap, undone.Contains(tap.Id))));
            }
        }

        return taps;
    }

    private static TapView View(string id, LiveSheet live, RunEvent.Tap tap, bool undone)
    {
        var name = live.Head.Units.FirstOrDefault(unit => unit.Id == tap.Unit)?.Name;
        var outcome = live.Stage.Outcomes.FirstOrDefault(each => each.Id == tap.Outcome)?.Label ?? tap.Zone;
        return new TapView(
            id,
            tap.Id.Device,
            tap.Id.N,
            name is null ? $"{outcome}" : $"{PadFace.FirstName(name)} · {outcome}",
            undone,
            live.VerdictOn(tap.Id)?.Kind switch
            {
                VerdictKind.Late => "late, not counted",
                VerdictKind.Void => "void, not counted",
                _ => "",
            }
        );
    }
}
