namespace KeepTally.Core.Layout;

/// <summary>From how far a drill's shots are taken.</summary>
public static class ShotLength
{
    /// <summary>How much longer than the shortest the longest may be for all to count as one distance.</summary>
    private const double Alike = 1.25;

    /// <summary>The mean length of its shots in metres; null where it has none, or they are too unlike for one distance to stand for all.</summary>
    public static double? Of(Scene scene)
    {
        double[] lengths =
        [
            .. scene
                .Ways.Where(way => way.As == Travel.Shot)
                .Select(way => (From: scene.Find(way.From), To: scene.End(way.To)))
                .Where(ends => ends is { From: not null, To: not null })
                .Select(ends => ends.From!.Middle.To(ends.To!.ReachedFrom(ends.From.Middle)))
                .Where(length => length > 0),
        ];
        return lengths.Length > 0 && lengths.Max() <= Alike * lengths.Min() ? lengths.Average() : null;
    }
}
