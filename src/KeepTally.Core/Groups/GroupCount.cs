using KeepTally.Core.Cards;

namespace KeepTally.Core.Groups;

/// <summary>The balls, courts and coaches there are; null where a number does not matter.</summary>
/// <param name="Balls">The number of balls.</param>
/// <param name="Courts">Courts, goals or corners: a place for a group.</param>
/// <param name="Coaches">The number of coaches.</param>
public sealed record Resources(int? Balls, int? Courts, int? Coaches);

/// <summary>The limit that keeps the number of groups down.</summary>
public enum GroupBound
{
    /// <summary>There are no more players for another group.</summary>
    Players,

    /// <summary>There are no more balls.</summary>
    Balls,

    /// <summary>There are no more courts.</summary>
    Courts,

    /// <summary>There are no more coaches.</summary>
    Coaches,
}

/// <summary>How many groups a drill is done in. Always at least one, and never more than there are players.</summary>
public static class GroupCount
{
    private const string Ball = "ball";

    /// <summary>As many groups as it takes for none to be larger than asked.</summary>
    public static int OfSize(int players, int size) => Within((players + Math.Max(1, size) - 1) / Math.Max(1, size), players);

    /// <summary>As many groups as the players, balls, courts and coaches allow, and what keeps them from being more.</summary>
    public static (int Groups, GroupBound By) Most(DrillCard card, int players, Resources means)
    {
        var balls = card.Equipment.Where(each => each is { Item: Ball, Per: EquipmentPer.Group }).Sum(each => each.Count);
        (int Groups, GroupBound By)[] bounds =
        [
            (players / Math.Max(1, card.Players.Min), GroupBound.Players),
            (balls > 0 && means.Balls is { } have ? have / balls : int.MaxValue, GroupBound.Balls),
            (means.Courts ?? int.MaxValue, GroupBound.Courts),
            (card.Coaches > 0 && means.Coaches is { } coaches ? coaches / card.Coaches : int.MaxValue, GroupBound.Coaches),
        ];
        var (groups, by) = bounds.MinBy(bound => bound.Groups);
        return (Within(groups, players), by);
    }

    private static int Within(int groups, int players) => Math.Clamp(groups, 1, Math.Max(1, players));
}
