using KeepTally.Core.Layout;

namespace KeepTally.Core.Cards;

/// <summary>
/// What a drill is: its purpose, its set-up and the rules of its stages, with every house rule already chosen.
/// Source: docs/formats.md, section 1.
/// </summary>
public sealed record DrillCard
{
    /// <summary>A short id, unique in a book.</summary>
    public required string Id { get; init; }

    /// <summary>The name.</summary>
    public required string Name { get; init; }

    /// <summary>The purpose in one sentence.</summary>
    public required string Purpose { get; init; }

    /// <summary>The sports it is of.</summary>
    public required IReadOnlyList<string> Sports { get; init; }

    /// <summary>The skills it trains.</summary>
    public required IReadOnlyList<string> Skills { get; init; }

    /// <summary>Effort from 1 (calm) to 5 (flat out).</summary>
    public required int Intensity { get; init; }

    /// <summary>How many players one group takes.</summary>
    public required GroupSize Players { get; init; }

    /// <summary>Usual length of the drill.</summary>
    public required double Minutes { get; init; }

    /// <summary>Usual length of one rep, in seconds.</summary>
    public required double SecondsPerRep { get; init; }

    /// <summary>The equipment.</summary>
    public required IReadOnlyList<Equipment> Equipment { get; init; }

    /// <summary>Coaches a group needs; 0 where players run it themselves.</summary>
    public required int Coaches { get; init; }

    /// <summary>How it is set up and run, step by step.</summary>
    public required IReadOnlyList<string> SetUp { get; init; }

    /// <summary>The cues of the coach.</summary>
    public required IReadOnlyList<string> Cues { get; init; }

    /// <summary>The common faults.</summary>
    public required IReadOnlyList<string> Faults { get; init; }

    /// <summary>Ways someone can be hurt in it.</summary>
    public required IReadOnlyList<Caution> Cautions { get; init; }

    /// <summary>Easier forms, one in each entry.</summary>
    public required IReadOnlyList<string> Easier { get; init; }

    /// <summary>Harder forms, one in each entry.</summary>
    public required IReadOnlyList<string> Harder { get; init; }

    /// <summary>The id of the card this one is a variant of, or null.</summary>
    public required string? VariantOf { get; init; }

    /// <summary>The load it puts on a player, or null.</summary>
    public required Load? Load { get; init; }

    /// <summary>The rules on which coaches differ, by name.</summary>
    public required IReadOnlyDictionary<string, HouseRule> Options { get; init; }

    /// <summary>The choice in force for each option of the card.</summary>
    public required IReadOnlyDictionary<string, string> Chosen { get; init; }

    /// <summary>Its parts, each with its own scoring; at least one.</summary>
    public required IReadOnlyList<Stage> Stages { get; init; }

    /// <summary>How it is drawn, or null.</summary>
    public required Diagram? Layout { get; init; }
}

/// <summary>How many players one group of the drill takes.</summary>
public readonly record struct GroupSize(int Min, int Best, int Max);

/// <summary>Something to bring, counted per drill, group or player.</summary>
public sealed record Equipment(string Item, int Count, EquipmentPer Per);

/// <summary>The way equipment is counted.</summary>
public enum EquipmentPer
{
    /// <summary>A number in all.</summary>
    Drill,

    /// <summary>A number for each group.</summary>
    Group,

    /// <summary>A number for each player.</summary>
    Player,
}

/// <summary>A way someone can be hurt in this drill, and the words that go with it.</summary>
public sealed record Caution(string Kind, string Text);

/// <summary>The load of a drill: a throw, say, for every attempt or for every tap.</summary>
public sealed record Load(string Kind, string Per);

/// <summary>A rule on which coaches differ: the schools, in plain words, and the one taken unless another is chosen.</summary>
public sealed record HouseRule(string Label, IReadOnlyDictionary<string, string> Choices, string Default);
