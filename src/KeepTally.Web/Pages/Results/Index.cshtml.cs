using KeepTally.Store.Practices;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Results;

/// <summary>The practices that were run, the latest first.</summary>
public sealed class IndexModel(PracticeBook book) : PageModel
{
    public IReadOnlyList<BegunPractice> Practices { get; private set; } = [];

    public async Task OnGetAsync(CancellationToken cancellationToken) => Practices = await book.BegunAsync(cancellationToken);
}
