using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Book;

/// <summary>The drill book: every card with its versions, its history and when it was last run.</summary>
public sealed class DrillBook(TallyDb db, CardCache cache)
{
    /// <summary>The number of texts read in one query.</summary>
    private const int MostAsked = 500;

    /// <summary>Every card that reads in its newest version, by name; those archived only where asked for.</summary>
    public async Task<IReadOnlyList<BookEntry>> ListAsync(bool archived = false, CancellationToken cancellationToken = default) =>
        (await AllAsync(archived, cancellationToken)).Entries;

    /// <summary>The same, with the cards that no longer read.</summary>
    public async Task<BookList> AllAsync(bool archived = false, CancellationToken cancellationToken = default) =>
        await AllAsync(archived, await LastDoneAsync(null, cancellationToken), cancellationToken);

    /// <summary>Every card that reads in its newest version and is not archived, by name, with when a team last ran it.</summary>
    public async Task<IReadOnlyList<BookEntry>> ForTeamAsync(int team, CancellationToken cancellationToken = default) =>
        (await AllAsync(archived: false, await LastDoneAsync(team, cancellationToken), cancellationToken)).Entries;

    /// <summary>Every card that reads in its newest version and is not archived, by name, without when it was last run: that is asked of the whole past.</summary>
    public async Task<IReadOnlyList<BookEntry>> CardsAsync(CancellationToken cancellationToken = default) =>
        (await AllAsync(archived: false, [], cancellationToken)).Entries;

    /// <summary>The sports that the cards of the book name, by name; "any sport" is none.</summary>
    public async Task<IReadOnlyList<string>> SportsAsync(CancellationToken cancellationToken = default) =>
        [
            .. (await CardsAsync(cancellationToken))
                .SelectMany(entry => entry.Card.Sports)
                .Where(sport => sport != BookFilter.AnySport)
                .Distinct()
                .Order(StringComparer.Ordinal),
        ];

    private async Task<BookList> AllAsync(bool archived, Dictionary<string, DateOnly> done, CancellationToken cancellationToken)
    {
        var newest = await db
            .CardVersions.Where(version =>
                !db.CardVersions.Any(other => other.CardId == version.CardId && other.Version > version.Version)
            )
            .Join(
                db.Cards,
                version => version.CardId,
                card => card.Id,
                (version, card) =>
                    new
                    {
                        version.Id,
                        version.CardId,
                        version.Version,
                        card.Archived,
                        card.Revision,
                    }
            )
            .Where(each => archived || !each.Archived)
            .ToListAsync(cancellationToken);
        var cards = newest.ToDictionary(each => each.Id, each => cache.Find(each.Id, each.Revision));
        var unread = newest.Where(each => cards[each.Id] is null).ToDictionary(each => each.Id);
        var unreadable = new List<UnreadableCard>();
        foreach (var some in unread.Keys.Chunk(MostAsked))
        {
            foreach (
                var text in await db
                    .CardVersions.AsNoTracking()
                    .Where(version => some.Contains(version.Id))
                    .ToListAsync(cancellationToken)
            )
            {
                var read = cache.Put(text.Id, unread[text.Id].Revision, text.Json);
                cards[text.Id] = read.Value;
                if (!read.IsOk)
                {
                    unreadable.Add(new UnreadableCard(text.CardId, text.Name, read.Faults[0]));
                }
            }
        }

        return new BookList(
            [
                .. newest
                    .Where(each => cards[each.Id] is not null)
                    .Select(each => new BookEntry(
                        each.CardId,
                        each.Id,
                        each.Version,
                        each.Archived,
                        cards[each.Id]!,
                        done.TryGetValue(each.CardId, out var day) ? day : null
                    )
                    {
                        Revision = each.Revision,
                    })
                    .OrderBy(entry => entry.Card.Name, StringComparer.OrdinalIgnoreCase),
            ],
            [.. unreadable.OrderBy(card => card.Name, StringComparer.OrdinalIgnoreCase)]
        );
    }

    /// <summary>The text of a card's newest version as it is stored, readable or not, and its revision; null where there is none.</summary>
    public async Task<(string Json, int Revision)?> TextAsync(string id, CancellationToken cancellationToken = default)
    {
        var newest = await db
            .CardVersions.Where(version => version.CardId == id)
            .OrderByDescending(version => version.Version)
            .Join(db.Cards, version => version.CardId, card => card.Id, (version, card) => new { version.Json, card.Revision })
            .FirstOrDefaultAsync(cancellationToken);
        return newest is null ? null : (newest.Json, newest.Revision);
    }

    /// <summary>Everything the book knows of a card; null where it is not there, or the version asked for does not read.</summary>
    /// <param name="id">The id of the card.</param>
    /// <param name="version">The version to look at; the newest where none is named.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<BookPage?> FindAsync(string id, int? version = null, CancellationToken cancellationToken = default)
    {
        var row = await db
            .Cards.AsNoTracking()
            .AsSplitQuery()
            .Include(card => card.Versions.OrderByDescending(each => each.Version))
            .Include(card => card.Changes.OrderByDescending(each => each.Id))
            .SingleOrDefaultAsync(card => card.Id == id, cancellationToken);
        var shown = row?.Versions.FirstOrDefault(each => version is null || each.Version == version);
        if (row is null || shown is null)
        {
            return null;
        }

        if (CardReader.Read(shown.Json) is not { IsOk: true, Value: { } card })
        {
            return null;
        }

        var all = await ListAsync(archived: true, cancellationToken);
        var runs = await db
            .Runs.Where(run => run.Block!.CardVersion!.CardId == id && run.Block.Circuit == null)
            .GroupBy(run => run.Block!.CardVersion!.Version)
            .Select(group => new { Version = group.Key, Count = group.Count() })
            .ToDictionaryAsync(each => each.Version, each => each.Count, cancellationToken);
        return new BookPage(
            row,
            shown,
            card,
            row.Versions,
            row.Changes,
            [.. all.Where(each => each.Card.VariantOf == id && !each.Archived)],
            all.FirstOrDefault(each => each.Id == card.VariantOf),
            runs,
            all.FirstOrDefault(each => each.Id == id)?.LastDone
        );
    }

    /// <summary>Archives a card, or back; false where it is not in the book.</summary>
    public async Task<bool> ArchiveAsync(string id, bool archived, CancellationToken cancellationToken = default) =>
        await db
            .Cards.Where(card => card.Id == id)
            .ExecuteUpdateAsync(set => set.SetProperty(card => card.Archived, archived), cancellationToken) > 0;

    /// <summary>The whole book as one text: the newest version of every card that is not archived.</summary>
    public async Task<string> ExportAsync(CancellationToken cancellationToken = default)
    {
        var kept = await ListAsync(archived: false, cancellationToken);
        var texts = await db.CardVersions.AsNoTracking().ToDictionaryAsync(each => each.Id, each => each.Json, cancellationToken);
        return BookReader.Write(kept.Select(entry => texts[entry.VersionId]));
    }

    /// <summary>
    /// The last day on which each card was run, by a team or by any, by itself or as a station of a circuit. A drill that stood on the sheet and was
    /// never started was not run.
    /// </summary>
    private async Task<Dictionary<string, DateOnly>> LastDoneAsync(int? team, CancellationToken cancellationToken)
    {
        var practices = db.Practices.Where(practice => team == null || practice.TeamId == team);
        var alone = db
            .Runs.Where(run => run.Block!.Circuit == null && run.Block.Pause == null)
            .Where(run =>
                run.Sheets.Any(sheet => db.Events.Any(row => row.SheetId == sheet.Id && row.Type == RunEvent.Start.TypeName))
            )
            .Join(
                practices,
                run => run.Block!.PracticeId,
                practice => practice.Id,
                (run, practice) => new { run.Block!.CardVersion!.CardId, practice.Date }
            );
        var inCircuits = db
            .Stations.Join(
                db.Runs,
                station => station.BlockId,
                run => run.BlockId,
                (station, run) =>
                    new
                    {
                        station.CardVersion!.CardId,
                        run.Block!.PracticeId,
                        Begun = run.Sheets.Any(sheet =>
                            sheet.Station == station.Order
                            && db.Events.Any(row => row.SheetId == sheet.Id && row.Type == RunEvent.Start.TypeName)
                        ),
                    }
            )
            .Where(each => each.Begun)
            .Join(
                practices,
                each => each.PracticeId,
                practice => practice.Id,
                (each, practice) => new { each.CardId, practice.Date }
            );
        return await alone
            .Concat(inCircuits)
            .GroupBy(each => each.CardId)
            .Select(group => new { group.Key, Last = group.Max(each => each.Date) })
            .ToDictionaryAsync(each => each.Key, each => each.Last, cancellationToken);
    }
}
