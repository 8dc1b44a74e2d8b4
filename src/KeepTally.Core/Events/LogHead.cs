using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Time;

namespace KeepTally.Core.Events;

/// <summary>The first line of a log: which drill and stage, with which house rules, for whom. Source: docs/formats.md, section 2.</summary>
/// <param name="Drill">The id and version of the card.</param>
/// <param name="Stage">The position of the stage, from 0.</param>
/// <param name="Options">The house rules chosen, by id.</param>
/// <param name="Units">The units, in order.</param>
/// <param name="Seed">What surprises are drawn from; 0 where the head gives none.</param>
/// <param name="CountIn">The count-in in place of the card's; null where the card's holds.</param>
/// <param name="Bench">Who may come in; nobody where it is left out.</param>
public sealed record LogHead(
    string Drill,
    int Stage,
    IReadOnlyDictionary<string, string> Options,
    IReadOnlyList<Unit> Units,
    int Seed = 0,
    IReadOnlyList<Member>? Bench = null,
    Duration? CountIn = null
)
{
    /// <summary>The stage of a card as this run has it.</summary>
    internal Stage Of(DrillCard card)
    {
        var stage = card.Stages[Stage];
        return CountIn is { } countIn && stage.Clock is { } clock ? stage with { Clock = clock with { CountIn = countIn } } : stage;
    }

    /// <summary>Everyone the head knows: who is on the sheet at the start, and who may come in.</summary>
    public IEnumerable<Member> Everyone => Units.SelectMany(unit => unit.People).Concat(Bench ?? []);

    /// <summary>The name of anyone the head knows: a unit, a player of one, or of the bench.</summary>
    public string NameOf(PlayerId id) =>
        Units.FirstOrDefault(unit => unit.Id == id)?.Name
        ?? Units.SelectMany(unit => unit.Players).Concat(Bench ?? []).FirstOrDefault(player => player.Id == id)?.Name
        ?? id.Value;
}

/// <summary>A unit of a sheet.</summary>
/// <param name="Id">The id of the unit.</param>
/// <param name="Name">The name of the unit.</param>
/// <param name="Players">Who makes up a group or a side at the start; empty where the unit is a player.</param>
/// <param name="Number">The shirt number, where the unit is a player who has one.</param>
public sealed record Unit(PlayerId Id, string Name, IReadOnlyList<Member> Players, int? Number = null)
{
    /// <summary>The people behind the unit: its players, or the unit itself where it is a player.</summary>
    public IEnumerable<Member> People => Players.Count > 0 ? Players : [new Member(Id, Name, Number)];
}

/// <summary>A player of a group or a side.</summary>
/// <param name="Id">The id of the player.</param>
/// <param name="Name">The player's name.</param>
/// <param name="Number">The shirt number; null where the player has none.</param>
public sealed record Member(PlayerId Id, string Name, int? Number = null);
