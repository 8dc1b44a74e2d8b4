using System.Globalization;
using System.Text.Encodings.Web;
using System.Text.Json;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Squads;

/// <summary>All that is kept of one player, as JSON: for anyone who has a right to ask. Other players are not named in it.</summary>
public sealed class PlayerFile(TallyDb db)
{
    private static readonly JsonSerializerOptions Written = new(JsonSerializerDefaults.Web)
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The file, or null where there is no player with that id.</summary>
    public async Task<string?> OfAsync(int id, CancellationToken cancellationToken = default)
    {
        if (await db.Players.AsNoTracking().SingleOrDefaultAsync(player => player.Id == id, cancellationToken) is not { } player)
        {
            return null;
        }

        return JsonSerializer.Serialize(
            new
            {
                Id = player.UnitId.ToString(),
                player.Name,
                player.Number,
                player.BirthYear,
                player.Positions,
                Hand = player.Hand?.ToString(),
                player.Notes,
                LeftTheSquad = player.Archived,
                Team = await db
                    .Teams.Where(team => team.Id == player.TeamId)
                    .Select(team => team.Name)
                    .SingleAsync(cancellationToken),
                KeptTogetherOrApart = await db.KeptPairs.CountAsync(
                    pair => pair.OneId == id || pair.OtherId == id,
                    cancellationToken
                ),
                Practices = await PracticesAsync(id, cancellationToken),
                Drills = await DrillsAsync($"\"{player.UnitId}\"", cancellationToken),
            },
            Written
        );
    }

    private async Task<IEnumerable<object>> PracticesAsync(int id, CancellationToken cancellationToken)
    {
        var attendance = await (
            from entry in db.Attendance
            join practice in db.Practices on entry.PracticeId equals practice.Id
            where entry.PlayerId == id
            orderby practice.Date
            select new
            {
                practice.Date,
                practice.Title,
                entry.Presence,
                entry.Limits,
            }
        ).ToListAsync(cancellationToken);
        return attendance.Select(each => new
        {
            Date = Day(each.Date),
            each.Title,
            Presence = each.Presence.ToString(),
            Limits = each.Limits.ToString(),
        });
    }

    /// <param name="mark">How the player stands in the text of a sheet or of an event.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    private async Task<IEnumerable<object>> DrillsAsync(string mark, CancellationToken cancellationToken)
    {
        var sheets = await (
            from sheet in db.Sheets
            join block in db.Blocks on sheet.Run!.BlockId equals block.Id
            join practice in db.Practices on block.PracticeId equals practice.Id
            where sheet.HeadJson.Contains(mark)
            orderby practice.Date, block.Order, sheet.Order
            select new
            {
                sheet.Id,
                practice.Date,
                Drill = block.CardVersion == null ? block.PauseName : block.CardVersion.Name,
                sheet.Name,
            }
        ).ToListAsync(cancellationToken);
        var ids = sheets.Select(sheet => sheet.Id).ToList();
        var lines = await db
            .Events.Where(row => ids.Contains(row.SheetId) && row.Line.Contains(mark))
            .OrderBy(row => row.Sequence)
            .Select(row => new { row.SheetId, row.Line })
            .ToListAsync(cancellationToken);
        var bySheet = lines.ToLookup(line => line.SheetId, line => line.Line);
        return sheets.Select(sheet => new
        {
            Date = Day(sheet.Date),
            sheet.Drill,
            Group = sheet.Name,
            Events = bySheet[sheet.Id].Select(line => JsonSerializer.Deserialize<JsonElement>(line)),
        });
    }

    private static string Day(DateOnly date) => date.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
}
