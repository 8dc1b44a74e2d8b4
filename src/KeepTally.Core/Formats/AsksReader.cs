using KeepTally.Core.Cards;
using KeepTally.Core.Json;

namespace KeepTally.Core.Formats;

/// <summary>Reads what a stage asks for, one move after another.</summary>
internal static class AsksReader
{
    /// <summary>As many as a coach keeps apart by ear.</summary>
    internal const int Most = 12;

    internal static Asks? Read(JsonPlace stage)
    {
        var moves = stage.Texts("asks");
        var order = CardChoices.AskOrders.ReadFrom(stage);
        if (moves.Count is 1 or > Most)
        {
            stage
                .Find("asks")
                ?.Wrong("this is not a choice of moves", $"write 2 to {Most} of them, such as [\"step in\", \"fade\"]");
        }

        return moves.Count == 0 ? null : new Asks(moves, order == AskOrder.Random);
    }
}
