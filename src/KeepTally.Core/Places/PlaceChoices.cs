using KeepTally.Core.Json;

namespace KeepTally.Core.Places;

/// <summary>The closed choices of places and moves.</summary>
public static class PlaceChoices
{
    internal static Choices<PlaceKind> Kinds { get; } =
        new("kind", ("spot", PlaceKind.Spot, "a spot"), ("line", PlaceKind.Line, "a line"));

    internal static Choices<FilledBy> Fillers { get; } =
        new("filledBy", ("own", FilledBy.Own, "the group in turn"), ("others", FilledBy.Others, "the other groups"));

    internal static Choices<MoveWhen> Whens { get; } =
        new("when", ("room", MoveWhen.Room, "there is room"), ("empty", MoveWhen.Empty, "it is empty"));

    internal static Choices<MoveWho> Movers { get; } =
        new(
            "who",
            ("all", MoveWho.All, "everyone"),
            ("first", MoveWho.First, "the first"),
            ("winner", MoveWho.Winner, "the winner"),
            ("loser", MoveWho.Loser, "the loser"),
            ("actor", MoveWho.Actor, "the tapped player")
        );

    internal static Choices<RotateTrigger> Triggers { get; } =
        new(
            "on",
            ("round", RotateTrigger.Round, "rounds"),
            ("turn", RotateTrigger.Turn, "turns"),
            ("tap", RotateTrigger.Tap, "taps"),
            ("success", RotateTrigger.Success, "makes"),
            ("failure", RotateTrigger.Failure, "misses"),
            ("attempts", RotateTrigger.Attempts, "goes"),
            ("manual", RotateTrigger.Manual, "the coach's word")
        );

    /// <summary>All of them.</summary>
    public static IReadOnlyList<Choices> All { get; } = [Kinds, Fillers, Movers, Whens, Triggers];
}
