using KeepTally.Core.Judgement;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>Goes before half of a drill's running time, and after it.</summary>
/// <param name="Place">Where from; empty of all places together.</param>
/// <param name="Early">In the first half of the time.</param>
/// <param name="Late">In the second.</param>
public sealed record LateGoes(string Place, Share Early, Share Late)
{
    /// <summary>All goes of all places.</summary>
    public Share All => Share.Sum([Early, Late]);

    /// <summary>All goes of sheets, each by the half of its own time.</summary>
    /// <param name="sheets">The goes of each sheet, and how long it ran.</param>
    public static LateGoes Of(IEnumerable<(IReadOnlyList<CountedGo> Goes, Duration Ran)> sheets) => Of("", Halved(sheets));

    /// <summary>The same by place, in the order in which the places were first used; empty unless there are at least two.</summary>
    /// <param name="sheets">The goes of each sheet, and how long it ran.</param>
    public static IReadOnlyList<LateGoes> ByPlace(IEnumerable<(IReadOnlyList<CountedGo> Goes, Duration Ran)> sheets)
    {
        LateGoes[] places =
        [
            .. Halved(sheets)
                .Where(each => each.Go.Place.Length > 0)
                .GroupBy(each => each.Go.Place, StringComparer.Ordinal)
                .Select(place => Of(place.Key, place)),
        ];
        return places.Length > 1 ? places : [];
    }

    private static LateGoes Of(string place, IEnumerable<(CountedGo Go, bool IsLate)> goes)
    {
        var halves = goes.ToLookup(each => each.IsLate, each => each.Go);
        return new LateGoes(place, Of(halves[false]), Of(halves[true]));
    }

    private static Share Of(IEnumerable<CountedGo> goes) => Share.Sum(goes.Select(go => new Share(go.Made ? 1 : 0, 1)));

    private static IEnumerable<(CountedGo Go, bool IsLate)> Halved(
        IEnumerable<(IReadOnlyList<CountedGo> Goes, Duration Ran)> sheets
    ) => sheets.SelectMany(sheet => sheet.Goes.Select(go => (go, 2 * go.At.Milliseconds > sheet.Ran.Milliseconds)));
}
