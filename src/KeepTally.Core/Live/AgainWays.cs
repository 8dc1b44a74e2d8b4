using KeepTally.Core.Cards;
using KeepTally.Core.Places;
using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>How a sheet that is played out can be played again.</summary>
/// <param name="Same">As it stands: a rematch, or the same again.</param>
/// <param name="Ends">Sides change ends first.</param>
/// <param name="Moves">Those who wait come on first.</param>
public readonly record struct AgainWays(bool Same, bool Ends, bool Moves)
{
    /// <summary>The ways at a moment; none while it is not played out.</summary>
    public static AgainWays Of(LiveRun run, RunSheet sheet, Instant at)
    {
        if (run.AgainWith(sheet.Id, at).Count == 0)
        {
            return default;
        }

        var stage = sheet.Sheet.Stage;
        var isMatch = stage.Play == Play.Match;
        return new AgainWays(true, isMatch, isMatch && stage.Moves.Count > 0 && PlayerWaits(sheet.Sheet));
    }

    private static bool PlayerWaits(Sheet sheet) =>
        sheet.Stage.Places.Any(place => place.Kind == PlaceKind.Line && sheet.Floor.Now.At(place.Id).Count > 0);
}
