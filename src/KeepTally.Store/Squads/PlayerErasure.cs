using System.Text.RegularExpressions;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.Caching.Memory;

namespace KeepTally.Store.Squads;

/// <summary>Erases a player on request: the results stay, and say nobody's name.</summary>
public sealed class PlayerErasure(TallyDb db, IMemoryCache cache, LastErasure last, TimeProvider clock)
{
    /// <summary>The name that stands in results after an erasure.</summary>
    public const string Nameless = "Nameless";

    /// <summary>Erases everything that is kept of a player; false where there is none with that id.</summary>
    public async Task<bool> EraseAsync(int id, CancellationToken cancellationToken = default)
    {
        if (await db.Players.SingleOrDefaultAsync(player => player.Id == id, cancellationToken) is not { } player)
        {
            return false;
        }

        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        var unit = player.UnitId;
        foreach (var sheet in await db.Sheets.Where(sheet => sheet.HeadJson.Contains($"\"{unit}\"")).ToListAsync(cancellationToken))
        {
            var head = HeadReader.Read(sheet.HeadJson).Require();
            db.Entry(sheet).Property(each => each.HeadJson).CurrentValue = HeadReader.Write(
                head with
                {
                    Units = [.. head.Units.Select(each => Without(each, unit))],
                    Bench = [.. (head.Bench ?? []).Select(member => Without(member, unit))],
                }
            );
        }

        await EraseNotesAsync(player, cancellationToken);
        await db.Attendance.Where(each => each.PlayerId == id).ExecuteDeleteAsync(cancellationToken);
        await db.KeptPairs.Where(pair => pair.OneId == id || pair.OtherId == id).ExecuteDeleteAsync(cancellationToken);
        db.Players.Remove(player);
        await db.SaveChangesAsync(cancellationToken);
        await transaction.CommitAsync(cancellationToken);
        // What was written before lies in the file's own journal until it is taken over.
        await db.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)", cancellationToken);
        last.At = clock.GetUtcNow().ToUnixTimeMilliseconds();
        // No name is kept in memory either.
        (cache as MemoryCache)?.Clear();
        return true;
    }

    /// <summary>
    /// Notes and cues are all of a log that can hold a name: one about the player is emptied, and where another names them the
    /// name goes.
    /// </summary>
    private async Task EraseNotesAsync(Player player, CancellationToken cancellationToken)
    {
        var notes = await db
            .Events.AsNoTracking()
            .Where(row => row.Type == RunEvent.Note.TypeName || row.Type == RunEvent.Cue.TypeName)
            .Where(row =>
                db.Sheets.Any(sheet =>
                    sheet.Id == row.SheetId
                    && db.Practices.Any(practice => practice.Id == sheet.Run!.Block!.PracticeId && practice.TeamId == player.TeamId)
                )
            )
            .ToListAsync(cancellationToken);
        foreach (var row in notes)
        {
            var said = EventReader.Read(row.Line).Value;
            RunEvent? without = said switch
            {
                RunEvent.Note note => note with { Text = Of(note.Unit, note.Text) },
                RunEvent.Cue cue => cue with { Text = Of(cue.Unit, cue.Text) },
                _ => null,
            };
            if (without is not null && without != said)
            {
                var line = EventWriter.Write(without);
                await db
                    .Events.Where(each => each.Sequence == row.Sequence)
                    .ExecuteUpdateAsync(set => set.SetProperty(each => each.Line, line), cancellationToken);
            }
        }

        string Of(PlayerId? unit, string text) =>
            text.Length == 0 ? ""
            : unit == player.UnitId ? Nameless
            : Without(text, player.Name);
    }

    /// <summary>The full name, and the first name as a word of its own.</summary>
    private static string Without(string text, string name)
    {
        var first = Regex.Escape(name.Split(' ')[0]);
        return Regex.Replace(text, $@"\b(?:{Regex.Escape(name)}|{first})\b", Nameless, RegexOptions.IgnoreCase);
    }

    private static Unit Without(Unit each, PlayerId unit) =>
        each with
        {
            Name = each.Id == unit ? Nameless : each.Name,
            Players = [.. each.Players.Select(member => Without(member, unit))],
        };

    private static Member Without(Member member, PlayerId unit) => member.Id == unit ? member with { Name = Nameless } : member;
}
