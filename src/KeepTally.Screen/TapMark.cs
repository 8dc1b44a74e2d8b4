using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Tallies;

namespace KeepTally.Screen;

/// <summary>The consequence of a tap that has a sound of its own.</summary>
public static class TapMark
{
    /// <summary>win, best, gate, out, late or an empty text: the first of them that came about.</summary>
    /// <param name="result">What became of the tap.</param>
    /// <param name="was">The score before the tap.</param>
    /// <param name="now">The score after the tap.</param>
    /// <param name="before">The best its unit had reached before.</param>
    /// <param name="after">The best after the tap.</param>
    public static string Of(EventResult? result, ScoreSnapshot was, ScoreSnapshot now, BestKind before, BestKind after) =>
        result is not { } made ? ""
        : made.Kind is EventResultKind.Late or EventResultKind.Void ? "late"
        : made.Kind != EventResultKind.Counted || made.Unit < 0 || made.Unit >= was.Units.Count ? ""
        : was.Winner is null && now.Winner is not null ? "win"
        : after > before ? "best"
        : now.Units[made.Unit].Cleared > was.Units[made.Unit].Cleared ? "gate"
        : now.Units[made.Unit].Outs > was.Units[made.Unit].Outs ? "out"
        : "";
}
