namespace KeepTally.Core.Layout;

/// <summary>A court or field, or a part of one, in metres.</summary>
public sealed record Surface(string Name, double Length, double Width)
{
    /// <summary>Full sizes as the sports' own rules publish them (from memory): the usual outdoor or hall size of each.</summary>
    private static readonly Dictionary<string, Surface> Known = new Surface[]
    {
        new("handball", 40, 20),
        new("field hockey", 91.4, 55),
        new("netball", 30.5, 15.25),
        new("floorball", 40, 20),
        new("ultimate", 100, 37),
        new("badminton", 13.4, 6.1),
    }.ToDictionary(surface => surface.Name, StringComparer.Ordinal);

    /// <summary>The surface of a sport, or null where its size is not known here.</summary>
    public static Surface? Of(string sport) => Known.GetValueOrDefault(sport);
}
