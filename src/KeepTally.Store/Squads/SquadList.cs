using KeepTally.Core.Faults;
using KeepTally.Store.Files;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Squads;

/// <summary>A list of players as a club has it: a spreadsheet, a CSV file, names copied from a message.</summary>
/// <param name="Grid">The list as a table.</param>
/// <param name="Text">The list as text, each row on its line.</param>
/// <param name="IsWestern">It was not written in UTF-8, and was read as Western European: whether that is right its names show.</param>
public sealed record SquadList(Grid Grid, string Text, bool IsWestern = false)
{
    /// <summary>The largest file that is read, in bytes.</summary>
    public const long LargestBytes = 1_000_000;

    private const string Western = "windows-1252";

    /// <summary>Reads a list from text.</summary>
    public static Result<SquadList> OfText(string text)
    {
        var grid = GridText.Read(text, SquadImport.MostRows);
        return grid.IsOk ? Result.Ok(new SquadList(grid.Value, text)) : Result.Fail<SquadList>(grid.Faults[0]);
    }

    /// <summary>Reads a list from a file.</summary>
    /// <param name="file">Its content, at most <see cref="LargestBytes"/>.</param>
    /// <param name="way">The encoding of a text file, one of <see cref="FileText.Ways"/>; empty where it is to be found out.</param>
    public static Result<SquadList> OfFile(byte[] file, string way)
    {
        if (Workbook.Is(file))
        {
            var book = Workbook.Read(file, SquadImport.MostRows);
            return book.IsOk
                ? Result.Ok(new SquadList(book.Value, GridText.Write(book.Value)))
                : Result.Fail<SquadList>(book.Faults[0]);
        }

        var read = FileText.Read(file, way);
        if (read.IsOk)
        {
            return OfText(read.Value);
        }

        return
            way.Length == 0
            && FileText.Read(file, Western) is { IsOk: true } western
            && OfText(western.Value) is { IsOk: true } list
            ? Result.Ok(list.Value with { IsWestern = true })
            : Result.Fail<SquadList>(read.Faults[0]);
    }

    /// <summary>What the list would bring.</summary>
    /// <param name="told">What its columns hold, by the coach; null to find out.</param>
    /// <param name="known">Who is in the squad, and who left it.</param>
    /// <param name="year">The current year.</param>
    /// <returns>What the columns hold, null where it is a mere list of names; and its rows.</returns>
    public (SquadColumns? Columns, SquadPreview Preview) Look(SquadColumns? told, IReadOnlyList<Player> known, int year)
    {
        var columns = told ?? SquadColumns.Guess(Grid, year);
        var isNames = told is null && !columns.HasHeadings && (SquadImport.IsNames(Grid, columns) || SquadNames.IsChat(Text));
        var preview = isNames ? SquadNames.Read(Text, known) : SquadImport.Read(Grid, columns, known, year);
        return (
            isNames ? null : columns,
            preview.Rows.Count + preview.Wrong.Count > 0
                ? preview
                : new SquadPreview([], [new SquadFault(1, "there is no player in it")])
        );
    }
}
