using System.Globalization;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.People;

/// <summary>
/// What a helper counts for alone: one sheet, by its id, or a station of a circuit over all its rounds, as
/// <c>RUN/STATION</c>.
/// </summary>
public static class OwnSheets
{
    /// <summary>The name of a station of a circuit.</summary>
    public static string Station(int run, int station) => string.Create(CultureInfo.InvariantCulture, $"{run}/{station}");

    /// <summary>The sheets of it in a practice, for every caller; empty for all of them.</summary>
    internal static async Task<IReadOnlyList<string>> OfAsync(
        TallyDb db,
        int practice,
        string own,
        CancellationToken cancellationToken
    )
    {
        if (own.Split('/') is not [var runText, var stationText])
        {
            return own.Length == 0 ? [] : [own];
        }

        var (run, station) = (
            int.Parse(runText, CultureInfo.InvariantCulture),
            int.Parse(stationText, CultureInfo.InvariantCulture)
        );
        var sheets = await db
            .Sheets.IgnoreQueryFilters()
            .Where(sheet => sheet.RunId == run && sheet.Station == station && sheet.Run!.Block!.PracticeId == practice)
            .Select(sheet => sheet.Id)
            .ToListAsync(cancellationToken);
        // A place that is no more is none, not all of them.
        return sheets.Count > 0 ? sheets : [own];
    }

    /// <summary>Whether there is such a thing in a practice.</summary>
    internal static async Task<bool> AreThereAsync(TallyDb db, int practice, string own, CancellationToken cancellationToken)
    {
        if (
            own.Contains('/')
            && !own.Split('/').All(part => int.TryParse(part, NumberStyles.None, CultureInfo.InvariantCulture, out _))
        )
        {
            return false;
        }

        var sheets = await OfAsync(db, practice, own, cancellationToken);
        return await db.Sheets.AnyAsync(
            sheet => sheets.Contains(sheet.Id) && sheet.Run!.Block!.PracticeId == practice,
            cancellationToken
        );
    }
}
