using System.Globalization;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Live;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>A player who is not in the squad and joins a practice that runs.</summary>
public sealed class GuestBook(TallyDb db)
{
    /// <summary>
    /// Writes a guest down and puts them on the bench of every sheet of the practice, so that they may come in. A guest of an earlier
    /// day is the same one again. They are kept as who is not in the squad: with their results, and erased like any player.
    /// </summary>
    /// <param name="practice">The practice.</param>
    /// <param name="name">The guest's name.</param>
    /// <param name="late">They have joined already, on a device without a network: one of the squad by that name is who was meant.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<Result<Guest>> AddAsync(
        Practice practice,
        string name,
        bool late = false,
        CancellationToken cancellationToken = default
    )
    {
        var read = GuestName.Read(name);
        if (!read.IsOk)
        {
            return Result.Fail<Guest>([.. read.Faults]);
        }

        var clean = read.Value;

        var known = await db
            .Players.Where(player => player.TeamId == practice.TeamId && player.Name == clean)
            .OrderBy(player => player.Archived)
            .FirstOrDefaultAsync(cancellationToken);
        if (known is { Archived: false } && !late)
        {
            return Result.Fail<Guest>(GuestName.Known(clean));
        }

        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        var guest = known ?? Add(practice, clean);
        await db.SaveChangesAsync(cancellationToken);
        var sheets = await db.Sheets.Where(sheet => sheet.Run!.Block!.PracticeId == practice.Id).ToListAsync(cancellationToken);
        foreach (var sheet in sheets)
        {
            var head = HeadReader.Read(sheet.HeadJson).Require();
            if (head.Everyone.All(member => member.Id != guest.UnitId))
            {
                db.Entry(sheet).Property(each => each.HeadJson).CurrentValue = HeadReader.Write(
                    head with
                    {
                        Bench = [.. head.Bench ?? [], new Member(guest.UnitId, guest.Name)],
                    }
                );
            }
        }

        await db.SaveChangesAsync(cancellationToken);
        await db
            .Practices.Where(each => each.Id == practice.Id)
            .ExecuteUpdateAsync(
                set => set.SetProperty(each => each.SheetVersion, each => each.SheetVersion + 1),
                cancellationToken
            );
        await transaction.CommitAsync(cancellationToken);
        return Result.Ok(
            new Guest(guest.UnitId.Value, guest.Name, practice.SheetVersion + 1, [.. sheets.Select(sheet => sheet.Id)])
        );
    }

    private Player Add(Practice practice, string name)
    {
        var guest = new Player
        {
            TeamId = practice.TeamId,
            Name = name,
            Archived = true,
            Notes = $"Guest on {practice.Date.ToString("d MMM yyyy", CultureInfo.InvariantCulture)}",
        };
        db.Players.Add(guest);
        return guest;
    }
}

/// <param name="Id">Who the guest is in logs.</param>
/// <param name="Name">The guest's name.</param>
/// <param name="SheetVersion">The version of the timing sheet now.</param>
/// <param name="Sheets">The sheets on whose bench they are.</param>
public sealed record Guest(string Id, string Name, int SheetVersion, IReadOnlyList<string> Sheets);
