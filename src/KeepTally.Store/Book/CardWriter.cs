using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Words;
using KeepTally.Store.Database;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Book;

/// <summary>
/// Writes cards into the book. Other words replace the words of the newest version; a change in scoring makes a new
/// version, so that results are only ever compared between runs that were scored alike.
/// </summary>
public sealed class CardWriter(TallyDb db, TimeProvider clock)
{
    private const int LongestId = 60;

    private static readonly string[] Reserved = ["edit", "import"];

    /// <param name="json">The JSON of the card.</param>
    /// <param name="revision">The revision the edit began from; 0 for a card that must be new; null to take whatever stands.</param>
    /// <param name="why">The reason, kept in the history.</param>
    /// <param name="cancellationToken">Cancels the operation.</param>
    public async Task<Result<SavedCard>> SaveAsync(
        string json,
        int? revision,
        string why = "",
        CancellationToken cancellationToken = default
    )
    {
        var read = CardReader.Read(json);
        if (!read.IsOk)
        {
            return Result.Fail<SavedCard>(read.Faults);
        }

        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        var outcome = await PutAsync(read.Value, BookReader.Tidy(json), revision, why, cancellationToken);
        if (outcome.IsOk)
        {
            await db.SaveChangesAsync(cancellationToken);
            await transaction.CommitAsync(cancellationToken);
        }

        return outcome;
    }

    /// <summary>Takes in a card or a whole book: all of it, or nothing and every fault.</summary>
    public async Task<Result<IReadOnlyList<SavedCard>>> ImportAsync(string json, CancellationToken cancellationToken = default)
    {
        var read = BookReader.Read(json);
        if (!read.IsOk)
        {
            return Result.Fail<IReadOnlyList<SavedCard>>(read.Faults);
        }

        await using var transaction = await db.Database.BeginTransactionAsync(cancellationToken);
        var outcomes = new List<Result<SavedCard>>();
        foreach (var each in read.Value)
        {
            outcomes.Add(await PutAsync(each.Card, each.Json, null, "imported from a file", cancellationToken));
        }

        var faults = outcomes.SelectMany(outcome => outcome.Faults).ToArray();
        if (faults.Length > 0)
        {
            db.ChangeTracker.Clear();
            return Result.Fail<IReadOnlyList<SavedCard>>(faults);
        }

        await db.SaveChangesAsync(cancellationToken);
        await transaction.CommitAsync(cancellationToken);
        return Result.Ok<IReadOnlyList<SavedCard>>([.. outcomes.Select(outcome => outcome.Require())]);
    }

    /// <summary>Puts every shipped card into the book that was never there.</summary>
    public async Task ShipAsync(CancellationToken cancellationToken = default)
    {
        var known = await db.Cards.Select(card => card.Id).ToListAsync(cancellationToken);
        foreach (var (id, json) in ShippedCards.All.Where(each => !known.Contains(each.Key)))
        {
            Add(CardReader.Read(json).Require(), BookReader.Tidy(json), "Comes with Keep Tally.", "");
        }

        await db.SaveChangesAsync(cancellationToken);
    }

    /// <summary>An id made from a name that no card of the book has: "gate-shots", "gate-shots-2".</summary>
    public async Task<string> FreeIdAsync(string name, CancellationToken cancellationToken = default)
    {
        var stem = string.Concat(name.ToLowerInvariant().Select(letter => char.IsAsciiLetterOrDigit(letter) ? letter : '-'));
        stem = string.Join('-', stem.Split('-', StringSplitOptions.RemoveEmptyEntries));
        stem = stem.Length == 0 ? "drill" : stem[..Math.Min(stem.Length, LongestId - 4)];
        var taken = await db.Cards.Where(card => card.Id.StartsWith(stem)).Select(card => card.Id).ToListAsync(cancellationToken);
        taken.AddRange(Reserved);
        return Enumerable.Range(1, taken.Count + 1).Select(n => n == 1 ? stem : $"{stem}-{n}").First(id => !taken.Contains(id));
    }

    private async Task<Result<SavedCard>> PutAsync(
        DrillCard card,
        string json,
        int? revision,
        string why,
        CancellationToken cancellationToken
    )
    {
        if (Unfit(card.Id) is { } unfit)
        {
            return Result.Fail<SavedCard>(unfit);
        }

        var row = await db.Cards.Include(each => each.Versions).SingleOrDefaultAsync(each => each.Id == card.Id, cancellationToken);
        if (row is null)
        {
            Add(card, json, "First version.", why);
            return Result.Ok(new SavedCard(card.Id, 1, false, true));
        }

        if (revision is 0)
        {
            return Result.Fail<SavedCard>(
                new Fault("id", $"a card \"{card.Id}\" is in the book already", "give this card another id")
            );
        }

        if (revision is { } began && began != row.Revision)
        {
            return Result.Fail<SavedCard>(
                new Fault(
                    "",
                    "another coach saved this card while you were editing it",
                    "copy what you need, reload the page, and edit again"
                )
            );
        }

        return Renew(row, card, json, why);
    }

    private Result<SavedCard> Renew(Card row, DrillCard card, string json, string why)
    {
        var newest = row.Versions.MaxBy(version => version.Version)!;
        row.Archived = false;
        if (newest.Json == json)
        {
            return Result.Ok(new SavedCard(card.Id, newest.Version, false, false));
        }

        // What no longer reads can have been scored in any way: the fixed card is a new version.
        var before = CardReader.Read(newest.Json);
        var scoring = !before.IsOk || ScoringPrint.Of(newest.Json) != ScoringPrint.Of(json);
        var changes = before.IsOk ? ChangeWords.Between(before.Value, card) : ["It no longer read, and does again."];
        var version = newest.Version + (scoring ? 1 : 0);
        if (scoring)
        {
            db.CardVersions.Add(
                new CardVersion
                {
                    CardId = card.Id,
                    Version = version,
                    Name = card.Name,
                    Json = json,
                }
            );
        }
        else
        {
            (newest.Name, newest.Json) = (card.Name, json);
        }

        row.Revision++;
        Note(card.Id, version, changes.Count > 0 ? string.Join('\n', changes) : "Small things.", why);
        return Result.Ok(new SavedCard(card.Id, version, scoring, true));
    }

    private void Add(DrillCard card, string json, string what, string why)
    {
        db.Cards.Add(
            new Card
            {
                Id = card.Id,
                Versions =
                [
                    new CardVersion
                    {
                        CardId = card.Id,
                        Name = card.Name,
                        Json = json,
                    },
                ],
            }
        );
        Note(card.Id, 1, what, why);
    }

    private void Note(string card, int version, string what, string why) =>
        db.CardChanges.Add(
            new CardChange
            {
                CardId = card,
                Version = version,
                At = clock.GetUtcNow().ToUnixTimeMilliseconds(),
                What = what,
                Why = why,
            }
        );

    /// <summary>An id stands in addresses, so it is kept plain.</summary>
    private static Fault? Unfit(string id) =>
        Reserved.Contains(id) ? new Fault("id", $"\"{id}\" is an address of the book itself", "give this card another id")
        : id.Length <= LongestId && id.All(letter => char.IsAsciiLetterOrDigit(letter) || letter is '-' or '_') ? null
        : new Fault("id", $"\"{id}\" cannot stand in an address", $"use letters, digits and hyphens, at most {LongestId} of them");
}
