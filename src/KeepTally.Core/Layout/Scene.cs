namespace KeepTally.Core.Layout;

/// <summary>A layout in metres, ready to be drawn, paced and played.</summary>
/// <param name="Surface">The floor.</param>
/// <param name="Marks">What stands on it, in the order of the layout.</param>
/// <param name="Ways">Who and what goes where.</param>
/// <param name="Steps">What happens when.</param>
public sealed record Scene(Surface Surface, IReadOnlyList<Placed> Marks, IReadOnlyList<Way> Ways, IReadOnlyList<RepStep> Steps)
{
    /// <summary>The marks on the floor, without the zones that hang in a goal.</summary>
    public IEnumerable<Placed> OnFloor => Marks.Where(mark => mark.In.Length == 0);

    /// <summary>The mark of an id, or null.</summary>
    public Placed? Find(string id) => Marks.FirstOrDefault(mark => mark.Id.Length > 0 && mark.Id == id);

    /// <summary>Where on the floor a way of an id begins or ends, or null: what hangs in a goal is reached at the goal.</summary>
    public Placed? End(string id) => Find(id) is { In.Length: > 0 } hung ? Find(hung.In) : Find(id);

    /// <summary>The zones a goal holds, by goal; in metres from the foot of its left post as a shooter sees it.</summary>
    public IEnumerable<(Placed Goal, IReadOnlyList<Placed> Zones)> Mouths =>
        Marks
            .Where(mark => mark.Kind == MarkKind.Goal)
            .Select(goal => (goal, (IReadOnlyList<Placed>)[.. Marks.Where(mark => mark.In.Length > 0 && mark.In == goal.Id)]))
            .Where(mouth => mouth.Item2.Count > 0);
}
