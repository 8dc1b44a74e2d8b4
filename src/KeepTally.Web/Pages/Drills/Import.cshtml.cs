using KeepTally.Core.Faults;
using KeepTally.Store.Book;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Drills;

/// <summary>Brings a card or a whole book in from a file or a pasted text: all of it, or nothing and every fault.</summary>
public sealed class ImportModel(CardWriter writer) : PageModel
{
    private const long LargestBytes = 4_000_000;

    public string Text { get; private set; } = "";

    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    public IReadOnlyList<SavedCard> Taken { get; private set; } = [];

    public void OnGet() { }

    public async Task OnPostAsync(IFormFile? file, string? text, CancellationToken cancellationToken)
    {
        if (file is { Length: > LargestBytes })
        {
            Faults =
            [
                new Fault(file.FileName, "the file is larger than 4 MB", "a book of cards is far smaller: check what it holds"),
            ];
            return;
        }

        if (file is { Length: > 0 })
        {
            using var reader = new StreamReader(file.OpenReadStream());
            Text = await reader.ReadToEndAsync(cancellationToken);
        }
        else
        {
            Text = text ?? "";
        }

        if (string.IsNullOrWhiteSpace(Text))
        {
            Faults = [new Fault("", "there is nothing to read", "choose a file, or paste the text of a card")];
            return;
        }

        var taken = await writer.ImportAsync(Text, cancellationToken);
        (Taken, Faults) = (taken.Value ?? [], taken.Faults);
    }
}
