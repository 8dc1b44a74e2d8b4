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

    private bool _hidesScores;

    protected override async Task<bool> HidesScoresAsync(Practice practice, CancellationToken cancellationToken) =>
        _hidesScores = await doors.OfAsync(practice.Id, cancellationToken) is { HidesScores: true };

    protected override Task LayOutAsync(LivePractice live, CancellationToken cancellationToken)
    {
        Drill = View.Over ? "" : live.Runs[View.Block].Name;
        Boards = new BoardPresenter(live, !_hidesScores).At(Origin.InstantAt(Now));
        return Task.CompletedTask;
    }
}
