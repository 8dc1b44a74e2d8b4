using KeepTally.Core.Measures;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.People;

/// <summary>How each coach measures; who has no account measures as is usual.</summary>
public sealed class PaceBook(TallyDb db)
{
    /// <summary>How a person measures, and whether their pace was walked.</summary>
    public async Task<(Pacing Pacing, bool IsWalked)> OfAsync(Caller caller, CancellationToken cancellationToken = default)
    {
        if (!caller.IsCoach)
        {
            return (Pacing.Usual, false);
        }

        var found = await db
            .Users.Where(each => each.Id == caller.Id)
            .Select(each => new { each.Pace, each.CountsIn })
            .SingleAsync(cancellationToken);
        return (new Pacing(found.CountsIn, found.Pace is { } pace ? new Stride(pace) : Stride.Usual), found.Pace is not null);
    }

    /// <summary>A coach has walked a known length.</summary>
    public Task<int> WalkedAsync(Caller caller, Stride stride, CancellationToken cancellationToken = default) =>
        db
            .Users.Where(each => each.Id == caller.Id)
            .ExecuteUpdateAsync(set => set.SetProperty(each => each.Pace, stride.Metres), cancellationToken);

    /// <summary>A coach counts in another unit.</summary>
    public Task<int> CountsInAsync(Caller caller, LengthUnit unit, CancellationToken cancellationToken = default) =>
        db
            .Users.Where(each => each.Id == caller.Id)
            .ExecuteUpdateAsync(set => set.SetProperty(each => each.CountsIn, unit), cancellationToken);
}
