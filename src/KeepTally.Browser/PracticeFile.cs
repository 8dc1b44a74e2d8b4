using KeepTally.Core.Circuits;
using KeepTally.Core.Dealing;

namespace KeepTally.Browser;

/// <summary>A practice as the server hands it to the run screen.</summary>
/// <param name="Runs">The drills of the practice, in order.</param>
/// <param name="Habits">What is looked for all practice long.</param>
/// <param name="Spare">Milliseconds left over at the end of the timing sheet; below nought where it does not fit.</param>
/// <param name="Limits">What players may not do today, by their ids; left out where it is nobody's business.</param>
/// <param name="Loads">What players may do of a kind today, where a limit is known.</param>
/// <param name="HidesScores">Whether this device leaves out scores and results, as the players' board does where the coach wants it.</param>
internal sealed record PracticeFile(
    IReadOnlyList<RunFile> Runs,
    IReadOnlyList<string>? Habits = null,
    IReadOnlyDictionary<string, Restrictions>? Limits = null,
    long Spare = 0,
    IReadOnlyList<LoadFile>? Loads = null,
    bool HidesScores = false
);

/// <summary>The load a player may still take of a kind today.</summary>
/// <param name="Player">The id of the player.</param>
/// <param name="Kind">The kind of load, such as throws.</param>
/// <param name="Before">How many there were today in other practices.</param>
/// <param name="Most">The most allowed in a day.</param>
/// <param name="Rests">True where the player is due a day of rest.</param>
internal sealed record LoadFile(string Player, string Kind, int Before, int Most, bool Rests);

/// <param name="Name">The name of the drill.</param>
/// <param name="Sheets">The sheets, in order.</param>
/// <param name="Id">What the run is known by on the page.</param>
/// <param name="Card">The card's JSON text, as it was when the practice began.</param>
/// <param name="Minutes">How long the timing sheet gives it; 0 where it does not say.</param>
/// <param name="Due">When it is to begin by the timing sheet, in milliseconds from the practice's origin; null where that does not say.</param>
internal sealed record RunFile(
    string Name,
    string Card,
    IReadOnlyList<SheetFile> Sheets,
    double Minutes = 0,
    string Id = "",
    long? Due = null
);

/// <param name="Id">The id of the sheet.</param>
/// <param name="Name">The name, as it is shown.</param>
/// <param name="Head">The JSON text of the log's head.</param>
/// <param name="Events">The lines of the log known to the server.</param>
/// <param name="Card">The JSON text of its own card, where it is not the run's and no sheet before it has brought it.</param>
/// <param name="Bests">The bests before today; null for none.</param>
/// <param name="CardOf">The id of the sheet of its run that has brought its card.</param>
/// <param name="Stop">Where on the way round a circuit it is kept, or null.</param>
internal sealed record SheetFile(
    string Id,
    string Name,
    string Head,
    IReadOnlyList<string> Events,
    string? Card = null,
    CircuitStop? Stop = null,
    BestsFile? Bests = null,
    string? CardOf = null
);

/// <summary>The best results of earlier practices.</summary>
/// <param name="Own">By the ids of players.</param>
/// <param name="Squad">Of any player; null where nobody has one.</param>
internal sealed record BestsFile(IReadOnlyDictionary<string, double> Own, double? Squad);

/// <summary>People who come, go or change places.</summary>
internal sealed record ChangeFile(string? Off, string? In, string? Sheet);
