using KeepTally.Core.Faults;
using KeepTally.Core.Text;
using KeepTally.Store.Files;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Squad;

/// <summary>Imports a list of players: first a preview of what it would bring, then the good rows of it.</summary>
[Authorize(Policies.Head)]
public sealed class ImportModel(SquadBook squad, LastImport last, AuditTrail trail, TimeProvider clock) : PageModel
{
    private const int Samples = 3;

    /// <summary>What a column can be said to hold, in words.</summary>
    public static IReadOnlyList<(SquadField Field, string Words)> Fields { get; } =
    [
        (SquadField.Unused, "not used"),
        (SquadField.Name, "name"),
        (SquadField.FirstName, "first name"),
        (SquadField.LastName, "last name"),
        (SquadField.Number, "shirt number"),
        (SquadField.BirthYear, "year or date of birth"),
        (SquadField.Positions, "positions"),
        (SquadField.Hand, "hand"),
        (SquadField.Notes, "notes"),
    ];

    private SquadList _list = new(new Grid([]), "");

    /// <summary>The team the list is for; the first where none is named.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Team { get; set; }

    public string Text { get; private set; } = "";

    public SquadPreview? Preview { get; private set; }

    /// <summary>The file was not written in UTF-8 and is read as Western European: whether that is right the names show.</summary>
    public bool IsWestern => _list.IsWestern;

    /// <summary>What the columns hold; null where it is a mere list of names, or cannot be read.</summary>
    public SquadColumns? Columns { get; private set; }

    /// <summary>The heading of a column, or which one it is.</summary>
    public string HeadingOf(int column) =>
        Columns!.HasHeadings && _list.Grid.Rows[0][column].Length > 0 ? _list.Grid.Rows[0][column] : $"Column {column + 1}";

    /// <summary>The first few texts of a column.</summary>
    public string SampleOf(int column) =>
        string.Join(
            ", ",
            _list
                .Grid.Rows.Skip(Columns!.HasHeadings ? 1 : 0)
                .Select(row => row[column])
                .Where(cell => cell.Length > 0)
                .Take(Samples)
        );

    public void OnGet() { }

    /// <param name="file">The file, where one was chosen.</param>
    /// <param name="text">The text pasted in its place.</param>
    /// <param name="way">The encoding of the file, one of <see cref="FileText.Ways"/>; found out where it is left out.</param>
    /// <param name="field">What each column holds; guessed where it is left out.</param>
    /// <param name="headings">Whether the first row holds headings.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task OnPostAsync(
        IFormFile? file,
        string? text,
        string? way,
        SquadField[] field,
        bool headings,
        CancellationToken cancellationToken
    )
    {
        Text = text ?? "";
        var read = file is { Length: > 0 } ? await ListOfAsync(file, way ?? "", cancellationToken) : SquadList.OfText(Text);
        await LookAsync(read, grid => field.Length == grid.Width ? new SquadColumns(field, headings) : null, cancellationToken);
        Response.StatusCode = Preview!.Wrong.Count > 0 ? StatusCodes.Status422UnprocessableEntity : StatusCodes.Status200OK;
    }

    /// <summary>Takes the good rows of what was shown.</summary>
    /// <param name="text">The list.</param>
    /// <param name="columns">What its columns hold.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<IActionResult> OnPostTakeAsync(string? text, string? columns, CancellationToken cancellationToken)
    {
        Text = text ?? "";
        await LookAsync(SquadList.OfText(Text), grid => SquadColumns.Read(columns, grid.Width), cancellationToken);
        SquadRow[] rows = [.. Preview!.Rows.Where(row => row.Changes)];
        if (rows.Length == 0)
        {
            Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
            return Page();
        }

        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        last.Put(team.Id, await squad.TakeAsync(team.Id, rows, cancellationToken));
        if (Columns is { } taken)
        {
            ColumnMemory.Remember(HttpContext, _list.Grid, taken);
        }

        await trail.AddAsync(
            AuditAct.Correction,
            $"Imported players into the squad of {team.Name}: {rows.Length} rows",
            cancellationToken
        );
        return RedirectToPage("/Squad/Index", new { Team });
    }

    /// <summary>The effect of a row on the squad, in words.</summary>
    public static string Does(SquadRow row) =>
        row switch
        {
            { Known: null } => "new",
            { Known: { Archived: true } left } => $"{left.Name} comes back",
            { Changes: false } => "no change",
            { Known: var known } => $"changes {known.Name}",
        };

    /// <summary>"Three new, one changed, two without a change."</summary>
    public static string InShort(SquadPreview preview)
    {
        var (added, changed) = (
            preview.Rows.Count(row => row.Known is null),
            preview.Rows.Count(row => row.Known is not null && row.Changes)
        );
        string[] parts =
        [
            added > 0 ? $"{Phrase.Count(added)} new" : "",
            changed > 0 ? $"{Phrase.Count(changed)} changed" : "",
            preview.Rows.Count > added + changed ? $"{Phrase.Count(preview.Rows.Count - added - changed)} without a change" : "",
        ];
        return Phrase.Sentence(string.Join(", ", parts.Where(part => part.Length > 0)));
    }

    private static async Task<Result<SquadList>> ListOfAsync(IFormFile file, string way, CancellationToken cancellationToken)
    {
        if (file.Length > SquadList.LargestBytes)
        {
            return Result.Fail<SquadList>(
                new Fault("file", "the file is larger than 1 MB", "a squad is far smaller, so check what it holds")
            );
        }

        using var bytes = new MemoryStream();
        await file.CopyToAsync(bytes, cancellationToken);
        return SquadList.OfFile(bytes.ToArray(), way);
    }

    /// <param name="read">The list.</param>
    /// <param name="told">What the coach says its columns hold; null where nothing was said of this list.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    private async Task LookAsync(Result<SquadList> read, Func<Grid, SquadColumns?> told, CancellationToken cancellationToken)
    {
        if (!read.IsOk)
        {
            Preview = new SquadPreview([], [SquadFault.Of(read.Faults[0])]);
            return;
        }

        (_list, Text) = (read.Value, read.Value.Text);
        var team = await squad.TeamAsync(HttpContext.ChosenTeam(Team), cancellationToken);
        Player[] known =
        [
            .. await squad.ListAsync(team.Id, cancellationToken),
            .. await squad.FormerAsync(team.Id, cancellationToken),
        ];
        (Columns, Preview) = _list.Look(
            told(_list.Grid) ?? ColumnMemory.Of(HttpContext, _list.Grid),
            known,
            clock.GetLocalNow().Year
        );
    }
}
