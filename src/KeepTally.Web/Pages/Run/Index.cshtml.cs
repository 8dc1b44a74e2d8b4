using KeepTally.Core.Live;
using KeepTally.Store.Practices;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;

namespace KeepTally.Web.Pages.Run;

/// <summary>The run screen: laid out and filled once here; from then on the core in the browser does.</summary>
[Authorize(Policies.Practice)]
public sealed class IndexModel(PracticeBook book, RunStore runStore, TimeProvider clock) : LivePageModel(book, runStore, clock)
{
    public IReadOnlyList<DrillPad> Drills { get; private set; } = [];

    protected override bool TellsLimits => true;

    protected override void LayOut(LivePractice live) =>
        Drills = [
            .. live.Runs.Select(
                (run, index) =>
                    DrillPad.Of(index, run.Name, Blocks[index].Minutes, run.Sheets) with
                    {
                        Now = index == View.Block ? View.Run : null,
                        Unreadable = Unreadable,
                    }
            ),
        ];
}
