using KeepTally.Core.Cards;
using KeepTally.Core.Sheets;
using KeepTally.Core.Words;

namespace KeepTally.Browser;

/// <summary>The last taps and moves of a drill over all its sheets, the latest first, each with what it takes to undo it.</summary>
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
        var taps = new List<(long At, TapView View)>();
        for (var i = live.Log.Events.Count - 1; i >= 0 && taps.Count < Shown; i--)
        {
            switch (live.Log.Events[i])
            {
                case RunEvent.Tap tap:
                    taps.Add((tap.At, View(id, live, tap, live.Log.IsUndone(tap.Id))));
                    break;
                case RunEvent.Sub sub:
                    taps.Add((sub.At, View(id, live, sub, live.Log.IsUndone(sub.Id))));
                    break;
                case RunEvent.Rotate rotate:
                    taps.Add((rotate.At, View(id, live, rotate, live.Log.IsUndone(rotate.Id))));
                    break;
            }
        }

        return taps;
    }

    private static TapView View(string id, LiveSheet live, RunEvent.Rotate rotate, bool undone) =>
        new(
            id,
            rotate.Id.Device,
            rotate.Id.N,
            live.Head.Units[0].Players.Count == 0 ? $"{live.CallNameOf(live.Head.Units[0].Id)}'s group · moved on"
                : live.Head.Units.Count == 1 ? $"{live.Head.Units[0].Name} · moved on"
                : "Places moved on",
            undone,
            true,
            ""
        );

    private static TapView View(string id, LiveSheet live, RunEvent.Sub sub, bool undone)
    {
        var (off, on) = (First(sub.Out), First(sub.In));
        var text = (off, on) switch
        {
            (not null, not null) => $"{on} in for {off}",
            (not null, null) => $"{off} off",
            _ => $"{on} in",
        };
        return new TapView(id, sub.Id.Device, sub.Id.N, text, undone, false, "");

        string? First(string? player) => player is null ? null : live.CallNameOf(player);
    }

    private static string Where(string? zone) => zone is null or Targets.None ? "elsewhere" : Phrase.Words(zone);

    private static TapView View(string id, LiveSheet live, RunEvent.Tap tap, bool undone)
    {
        var name = live.Units.Any(unit => unit.Id == tap.Unit) ? live.CallNameOf(tap.Unit!) : null;
        var outcome = live.Stage.Outcomes.FirstOrDefault(each => each.Id == tap.Outcome)?.Label ?? Where(tap.Zone);
        var more = string.Join(
            ", ",
            (tap.Tags ?? new Dictionary<string, string>())
                .Select(tag => Phrase.Words(tag.Value))
                .Concat(tap.Value is { } value ? [Phrase.Figure(value)] : [])
        );
        return new TapView(
            id,
            tap.Id.Device,
            tap.Id.N,
            (name is null ? $"{outcome}" : $"{name} · {outcome}") + (more.Length > 0 ? $" ({more})" : ""),
            undone,
            false,
            live.VerdictOn(tap.Id)?.Kind switch
            {
                VerdictKind.Late => "late, not counted",
                VerdictKind.Void => "void, not counted",
                _ => "",
            }
        );
    }
}
