using KeepTally.Core.Identity;

namespace KeepTally.Core.Places;

/// <summary>Which player stands where. Players are ids; a line's head is its first. Nobody is in two places.</summary>
public sealed class Placement
{
    private readonly IReadOnlyList<Place> _places;
    private readonly Dictionary<string, List<PlayerId>> _standing;

    private Placement(IReadOnlyList<Place> places, Dictionary<string, List<PlayerId>> standing, List<PlayerId> waiting)
    {
        _places = places;
        _standing = standing;
        Waiting = waiting;
    }

    /// <summary>The places, in listed order.</summary>
    public IReadOnlyList<Place> Places => _places;

    /// <summary>Players for whom no place has room.</summary>
    public IReadOnlyList<PlayerId> Waiting { get; }

    /// <summary>Everyone who stands somewhere or waits.</summary>
    public IReadOnlyList<PlayerId> Everyone => [.. _places.SelectMany(place => At(place.Id)), .. Waiting];

    /// <summary>The players at a place, by id; the head of a line first.</summary>
    public IReadOnlyList<PlayerId> At(string place) => _standing[place];

    /// <summary>The place a player stands at, or null.</summary>
    public Place? Of(PlayerId player) => _places.FirstOrDefault(place => _standing[place.Id].Contains(player));

    /// <summary>
    /// Places fill in listed order, spots first (with too few for all of them, those that score before the rest); who is left spreads over the lines, the shortest line first. A place of a
    /// side takes that side's players only. Source: docs/formats.md, section 4.
    /// </summary>
    /// <param name="places">The places, in the order of the card.</param>
    /// <param name="players">The players, in order.</param>
    /// <param name="sideOf">The side a player is on, or null; everyone is on none where it is left out.</param>
    /// <param name="waiting">Who waits whatever room there is.</param>
    public static Placement Fill(
        IReadOnlyList<Place> places,
        IEnumerable<PlayerId> players,
        Func<PlayerId, PlayerId?>? sideOf = null,
        IEnumerable<PlayerId>? waiting = null
    )
    {
        var standing = places.ToDictionary(place => place.Id, _ => new List<PlayerId>(), StringComparer.Ordinal);
        var left = new List<PlayerId>(players);
        var spots = places.Where(place => place.Kind == PlaceKind.Spot).ToArray();
        // With too few for all the jobs the vital ones come first.
        var order = left.Count < spots.Sum(place => place.Size) ? spots.OrderBy(place => !place.Scores) : spots.AsEnumerable();
        foreach (var spot in order)
        {
            var takes = left.Where(player => Takes(spot, player)).Take(spot.Size).ToArray();
            standing[spot.Id].AddRange(takes);
            left.RemoveAll(takes.Contains);
        }

        var lines = places.Where(place => place.Kind == PlaceKind.Line).ToArray();
        foreach (var player in left.ToArray())
        {
            if (lines.Where(line => Takes(line, player)).MinBy(line => standing[line.Id].Count) is { } shortest)
            {
                standing[shortest.Id].Add(player);
                left.Remove(player);
            }
        }

        return new Placement(places, standing, [.. left, .. waiting ?? []]);

        bool Takes(Place place, PlayerId player) => place.Side is null || place.Side == sideOf?.Invoke(player)?.Value;
    }

    /// <summary>
    /// The places fill with the group whose turn it is; those that other groups fill, with theirs. Who is left of the group goes
    /// to the lines, and the others wait.
    /// </summary>
    /// <param name="places">The places, in the order of the card.</param>
    /// <param name="own">The players of the group.</param>
    /// <param name="others">Players of the other groups, those that come next first.</param>
    public static Placement FillInTurn(IReadOnlyList<Place> places, IEnumerable<PlayerId> own, IReadOnlyList<PlayerId> others)
    {
        Place[] theirs =
            others.Count == 0 ? [] : [.. places.Where(place => place is { FilledBy: FilledBy.Others, Kind: PlaceKind.Spot })];
        var filled = Fill([.. places.Except(theirs)], own);
        var left = new List<PlayerId>(others);
        var standing = places.ToDictionary(
            place => place.Id,
            place => theirs.Contains(place) ? [] : new List<PlayerId>(filled.At(place.Id)),
            StringComparer.Ordinal
        );
        foreach (var place in theirs)
        {
            Rotation.Feed(left, standing[place.Id], place.Size);
        }

        return new Placement(places, standing, [.. filled.Waiting, .. left]);
    }

    /// <summary>The same people after one change; the change works on copies and must keep everybody.</summary>
    internal Placement With(Action<IReadOnlyDictionary<string, List<PlayerId>>, List<PlayerId>> change)
    {
        var standing = _standing.ToDictionary(pair => pair.Key, pair => new List<PlayerId>(pair.Value), StringComparer.Ordinal);
        var waiting = new List<PlayerId>(Waiting);
        change(standing, waiting);
        return new Placement(_places, standing, waiting);
    }
}
