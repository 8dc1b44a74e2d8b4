using System.Globalization;
using KeepTally.Core.Faults;
using KeepTally.Core.Measures;
using KeepTally.Store.People;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Paces;

/// <summary>A coach's own stride, walked once, and what they count distances in.</summary>
[ForAssistants]
public sealed class IndexModel(PaceBook book) : PageModel
{
    public Pacing Pacing { get; private set; }

    public bool IsWalked { get; private set; }

    /// <summary>The drill whose set-up sent the coach here, or empty.</summary>
    public string Back { get; private set; } = "";

    /// <summary>The text as it was typed.</summary>
    public string Length { get; private set; } = "";

    public string Paces { get; private set; } = "";

    public Fault? Fault { get; private set; }

    public Task OnGetAsync(string? back, CancellationToken cancellationToken) => LoadAsync(back, cancellationToken);

    public async Task<IActionResult> OnPostAsync(string? back, string? length, string? paces, CancellationToken cancellationToken)
    {
        (Length, Paces) = (length ?? "", paces ?? "");
        if (Measure.Parse(Length) is not { Unit: not LengthUnit.Paces } way)
        {
            Fault = new Fault("length", $"\"{Length}\" is no length", "write metres such as 20, or 60 ft, 20 yd");
        }
        else if (!double.TryParse(Paces.Replace(',', '.'), CultureInfo.InvariantCulture, out var count))
        {
            Fault = new Fault("paces", $"\"{Paces}\" is no number of paces", "count the paces and write a number such as 26");
        }
        else if (Stride.Walked(way.Metres(Stride.Usual), count) is { IsOk: true } walked)
        {
            await book.WalkedAsync(HttpContext.Caller()!, walked.Value, cancellationToken);
            return RedirectToPage(new { back });
        }
        else
        {
            Fault = Stride.Walked(way.Metres(Stride.Usual), count).Faults[0];
        }

        await LoadAsync(back, cancellationToken);
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    public async Task<IActionResult> OnPostUnitAsync(string? back, LengthUnit unit, CancellationToken cancellationToken)
    {
        if (!Enum.IsDefined(unit))
        {
            return BadRequest();
        }

        await book.CountsInAsync(HttpContext.Caller()!, unit, cancellationToken);
        return RedirectToPage(new { back });
    }

    private async Task LoadAsync(string? back, CancellationToken cancellationToken)
    {
        Back = back ?? "";
        (Pacing, IsWalked) = await book.OfAsync(HttpContext.Caller()!, cancellationToken);
    }
}
