using KeepTally.Core.Cards;

namespace KeepTally.Core.Planning;

/// <summary>The input for suggested sheets.</summary>
/// <param name="Frame">The sheet as far as it stands: its time, who is there and what with, and the lines that stand in any case, first.</param>
/// <param name="Book">The drills there are.</param>
/// <param name="Skills">The skills wanted most; may be empty.</param>
public sealed record SheetWish(Plan Frame, IReadOnlyList<BookDrill> Book, IReadOnlyList<string> Skills);

/// <summary>A drill that may be put on a sheet.</summary>
/// <param name="Card">The drill card.</param>
/// <param name="DaysAgo">How many days ago it was last practised; null for never.</param>
public sealed record BookDrill(DrillCard Card, int? DaysAgo);

/// <summary>A whole sheet that is offered, and why.</summary>
/// <param name="Name">What kind of practice it is, in a few words.</param>
/// <param name="Plan">The plan of the timing sheet.</param>
/// <param name="Reasons">What speaks for it, in a line.</param>
/// <param name="Unavoidable">What does not fit all the same, since the book, the squad or the things allow nothing better.</param>
public sealed record OfferedSheet(string Name, Plan Plan, string Reasons, IReadOnlyList<PlanWarning> Unavoidable);
