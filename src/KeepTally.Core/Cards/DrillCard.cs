using KeepTally.Core.Layout;

namespace KeepTally.Core.Cards;

/// <summary>
/// What a drill is: its purpose, its set-up and the rules of its stages, with every house rule already chosen.
/// Source: docs/formats.md, section 1.
/// </summary>
/// <param name="Intensity">Effort from 1 (calm) to 5 (flat out).</param>
/// <param name="Minutes">Usual length of the drill.</param>
/// <param name="SecondsPerRep">Usual length of one rep, in seconds.</param>
/// <param name="Coaches">Coaches a group needs; 0 where players run it themselves.</param>
/// <param name="SetUp">How it is set up and run, step by step.</param>
/// <param name="Easier">What makes it easier, one form in each entry.</param>
/// <param name="Harder">What makes it harder, one form in each entry.</param>
/// <param name="VariantOf">The id of the card this one is a variant of, or null.</param>
/// <param name="Chosen">The choice in force for each option of the card.</param>
public sealed record DrillCard(
    string Id,
    string Name,
    string Purpose,
    IReadOnlyList<string> Sports,
    IReadOnlyList<string> Skills,
    int Intensity,
    GroupSize Players,
    double Minutes,
    double SecondsPerRep,
    IReadOnlyList<Equipment> Equipment,
    int Coaches,
    IReadOnlyList<string> SetUp,
    IReadOnlyList<string> Cues,
    IReadOnlyList<string> Faults,
    IReadOnlyList<Caution> Cautions,
    IReadOnlyList<string> Easier,
    IReadOnlyList<string> Harder,
    string? VariantOf,
    Load? Load,
    IReadOnlyDictionary<string, HouseRule> Options,
    IReadOnlyDictionary<string, string> Chosen,
    IReadOnlyList<Stage> Stages,
    Diagram? Layout
);

/// <summary>How many players one group of the drill takes.</summary>
public readonly record struct GroupSize(int Min, int Best, int Max);

/// <summary>Something to bring, counted per drill, group or player.</summary>
public sealed record Equipment(string Item, int Count, EquipmentPer Per);

public enum EquipmentPer
{
    Drill,
    Group,
    Player,
}

/// <summary>A way someone can be hurt in this drill, and the words that go with it.</summary>
public sealed record Caution(string Kind, string Text);

/// <summary>What counts toward a player's load: a throw for every attempt, or for every tap.</summary>
public sealed record Load(string Kind, string Per);

/// <summary>A rule on which coaches differ: the schools, in plain words, and the one taken unless another is chosen.</summary>
public sealed record HouseRule(string Label, IReadOnlyDictionary<string, string> Choices, string Default);
