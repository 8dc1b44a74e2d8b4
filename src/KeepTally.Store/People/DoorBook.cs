using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.People;

/// <summary>The doors of practices: codes to join by, links to boards, and who came in.</summary>
public sealed class DoorBook(TallyDb db, CallerBook callers, TimeProvider clock)
{
    /// <summary>How long after the planned end helpers stay signed in: practices run late, and taps are sent late.</summary>
    private static readonly TimeSpan After = TimeSpan.FromHours(2);

    /// <summary>Names of those who joined are kept so long after it ended.</summary>
    internal static readonly TimeSpan NamesKept = TimeSpan.FromDays(30);

    public const int LongestName = 40;

    /// <summary>The door of a practice, or null while it has none.</summary>
    public async Task<PracticeDoor?> OfAsync(int practice, CancellationToken cancellationToken = default) =>
        await db.Doors.AsNoTracking().SingleOrDefaultAsync(door => door.PracticeId == practice, cancellationToken);

    /// <summary>The helpers of a practice, in the order they joined.</summary>
    public Task<List<Joiner>> JoinersAsync(int practice, CancellationToken cancellationToken = default) =>
        db
            .Joiners.AsNoTracking()
            .Where(joiner => joiner.PracticeId == practice)
            .OrderBy(joiner => joiner.Id)
            .ToListAsync(cancellationToken);

    /// <summary>Whether those who joined can still come in.</summary>
    public bool IsOpen(PracticeDoor? door) => door is { JoinCode.Length: > 0 } && door.Until > Now;

    /// <summary>Opens a practice to anyone who has its new code; false where there is no such practice.</summary>
    public async Task<bool> OpenAsync(int practice, CancellationToken cancellationToken = default)
    {
        if (await db.Practices.FirstOrDefaultAsync(each => each.Id == practice, cancellationToken) is not { } found)
        {
            return false;
        }

        var door = await DoorAsync(practice, cancellationToken);
        door.JoinCode = Secrets.Code();
        door.Until = UntilOf(found);
        await SaveAsync(practice, cancellationToken);
        return true;
    }

    /// <summary>Closes a practice: the code is gone, and so is everyone who came in by it.</summary>
    public async Task<bool> CloseAsync(int practice, CancellationToken cancellationToken = default)
    {
        var door = await DoorAsync(practice, cancellationToken);
        (door.JoinCode, door.Until) = ("", 0);
        await SaveAsync(practice, cancellationToken);
        return true;
    }

    /// <summary>Makes a link to the board, in place of the one before.</summary>
    public async Task<bool> LinkBoardAsync(int practice, CancellationToken cancellationToken = default)
    {
        if (!await db.Practices.AnyAsync(each => each.Id == practice, cancellationToken))
        {
            return false;
        }

        (await DoorAsync(practice, cancellationToken)).BoardToken = Secrets.Token();
        await SaveAsync(practice, cancellationToken);
        return true;
    }

    /// <summary>Has the board show scores and who leads, or leave them out. False where there is no such practice.</summary>
    public async Task<bool> ShowScoresAsync(int practice, bool shows, CancellationToken cancellationToken = default)
    {
        if (!await db.Practices.AnyAsync(each => each.Id == practice, cancellationToken))
        {
            return false;
        }

        (await DoorAsync(practice, cancellationToken)).HidesScores = !shows;
        await SaveAsync(practice, cancellationToken);
        return true;
    }

    /// <summary>Whether the board of a practice hides scores and who leads.</summary>
    public Task<bool> HidesScoresAsync(int practice, CancellationToken cancellationToken = default) =>
        db.Doors.AnyAsync(door => door.PracticeId == practice && door.HidesScores, cancellationToken);

    /// <summary>Anyone who has the link sees the board; null where the link leads nowhere.</summary>
    public async Task<Caller?> BoardAsync(string token, CancellationToken cancellationToken = default)
    {
        var practice = await db
            .Doors.IgnoreQueryFilters()
            .Where(door => door.BoardToken == token && token != "")
            .Select(door => (int?)door.PracticeId)
            .SingleOrDefaultAsync(cancellationToken);
        return practice is { } id ? await callers.FindAsync(CallerKind.Board, id, token, cancellationToken) : null;
    }

    /// <summary>A person joins a practice by its code.</summary>
    /// <returns>Who they are from now on, or why they cannot.</returns>
    public async Task<Result<Caller>> JoinAsync(string code, string name, CancellationToken cancellationToken = default)
    {
        var clean = name.Trim();
        if (clean.Length is 0 or > LongestName)
        {
            return Result.Fail<Caller>(new Fault("name", "a name is missing", $"write a name of 1 to {LongestName} letters"));
        }

        var typed = Secrets.Cleaned(code);
        var door = await db
            .Doors.IgnoreQueryFilters()
            .AsNoTracking()
            .FirstOrDefaultAsync(each => each.JoinCode == typed && typed != "", cancellationToken);
        if (!IsOpen(door))
        {
            return Result.Fail<Caller>(
                new Fault("code", "this code opens no practice", "look at it again, or ask the coach for today's")
            );
        }

        var joiner = new Joiner
        {
            PracticeId = door!.PracticeId,
            Name = clean,
            At = Now,
        };
        db.Joiners.Add(joiner);
        await db.SaveChangesAsync(cancellationToken);
        return await callers.FindAsync(CallerKind.Joiner, joiner.Id, $"{joiner.At}", cancellationToken) is { } caller
            ? Result.Ok(caller)
            : Result.Fail<Caller>(new Fault("code", "this practice is over", "ask the coach"));
    }

    /// <summary>The name of a practice in the activity log, for every caller.</summary>
    public async Task<string> NameAsync(int practice, CancellationToken cancellationToken = default) =>
        (
            await db.Practices.IgnoreQueryFilters().AsNoTracking().SingleAsync(each => each.Id == practice, cancellationToken)
        ).InRecord;

    /// <summary>Gives a helper one place to count for (see <see cref="OwnSheets"/>), or all; false where they are not there.</summary>
    public async Task<bool> PlaceAsync(int practice, int joiner, string sheet, CancellationToken cancellationToken = default)
    {
        if (sheet.Length > 0 && !await OwnSheets.AreThereAsync(db, practice, sheet, cancellationToken))
        {
            return false;
        }

        var found = await db
            .Joiners.Where(each => each.Id == joiner && each.PracticeId == practice)
            .ExecuteUpdateAsync(set => set.SetProperty(each => each.Sheet, sheet), cancellationToken);
        callers.Forget(CallerKind.Joiner, joiner);
        return found > 0;
    }

    /// <summary>Removes a helper; false where they are not there.</summary>
    public async Task<bool> SendOutAsync(int practice, int joiner, CancellationToken cancellationToken = default)
    {
        var found = await db
            .Joiners.Where(each => each.Id == joiner && each.PracticeId == practice)
            .ExecuteDeleteAsync(cancellationToken);
        callers.Forget(CallerKind.Joiner, joiner);
        return found > 0;
    }

    /// <summary>Removes the names of those who joined practices that ended long ago.</summary>
    public async Task TidyAsync(CancellationToken cancellationToken = default)
    {
        var before = (clock.GetUtcNow() - NamesKept).ToUnixTimeMilliseconds();
        await db.Joiners.Where(joiner => joiner.At < before).ExecuteDeleteAsync(cancellationToken);
    }

    private long Now => clock.GetUtcNow().ToUnixTimeMilliseconds();

    /// <summary>From its planned beginning, or from now where that has passed.</summary>
    private long UntilOf(Practice practice)
    {
        var now = clock.GetLocalNow().DateTime;
        var planned = practice.Date.ToDateTime(practice.Start);
        var end = (planned > now ? planned : now).AddMinutes(practice.Minutes) + After;
        return new DateTimeOffset(end, clock.LocalTimeZone.GetUtcOffset(end)).ToUnixTimeMilliseconds();
    }

    private async Task<PracticeDoor> DoorAsync(int practice, CancellationToken cancellationToken)
    {
        var door = await db.Doors.FindAsync([practice], cancellationToken);
        if (door is null)
        {
            door = new PracticeDoor { PracticeId = practice };
            db.Doors.Add(door);
        }

        return door;
    }

    private async Task SaveAsync(int practice, CancellationToken cancellationToken)
    {
        await db.SaveChangesAsync(cancellationToken);
        callers.Forget(CallerKind.Board, practice);
        foreach (
            var joiner in await db
                .Joiners.Where(each => each.PracticeId == practice)
                .Select(each => each.Id)
                .ToListAsync(cancellationToken)
        )
        {
            callers.Forget(CallerKind.Joiner, joiner);
        }
    }
}
