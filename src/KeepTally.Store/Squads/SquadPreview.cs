using System.Globalization;
using KeepTally.Core.Faults;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Squads;

/// <summary>A row of a list of players that can be taken.</summary>
/// <param name="Line">The line of the file, from 1.</param>
/// <param name="Details">The details of the player as they would be; what the list says nothing of stays as it is.</param>
/// <param name="Known">The player this row is about, in the squad or formerly in it; null for a new one.</param>
public sealed record SquadRow(int Line, PlayerDetails Details, Player? Known)
{
    /// <summary>Whether it changes anything.</summary>
    public bool Changes => Known is not { Archived: false } known || PlayerDetails.Of(known) != Details;
}

/// <summary>A row that cannot be taken.</summary>
/// <param name="Line">The line of the file, from 1.</param>
/// <param name="Reason">Why not.</param>
public sealed record SquadFault(int Line, string Reason)
{
    /// <summary>A fault of the file as one of its lines.</summary>
    public static SquadFault Of(Fault fault) =>
        new(
            int.TryParse(fault.Path.Split(' ')[^1], NumberStyles.None, CultureInfo.InvariantCulture, out var line) ? line : 1,
            $"{fault.Problem}; {fault.Fix}"
        );
}

/// <summary>The preview of an import.</summary>
/// <param name="Rows">The rows that can be taken, in order.</param>
/// <param name="Wrong">The rows that cannot.</param>
public sealed record SquadPreview(IReadOnlyList<SquadRow> Rows, IReadOnlyList<SquadFault> Wrong);
