using KeepTally.Core.Courts;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Core.SetUp;

/// <summary>Something a person carries out and puts down.</summary>
/// <param name="Thing">What it is: "cone", "disc", "ball", "goal"; for a corner of a zone or an end of a line <see cref="Marker"/>.</param>
/// <param name="Name">What it marks: "left", "a corner of short"; empty where it has no name.</param>
/// <param name="At">Where it goes.</param>
public sealed record ToPlace(string Thing, string Name, Spot At)
{
    /// <summary>A marker for a corner of a zone or an end of a line: any flat thing at hand.</summary>
    public const string Marker = "marker";

    /// <summary>Two things nearer than this stand for one, in metres.</summary>
    private const double Same = 0.15;

    /// <summary>
    /// What of a layout is put down, each spot once: cones, discs, balls and goals that are not there already, and a marker for
    /// each corner of a zone and end of a line that no painted line and no cone shows.
    /// </summary>
    public static IReadOnlyList<ToPlace> Of(Scene scene)
    {
        var all = new List<ToPlace>();
        foreach (var mark in scene.OnFloor)
        {
            switch (mark.Kind)
            {
                case MarkKind.Cone or MarkKind.Disc or MarkKind.Ball:
                    Add(new ToPlace(LayoutChoices.WordOf(mark.Kind), mark.Label, mark.At));
                    break;
                case MarkKind.Goal when !Stands(scene.Surface, mark):
                    Add(new ToPlace("goal", mark.Label == "goal" ? "" : mark.Label, mark.Middle));
                    break;
                case MarkKind.Goal or MarkKind.Player or MarkKind.Coach or MarkKind.Line or MarkKind.Zone:
                    break;
                default:
                    throw new InvalidOperationException("A mark nobody knows.");
            }
        }

        foreach (var mark in scene.OnFloor.Where(mark => mark.Kind is MarkKind.Zone or MarkKind.Line))
        {
            foreach (var corner in mark.Outline)
            {
                if (!IsShown(scene.Surface, corner))
                {
                    Add(new ToPlace(Marker, $"{(mark.Kind == MarkKind.Zone ? "a corner" : "an end")} of {mark.Name}", corner));
                }
            }
        }

        return all;

        void Add(ToPlace place)
        {
            if (all.FindIndex(each => each.At.To(place.At) < Same) is var at && at < 0)
            {
                all.Add(place);
            }
            else if (
                place.Thing == Marker
                && all[at].Thing == Marker
                && !all[at].Name.Contains(place.Name, StringComparison.Ordinal)
            )
            {
                all[at] = all[at] with { Name = Joined(all[at].Name, place.Name) };
            }
        }
    }

    /// <summary>"a corner of left, middle": what is of the same kind is not said twice.</summary>
    private static string Joined(string first, string second) =>
        second.IndexOf(" of ", StringComparison.Ordinal) is var cut
        && cut > 0
        && first.StartsWith(second[..(cut + 4)], StringComparison.Ordinal)
            ? $"{first}, {second[(cut + 4)..]}"
            : $"{first} and {second}";

    /// <summary>Whether a goal of the court stands there already.</summary>
    private static bool Stands(Surface surface, Placed goal) =>
        surface.Markings.OfType<Marking.Stands>().Any(each => each.From.Toward(each.To, 0.5).To(goal.Middle) < 0.5);

    /// <summary>Whether two painted lines meet there, so that anyone finds the spot.</summary>
    private static bool IsShown(Surface surface, Spot corner) =>
        surface.Landmarks.Any(each => each.At.To(corner) < Same && surface.Markings.Count > 0)
        || surface.Markings.Count(each => Meets(each, corner)) >= 2;

    private static bool Meets(Marking marking, Spot at) =>
        marking switch
        {
            Marking.Line line => at.To(at.OnLine(line.From, line.To)) < Same,
            Marking.Stands stands => at.To(at.OnLine(stands.From, stands.To)) < Same,
            Marking.Arc or Marking.Point => false,
            _ => throw new InvalidOperationException("A marking nobody knows."),
        };
}
