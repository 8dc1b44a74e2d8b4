using KeepTally.Core.Cards;
using KeepTally.Core.Live;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.Text;
using KeepTally.Core.Training;
using KeepTally.Screen.Views;

namespace KeepTally.Screen;

/// <summary>Puts what happens in a simulated drill into what the person training sees of it.</summary>
public static class ShownPresenter
{
    public static ShownView Of(Sheet sheet, Shown shown)
    {
        var outcome = sheet.Stage.Outcomes.FirstOrDefault(each => each.Id == shown.What.Outcome);
        var zone = shown.What.Zone;
        return new ShownView(
            shown.At.Milliseconds,
            shown.What.Unit is { } unit ? sheet.CallNameOf(unit) : "",
            outcome?.Label ?? (zone is null or Targets.None ? "Elsewhere" : Phrase.Capital(Phrase.Words(zone))),
            zone ?? "",
            outcome?.Result switch
            {
                OutcomeResult.Success => "made",
                OutcomeResult.Failure => "missed",
                _ => zone == Targets.None ? "missed" : "other",
            }
        );
    }
}
