using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Text;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Book;

/// <summary>A card as it stands in the list of the book: its newest version, and when it was last run.</summary>
public sealed record BookEntry(string Id, int VersionId, int Version, bool Archived, DrillCard Card, DateOnly? LastDone)
{
    /// <summary>Counts every change of the card, those that make no new version, too.</summary>
    public int Revision { get; init; }
}

/// <summary>The cards of the book.</summary>
/// <param name="Entries">Those that read, by name.</param>
/// <param name="Unreadable">Those whose newest version no longer reads, by name.</param>
public sealed record BookList(IReadOnlyList<BookEntry> Entries, IReadOnlyList<UnreadableCard> Unreadable);

/// <summary>A stored card that no longer reads. It is kept as it is until a coach fixes it.</summary>
/// <param name="Id">The id of the card.</param>
/// <param name="Name">Its name when it was saved.</param>
/// <param name="Fault">The first thing that is wrong with it.</param>
public sealed record UnreadableCard(string Id, string Name, Fault Fault);

/// <summary>Everything the book knows of one card.</summary>
/// <param name="Row">The row as it is stored.</param>
/// <param name="Shown">The version looked at.</param>
/// <param name="Card">The drill card.</param>
/// <param name="Versions">All its versions, the newest first.</param>
/// <param name="History">The saves, the newest first.</param>
/// <param name="Variants">Cards that are variants of this one.</param>
/// <param name="Parent">The card this one is a variant of, where it is in the book.</param>
/// <param name="Runs">How often each version was run.</param>
/// <param name="LastDone">The day it was last practised; null for never.</param>
public sealed record BookPage(
    Card Row,
    CardVersion Shown,
    DrillCard Card,
    IReadOnlyList<CardVersion> Versions,
    IReadOnlyList<CardChange> History,
    IReadOnlyList<BookEntry> Variants,
    BookEntry? Parent,
    IReadOnlyDictionary<int, int> Runs,
    DateOnly? LastDone
)
{
    public bool IsNewest => Shown.Version == Versions[0].Version;

    /// <summary>The changes since the card was read, a sentence each, the newest first; empty where there are none.</summary>
    /// <param name="revision">The revision that was read.</param>
    /// <param name="archived">True where it was archived then.</param>
    public IReadOnlyList<string> ChangesSince(int revision, bool archived) =>
        [
            .. Row.Archived == archived
                ? Array.Empty<string>()
                : [Row.Archived ? "It is archived now." : "It is no longer archived."],
            // Every save adds one to the revision and an entry to the history.
            .. History
                .Take(Math.Max(0, Row.Revision - revision))
                .Select(change => Phrase.Sentence(change.What.Replace("\n", "; ", StringComparison.Ordinal))),
        ];
}

/// <summary>A card that was saved, and where it stands now.</summary>
/// <param name="Id">The id of the card.</param>
/// <param name="Version">The version, from 1.</param>
/// <param name="NewVersion">The scoring changed, so that a new version was made.</param>
/// <param name="Changed">Whether anything was different at all.</param>
public sealed record SavedCard(string Id, int Version, bool NewVersion, bool Changed);
