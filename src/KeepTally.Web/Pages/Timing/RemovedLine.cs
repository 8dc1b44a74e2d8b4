using KeepTally.Core.Planning;
using KeepTally.Store.Planning;

namespace KeepTally.Web.Pages.Timing;

/// <summary>A line that was removed from a plan.</summary>
/// <param name="Name">The name of the line.</param>
/// <param name="Index">Where it stood.</param>
/// <param name="Block">A plan of that line alone, as text.</param>
public sealed record RemovedLine(string Name, int Index, string Block)
{
    internal static RemovedLine Of(OpenPlan open, int index) =>
        new(
            open.Shelf.NameOf(open.Plan.Blocks[index]),
            index,
            PlanWriter.Write(open.Plan with { Blocks = [open.Plan.Blocks[index]] })
        );
}
