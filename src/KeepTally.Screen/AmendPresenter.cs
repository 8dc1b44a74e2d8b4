using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Tagging;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>Puts what of a tap can be put right into what buttons say.</summary>
public static class AmendPresenter
{
    /// <summary>Null where there is no such tap on the sheet, or it was taken back.</summary>
    public static AmendView? Of(LivePractice practice, SheetId id, EventId of)
    {
        if (practice.Find(id) is not { } live || live.Log.Read(of) is not RunEvent.Tap tap || live.ResultOf(of) is not { } result)
        {
            return null;
        }

        var unit = result.Unit >= 0 ? live.Units[result.Unit].Id : tap.Unit;
        return new AmendView(
            EventLines.Of(id, live, tap, false, "")!.Text,
            result.Kind == EventResultKind.Late,
            UnitsOf(practice.AlikeOf(id), id, unit),
            live.Stage.Outcomes.FirstOrDefault(each => each.Id == tap.Outcome) is not { Job: null }
                ? []
                :
                [
                    .. live
                        .Stage.Outcomes.Where(each => each.Job is null)
                        .Select(each => new PickView(each.Id, each.Label, each.Id == tap.Outcome)),
                ],
            tap.Zone is null || live.Stage.Targets is not { } targets
                ? []
                : [.. targets.Names.Append(Targets.None).Select(zone => new PickView(zone, NameOf(zone), zone == tap.Zone))],
            [
                .. live.Stage.Tags.Select(kind => new TagPickView(
                    kind.Id,
                    kind.Label,
                    [
                        .. kind.Values.Select(value => new PickView(
                            value.Key,
                            value.Value,
                            tap.Tags?.GetValueOrDefault(kind.Id) == value.Key
                        )),
                    ]
                )),
            ]
        );
    }

    /// <summary>The units a tap may belong to: those of the sheet first, then those of the other groups.</summary>
    private static PickView[] UnitsOf(IReadOnlyList<RunSheet> sheets, SheetId id, PlayerId? unit)
    {
        PickView[] picks =
        [
            .. sheets
                .OrderBy(each => each.Id != id)
                .SelectMany(each =>
                    each.Sheet.Units.Select(one => new PickView(
                        one.Id.Value,
                        each.Id == id || each.Name.Length == 0
                            ? each.Sheet.CallNameOf(one.Id)
                            : $"{each.Name} {each.Sheet.CallNameOf(one.Id)}",
                        each.Id == id && one.Id == unit
                    ))
                )
                .DistinctBy(pick => pick.Id),
        ];
        return picks.Length < 2 ? [] : picks;
    }

    private static string NameOf(string zone) => zone == Targets.None ? "elsewhere" : Phrase.Words(zone);
}
