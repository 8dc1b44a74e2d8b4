using KeepTally.Core.Faults;
using KeepTally.Store.Book;
using KeepTally.Store.Files;
using KeepTally.Web.Access;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Drills;

/// <summary>Brings a card or a whole book in from a file or a pasted text: all of it, or nothing and every fault.</summary>
[Authorize(Policies.Head)]
public sealed class ImportModel(CardWriter writer, OneAtATime work) : PageModel
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
            Refuse(new Fault(file.FileName, "the file is larger than 4 MB", "a book of cards is far smaller: check what it holds"));
            return;
        }

        using var turn = await work.EnterAsync(cancellationToken);
        if (file is { Length: > 0 })
        {
            using var bytes = new MemoryStream();
            await file.CopyToAsync(bytes, cancellationToken);
            var read = FileText.Read(bytes.ToArray(), "utf-8");
            if (!read.IsOk)
            {
                Refuse(read.Faults[0] with { Fix = "save the file as UTF-8" });
                return;
            }

            Text = read.Value;
        }
        else
        {
            Text = text ?? "";
        }

        if (string.IsNullOrWhiteSpace(Text))
        {
            Refuse(new Fault("", "there is nothing to read", "choose a file, or paste the text of a card"));
            return;
        }

        var taken = await writer.ImportAsync(Text, cancellationToken);
        Taken = taken.Value ?? [];
        if (!taken.IsOk)
        {
            Refuse([.. taken.Faults]);
        }
    }

    private void Refuse(params Fault[] faults)
    {
        Faults = faults;
        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
    }
}
