using KeepTally.Core.Judgement;
using KeepTally.Core.Text;
using KeepTally.Core.Words;

namespace KeepTally.Core.Reports;

/// <summary>The zone that a player should be asked for next: one hardly asked yet, else the one with the lowest share.</summary>
public static class AskNext
{
    /// <summary>A zone asked less often than this says nothing about the player yet.</summary>
    private const int Few = 3;

    /// <summary>Returns the zone; null where nothing sets one apart.</summary>
    /// <param name="zones">Each zone with how often it was hit of how often it was asked, in the order of the card.</param>
    public static string? Zone(IReadOnlyList<(string Zone, Share Hit)> zones)
    {
        if (zones.Count == 0)
        {
            return null;
        }

        var least = zones.MinBy(zone => zone.Hit.Of);
        if (least.Hit.Of < Few)
        {
            return least.Zone;
        }

        var lowest = zones.MinBy(zone => zone.Hit.Value);
        return zones.All(zone => zone.Hit.Value.Equals(lowest.Hit.Value)) ? null : lowest.Zone;
    }

    /// <summary>"Ask next for low left: 3 of 12 hit, and no zone has a lower share." Empty where there are no zones.</summary>
    /// <param name="zones">Each zone with how often it was hit of how often it was asked, in the order of the card.</param>
    public static string Of(IReadOnlyList<(string Zone, Share Hit)> zones)
    {
        if (Zone(zones) is not { } next)
        {
            return zones.Count == 0 ? "" : $"Every zone has the same share: {Phrase.Percent(zones[0].Hit.Value)} hit.";
        }

        var hit = zones.First(zone => zone.Zone == next).Hit;
        return hit.Of == 0 ? $"Ask next for {Phrase.Words(next)}: it was never asked."
            : hit.Of < Few ? $"Ask next for {Phrase.Words(next)}: it was asked only {Phrase.Times(hit.Of)}."
            : $"Ask next for {Phrase.Words(next)}: {ShareWords.Plain(hit)} hit, and no zone has a lower share.";
    }
}
