using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;

namespace KeepTally.Screen;

/// <summary>Puts what of a tap can be put right into what buttons say.</summary>
public static class AmendFace
{
    /// <summary>Null where there is no such tap on the sheet, or it was taken back.</summary>
    public static AmendView? Of(SheetId id, Sheet live, EventId of)
    {
        if (live.Log.Read(of) is not RunEvent.Tap tap || live.ResultOf(of) is not { } result)
        {
            return null;
        }

        var unit = result.Unit >= 0 ? live.Units[result.Unit].Id : tap.Unit;
        return new AmendView(
            EventLines.Of(id, live, tap, false, "")!.Text,
            result.Kind == EventResultKind.Late,
            live.Units.Count < 2
                ? []
                : [.. live.Units.Select(each => new PickView(each.Id.Value, live.CallNameOf(each.Id), each.Id == unit))],
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
                : [.. targets.Names.Append(Targets.None).Select(zone => new PickView(zone, NameOf(zone), zone == tap.Zone))]
        );
    }

    private static string NameOf(string zone) => zone == Targets.None ? "elsewhere" : Phrase.Words(zone);
}
