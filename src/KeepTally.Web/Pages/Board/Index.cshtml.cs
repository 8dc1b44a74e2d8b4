using KeepTally.Core.Live;
using KeepTally.Screen;
using KeepTally.Store.Practices;
using KeepTally.Web.Access;
using KeepTally.Web.Pages.Run;
using Microsoft.AspNetCore.Authorization;

namespace KeepTally.Web.Pages.Board;

/// <summary>The board the players see: the clock, who is where, and who goes where next. It says nothing itself.</summary>
[Authorize(Policies.Board)]
public sealed class IndexModel(PracticeBook book, RunStore runStore, PracticeClock clock) : LivePageModel(book, runStore, clock)
{
    public string Drill { get; private set; } = "";

    public IReadOnlyList<BoardView> Boards { get; private set; } = [];

    protected override Task LayOutAsync(LivePractice live, CancellationToken cancellationToken)
    {
        Drill = View.Over ? "" : live.Runs[View.Block].Name;
        Boards = BoardPresenter.Of(live, Origin.InstantAt(Now));
        return Task.CompletedTask;
    }
}
