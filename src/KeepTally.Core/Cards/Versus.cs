using KeepTally.Core.Layout;
using KeepTally.Core.Places;

namespace KeepTally.Core.Cards;

/// <summary>
/// How a stage of sides is played with another number on each side, where that is not how the card is written. What is null
/// stays as the card has it. Source: docs/formats.md, section 1, "Versus".
/// </summary>
/// <param name="Number">How many of each side play at once.</param>
/// <param name="Name">What the stage is called then.</param>
/// <param name="Places">Where players stand; the spots of each side take that number.</param>
/// <param name="Moves">Who goes where when places move on.</param>
/// <param name="SetUp">How it is set up and run, step by step.</param>
/// <param name="Equipment">What to bring.</param>
/// <param name="Layout">How it is drawn.</param>
public sealed record Versus(
    int Number,
    string? Name,
    IReadOnlyList<Place> Places,
    IReadOnlyList<Move>? Moves,
    IReadOnlyList<string>? SetUp,
    IReadOnlyList<Equipment>? Equipment,
    Diagram? Layout
);
