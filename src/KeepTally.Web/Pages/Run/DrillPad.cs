using KeepTally.Core.Cards;
using KeepTally.Core.Sheets;

namespace KeepTally.Web.Pages.Run;

/// <summary>The pad of one drill.</summary>
/// <param name="ByGroup">A phone shows one group at a time.</param>
public sealed record DrillPad(
    int Index,
    string Name,
    double Minutes,
    Stage Stage,
    IReadOnlyList<Caution> Cautions,
    IReadOnlyList<SheetPad> Sheets,
    bool ByGroup
)
{
    /// <summary>Up to so many lines of the pad stand on a phone together; with more, a group at a time is shown.</summary>
    private const int MostRowsTogether = 4;

    public bool InTurns => Stage.Play == Play.Turns;

    public bool IsMatch => Stage.Play == Play.Match;

    public static DrillPad Of(
        int index,
        string name,
        double minutes,
        IReadOnlyList<(string Id, string Name, LiveSheet Live)> sheets
    )
    {
        var pads = sheets.Select((sheet, order) => SheetPad.Of(order, sheet.Id, sheet.Name, sheet.Live)).ToArray();
        return new DrillPad(
            index,
            name,
            minutes,
            sheets[0].Live.Stage,
            sheets[0].Live.Card.Cautions,
            pads,
            pads.Length > 1 && pads.Sum(pad => pad.Rows) > MostRowsTogether
        );
    }
}

/// <param name="Rows">How many units can be tapped at a time.</param>
/// <param name="People">How many people stand at places; 0 where nobody moves.</param>
/// <param name="Members">For each unit, its players' first names.</param>
public sealed record SheetPad(int Order, string Id, string Name, int Rows, int People, IReadOnlyList<string> Members)
{
    internal static SheetPad Of(int order, string id, string name, LiveSheet live) =>
        new(
            order,
            id,
            name,
            ScoringSlots.Count(live.Stage, live.Head.Units.Count),
            live.Stage.Moves.Count == 0 ? 0 : live.Head.Units.Sum(unit => unit.People.Count()),
            [.. live.Head.Units.Select(unit => string.Join(", ", unit.Players.Select(player => player.Name.Split(' ')[0])))]
        );
}
