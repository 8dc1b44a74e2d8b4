using KeepTally.Store.Book;
using KeepTally.Store.People;
using KeepTally.Web.Access;
using KeepTally.Web.Drawing;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.SetUp;

/// <summary>How a drill is set up: the picture to scale, one rep that can be played, and the walk with an armful of cones.</summary>
public sealed class IndexModel(DrillBook book, PaceBook paces) : PageModel
{
    public required SetUpViewModel SetUp { get; set; }

    public string Id { get; private set; } = "";

    /// <summary>Whether the paces are the reader's own.</summary>
    public bool IsWalked { get; private set; }

    /// <summary>Cards are the head coach's to change.</summary>
    public bool MayDraw => HttpContext.Caller()!.Kind == CallerKind.Head;

    /// <summary>Whether the reader has an account in which their pace is kept.</summary>
    public bool MayCalibrate => HttpContext.Caller()!.IsCoach;

    public async Task<IActionResult> OnGetAsync(string id, int? way, CancellationToken cancellationToken) =>
        await LoadAsync(id, way, cancellationToken) ? Page() : NotFound();

    /// <summary>The picture of the rep, as a file.</summary>
    public async Task<IActionResult> OnGetSvgAsync(string id, int? way, CancellationToken cancellationToken) =>
        await LoadAsync(id, way, cancellationToken) && SetUp.Drawing is { } drawing
            ? File(SceneFile.Of(drawing.Rep()), "image/svg+xml", $"{id}{(way is null ? "" : $"-{way}")}.svg")
            : NotFound();

    private async Task<bool> LoadAsync(string id, int? way, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, null, cancellationToken) is not { } page)
        {
            return false;
        }

        var (pacing, walked) = await paces.OfAsync(HttpContext.Caller()!, cancellationToken);
        (Id, IsWalked, SetUp) = (page.Row.Id, walked, SetUpViewModel.Of(page.Card, way, "rep", pacing));
        return true;
    }
}
