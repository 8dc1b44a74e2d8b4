using KeepTally.Core.Events;
using KeepTally.Core.Groups;

namespace KeepTally.Core.Dealing;

/// <summary>A tally sheet with those who were dealt onto it.</summary>
/// <param name="Name">The letter of the group or court; empty where there is only one.</param>
/// <param name="Head">The head of its log.</param>
public sealed record DealtSheet(string Name, LogHead Head);

/// <summary>Groups as they stand, and how even they are.</summary>
/// <param name="Groups">The groups, in order.</param>
/// <param name="Evenness">The evenness of the groups.</param>
/// <param name="Broken">Kept pairs that do not hold, in words for the coach.</param>
public sealed record DealtGroups(IReadOnlyList<DealtGroup> Groups, Evenness Evenness, IReadOnlyList<string> Broken);

/// <summary>A group by the name it is called by.</summary>
public sealed record DealtGroup(string Name, IReadOnlyList<Member> Players);
