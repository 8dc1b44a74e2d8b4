using KeepTally.Core.Live;
using KeepTally.Screen;
using KeepTally.Screen.Views;
using KeepTally.Store.People;
using KeepTally.Store.Practices;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Pages.Run;
using Microsoft.AspNetCore.Authorization;

namespace KeepTally.Web.Pages.Board;

/// <summary>The board the players see: the clock, who is where, and who goes where next. It says nothing itself.</summary>
[Authorize(Policies.Board)]
public sealed class IndexModel(PracticeBook book, RunStore runStore, DoorBook doors, PracticeClock clock)
    : LivePageModel(book, runStore, clock)
{
    public string Drill { get; private set; } = "";

    public IReadOnlyList<BoardView> Boards { get; private set; } = [];

    /// <summary>Whether the coach hides scores and who leads.</summary>
    public bool HidesScores { get; private set; }

    protected override async Task<bool> HidesScoresAsync(Practice practice, CancellationToken cancellationToken) =>
        HidesScores = await doors.HidesScoresAsync(practice.Id, cancellationToken);

    protected override Task LayOutAsync(LivePractice live, CancellationToken cancellationToken)
    {
        Drill = View.Over ? "" : live.Runs[View.Block].Name;
        Boards = new BoardPresenter(live, !HidesScores).At(Origin.InstantAt(Now));
        return Task.CompletedTask;
    }
}
