namespace KeepTally.Store.Files;

/// <summary>A table as a file holds it: rows of texts, whatever they mean.</summary>
/// <param name="Rows">The rows that are not empty, in order.</param>
public sealed record Grid(IReadOnlyList<GridRow> Rows)
{
    /// <summary>The number of columns of the widest row.</summary>
    public int Width => Rows.Select(row => row.Cells.Count).DefaultIfEmpty().Max();
}

/// <summary>A row of a <see cref="Grid"/>.</summary>
/// <param name="Line">Its line in the file, from 1.</param>
/// <param name="Cells">What stands in it, trimmed; it may be shorter than others.</param>
public sealed record GridRow(int Line, IReadOnlyList<string> Cells)
{
    /// <summary>What stands in a column; empty where the row is shorter.</summary>
    public string this[int column] => column < Cells.Count ? Cells[column] : "";
}
