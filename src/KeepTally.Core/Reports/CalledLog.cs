using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;

namespace KeepTally.Core.Reports;

/// <summary>How a unit did at one of the moves that were called for.</summary>
/// <param name="Unit">The id of the unit.</param>
/// <param name="Move">The move, as the card names it.</param>
/// <param name="Goes">Counted taps while it was called, neutral ones too.</param>
/// <param name="Made">How many of them were successes.</param>
public sealed record CalledRow(PlayerId Unit, string Move, int Goes, int Made);

/// <summary>Reads from a sheet which move was called for at each go, as the pad named it. Source: docs/formats.md, section 1, "Stage".</summary>
internal static class CalledLog
{
    /// <summary>Returns a row for each unit and each move that unit was called for, units in the order of the sheet; none where nothing is called.</summary>
    /// <param name="live">The sheet as it was replayed.</param>
    /// <param name="sheet">What the sheet is known by; null where nobody knows any more, so that a random order cannot be told.</param>
    internal static IReadOnlyList<CalledRow> Of(Sheet live, SheetId? sheet)
    {
        if (live.Stage.Asks is not { } asks || (asks.AtRandom && sheet is null))
        {
            return [];
        }

        var match = live.Stage.Play == Play.Match;
        var goes = new List<(PlayerId Unit, string Move, bool Made)>();
        foreach (var step in TapStep.Of(live))
        {
            for (var i = 0; i < step.Before.Units.Count; i++)
            {
                var (was, now) = (step.Before.Units[i], step.After.Units[i]);
                if (now.Taps <= was.Taps)
                {
                    continue;
                }

                var unit = step.Units[i].Id;
                var taps = match ? step.Before.Units.Sum(each => each.Taps) : was.Taps;
                goes.Add(
                    (unit, asks.After(taps, live.Head.Seed, match ? $"{sheet}/" : $"{sheet}/{unit}"), now.Successes > was.Successes)
                );
            }
        }

        return
        [
            .. live.Units.SelectMany(unit =>
                asks.Moves.Distinct()
                    .Select(move =>
                        goes.Where(go => go.Unit == unit.Id && go.Move == move).ToArray() is { Length: > 0 } these
                            ? new CalledRow(unit.Id, move, these.Length, these.Count(go => go.Made))
                            : null
                    )
                    .OfType<CalledRow>()
            ),
        ];
    }
}
