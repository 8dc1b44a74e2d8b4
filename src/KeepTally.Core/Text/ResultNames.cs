using KeepTally.Core.Cards;

namespace KeepTally.Core.Text;

/// <summary>
/// What a card itself calls a success or a failure. Where the grammar cannot be sure the plain label stands in quotes; where
/// nothing is named, as with zones, it is a make or a miss.
/// </summary>
internal static class ResultNames
{
    private const string Make = "make";
    private const string Miss = "miss";

    /// <summary>"two makes", or "two “Home”" where the card calls its one success so.</summary>
    internal static string Makes(Stage stage, int count) =>
        Labels(stage, OutcomeResult.Success) is [var only] && !Is(only, Make)
            ? $"{Phrase.Count(count)} “{only}”"
            : Phrase.Of(count, Make);

    /// <summary>"ten goes"; "three throws" where each go is measured and has a name of its own.</summary>
    internal static string Goes(Stage stage, int count) =>
        Phrase.Of(count, Measured(stage) is { } outcome ? Phrase.Small(outcome.Label) : "go");

    /// <summary>An outcome that uses a measured go up without being one: ", a foot over the line counted as one".</summary>
    internal static string AlsoGoes(Stage stage) =>
        Measured(stage) is not null && Labels(stage, OutcomeResult.Failure).Length > 0 ? $", {Failure(stage)} counted as one" : "";

    private static Outcome? Measured(Stage stage) =>
        stage.Outcomes.Where(outcome => outcome.Result == OutcomeResult.Success).ToArray() is [{ Reading: not null } only]
            ? only
            : null;

    /// <summary>"a make", "a goal", "a clean goal or any other goal".</summary>
    internal static string Success(Stage stage) => Names(stage, OutcomeResult.Success, "a " + Make);

    /// <summary>"a miss", "a drop", "a short one, a wide one or a long one".</summary>
    internal static string Failure(Stage stage) => Names(stage, OutcomeResult.Failure, "a " + Miss);

    /// <summary>The failure that was tapped, to begin a sentence; a miss where a zone, or a rule, made it one.</summary>
    internal static string Failure(Stage stage, string? tapped) =>
        Phrase.Capital(
            stage.Outcomes.FirstOrDefault(outcome => outcome.Id == tapped) is { Result: OutcomeResult.Failure } outcome
                ? Phrase.NameOf(outcome)
                : "a " + Miss
        );

    /// <summary>"miss", "ball lost": what each rotation follows; the labels in quotes where there are several.</summary>
    internal static string Each(Stage stage, OutcomeResult result, string otherwise) =>
        stage.Outcomes.Where(outcome => outcome.Result == result).ToArray() switch
        {
            [] => otherwise,
            [var only] => Bare(Phrase.NameOf(only)),
            var several => Phrase.List([.. several.Select(outcome => $"“{outcome.Label}”")], "or"),
        };

    private static string Names(Stage stage, OutcomeResult result, string otherwise)
    {
        string[] names = [.. stage.Outcomes.Where(outcome => outcome.Result == result).Select(Phrase.NameOf)];
        return names.Length == 0 ? otherwise : Phrase.List(names, "or");
    }

    private static string[] Labels(Stage stage, OutcomeResult result) =>
        [.. stage.Outcomes.Where(outcome => outcome.Result == result).Select(outcome => outcome.Label)];

    private static bool Is(string label, string word) => string.Equals(label, word, StringComparison.OrdinalIgnoreCase);

    private static string Bare(string name) =>
        name.StartsWith("a ", StringComparison.Ordinal) ? name[2..]
        : name.StartsWith("an ", StringComparison.Ordinal) ? name[3..]
        : name.StartsWith("the ", StringComparison.Ordinal) ? name[4..]
        : name;
}
