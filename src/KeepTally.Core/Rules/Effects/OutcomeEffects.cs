using KeepTally.Core.Cards;

namespace KeepTally.Core.Rules.Effects;

/// <summary>Everything an outcome can do besides scoring. To add one is to add it here and to <see cref="All"/>.</summary>
public static class OutcomeEffects
{
    /// <summary>Own points to zero.</summary>
    public static Effect Reset { get; } =
        new("reset", "own points to zero", _ => "takes all points away", static (ref scene) => scene.Unit.Points = 0);

    /// <summary>The unit tapped wins.</summary>
    public static Effect Win { get; } =
        new("win", "wins at once", _ => "wins at once", static (ref scene) => scene.State.Win(scene.Unit.Index, scene.Running));

    /// <summary>The best-ranked other unit wins.</summary>
    public static Effect Lose { get; } =
        new("lose", "loses at once", _ => "loses at once", static (ref scene) => scene.State.Win(scene.BestOther, scene.Running));

    /// <summary>The ball goes to the next side.</summary>
    public static Effect TurnOver { get; } =
        new("turnOver", "the ball changes hands", _ => "turns the ball over", static (ref scene) => scene.State.TurnOver());

    /// <summary>The turn passes.</summary>
    public static Effect Next { get; } =
        new(
            "next",
            "the turn passes",
            stage => stage.Play == Play.Turns ? "passes the turn" : "ends the go",
            static (ref scene) => scene.PassesTurn = true
        );

    /// <summary>Done, and takes the next place: first, second …</summary>
    public static Effect Leave { get; } =
        new(
            "leave",
            "leaves with the next place",
            stage => $"lets the {Units.Of(stage)} leave: first, second and so on",
            static (ref scene) => scene.State.Leave(scene.Unit, scene.Running)
        );

    /// <summary>One more out.</summary>
    public static Effect Out { get; } = new("out", "is an out", _ => "is an out", static (ref scene) => scene.Unit.Outs++);

    /// <summary>Nothing: what one school of a house rule does where the other does something.</summary>
    public static Effect None { get; } = new("none", "does nothing", _ => "", static (ref _) => { });

    /// <summary>All of them, in the order of the format.</summary>
    public static IReadOnlyList<Effect> All { get; } = [Reset, Win, Lose, TurnOver, Next, Leave, Out, None];
}
