using KeepTally.Core.Judgement;

namespace KeepTally.Core.Reports;

/// <summary>The goes of one minute of a drill.</summary>
/// <param name="Minute">From 0.</param>
/// <param name="Goes">Made, of all goes in it.</param>
public sealed record MinuteGoes(int Minute, Share Goes)
{
    private const int Minutes = 60_000;

    /// <summary>Minute by minute from the first to the last in which there was a go, those without any too; a minute is of running time.</summary>
    public static IReadOnlyList<MinuteGoes> Of(IEnumerable<CountedGo> goes)
    {
        var minutes = goes.ToLookup(go => (int)(go.At.Milliseconds / Minutes));
        return minutes.Count == 0
            ? []
            :
            [
                .. Enumerable
                    .Range(0, minutes.Max(minute => minute.Key) + 1)
                    .Select(minute => new MinuteGoes(
                        minute,
                        Share.Sum(minutes[minute].Select(go => new Share(go.Made ? 1 : 0, 1)))
                    )),
            ];
    }
}
