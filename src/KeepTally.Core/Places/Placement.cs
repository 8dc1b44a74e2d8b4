namespace KeepTally.Core.Places;

/// <summary>Who stands where. Players are ids; a line's head is its first. Nobody is in two places.</summary>
public sealed class Placement
{
    private readonly IReadOnlyList<Place> _places;
    private readonly Dictionary<string, List<string>> _standing;

    private Placement(IReadOnlyList<Place> places, Dictionary<string, List<string>> standing, List<string> waiting)
    {
        _places = places;
        _standing = standing;
        Waiting = waiting;
    }

    public IReadOnlyList<Place> Places => _places;

    /// <summary>Players for whom no place has room.</summary>
    public IReadOnlyList<string> Waiting { get; }

    public IReadOnlyList<string> At(string place) => _standing[place];

    /// <summary>The place a player stands at, or null.</summary>
    public Place? Of(string player) => _places.FirstOrDefault(place => _standing[place.Id].Contains(player));

    /// <summary>
    /// Places fill in listed order, spots first; who is left spreads over the lines, the shortest line first.
    /// Source: docs/formats.md, section 4.
    /// </summary>
    public static Placement Fill(IReadOnlyList<Place> places, IEnumerable<string> players)
    {
        var standing = places.ToDictionary(place => place.Id, _ => new List<string>(), StringComparer.Ordinal);
        var left = new Queue<string>(players);
        foreach (var spot in places.Where(place => place.Kind == PlaceKind.Spot))
        {
            while (left.Count > 0 && standing[spot.Id].Count < spot.Size)
            {
                standing[spot.Id].Add(left.Dequeue());
            }
        }

        var lines = places.Where(place => place.Kind == PlaceKind.Line).Select(line => standing[line.Id]).ToArray();
        while (left.Count > 0 && lines.Length > 0)
        {
            lines.MinBy(line => line.Count)!.Add(left.Dequeue());
        }

        return new Placement(places, standing, [.. left]);
    }

    /// <summary>The same people after one change; the change works on copies and must keep everybody.</summary>
    internal Placement With(Action<IReadOnlyDictionary<string, List<string>>, List<string>> change)
    {
        var standing = _standing.ToDictionary(pair => pair.Key, pair => new List<string>(pair.Value), StringComparer.Ordinal);
        var waiting = new List<string>(Waiting);
        change(standing, waiting);
        return new Placement(_places, standing, waiting);
    }
}
