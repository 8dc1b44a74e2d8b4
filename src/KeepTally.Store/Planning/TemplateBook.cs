using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Planning;

/// <summary>Timing sheets that are kept to be used again, by every team of the club. They hold no names.</summary>
public sealed class TemplateBook(TallyDb db)
{
    private const int Most = 100;

    /// <summary>Every one, by name.</summary>
    public Task<List<SheetTemplate>> ListAsync(CancellationToken cancellationToken = default) =>
        db.Templates.AsNoTracking().OrderBy(each => each.Name).ToListAsync(cancellationToken);

    /// <summary>The sheet of a template; null where there is none.</summary>
    public async Task<Plan?> FindAsync(int id, CancellationToken cancellationToken = default) =>
        await db.Templates.AsNoTracking().SingleOrDefaultAsync(each => each.Id == id, cancellationToken) is { } found
            ? PlanReader.Read(found.Json).Value
            : null;

    /// <summary>Keeps a sheet under a name; one of the same name is replaced. Says why it cannot be kept.</summary>
    public async Task<Result<Done>> KeepAsync(string name, Plan plan, CancellationToken cancellationToken = default)
    {
        var called = name.Trim();
        if (called.Length is 0 or > PlanReader.LongestName)
        {
            return new Fault("name", "say what it is to be called", $"write 1 to {PlanReader.LongestName} characters");
        }

        var json = PlanWriter.Write(
            plan with
            {
                Title = called,
                Date = null,
                Place = "",
                Blocks = [.. plan.Blocks.Select(block => block with { Key = null, Takes = [] })],
            }
        );
        if (await db.Templates.SingleOrDefaultAsync(each => each.Name == called, cancellationToken) is { } known)
        {
            known.Json = json;
        }
        else if (await db.Templates.CountAsync(cancellationToken) >= Most)
        {
            return new Fault("name", $"{Most} templates are kept already", "throw one away first");
        }
        else
        {
            db.Templates.Add(new SheetTemplate { Name = called, Json = json });
        }

        await db.SaveChangesAsync(cancellationToken);
        return Result.Ok();
    }

    /// <summary>Throws a template away; false where there is none.</summary>
    public async Task<bool> RemoveAsync(int id, CancellationToken cancellationToken = default) =>
        await db.Templates.Where(each => each.Id == id).ExecuteDeleteAsync(cancellationToken) > 0;
}
