using System.Globalization;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.SetUp;

namespace KeepTally.Web.Pages.SetUp;

/// <summary>A press in the editor, as its words with colons between: <c>put:cone</c>, <c>move:2:3.5:4</c>, <c>drop:1</c>.</summary>
/// <param name="edits">What is done to layouts.</param>
public sealed class LayoutPress(LayoutEdits edits)
{
    /// <summary>The mark that is in hand after the press, or -1.</summary>
    public int Selected { get; private set; } = -1;

    /// <summary>The layout after a press; the same where the press says nothing that can be done.</summary>
    public Diagram Do(Diagram diagram, string press, int selected)
    {
        var words = press.Split(':');
        Selected = selected < diagram.Marks.Count ? selected : -1;
        return words switch
        {
            ["put", var kind] when Enum.TryParse<MarkKind>(kind, ignoreCase: true, out var put) && Enum.IsDefined(put) => Put(
                diagram,
                put
            ),
            ["zone", var id] => Last(edits.PutZone(diagram, id, GoalOf(diagram))),
            ["take", var mark] when Index(mark, diagram.Marks.Count) is { } index => Take(diagram, index),
            ["move", var mark, var x, var y]
                when Index(mark, diagram.Marks.Count) is { } index && Number(x) is { } right && Number(y) is { } far =>
                edits.MoveTo(Take(diagram, index), index, new Spot(right, far)),
            ["nudge", var mark, var x, var y]
                when Index(mark, diagram.Marks.Count) is { } index && Number(x) is { } right && Number(y) is { } far => edits.Nudge(
                Take(diagram, index),
                index,
                Math.Sign(right),
                Math.Sign(far)
            ),
            ["drop", var mark] when Index(mark, diagram.Marks.Count) is { } index => Drop(diagram, index),
            ["corners", var mark] when Index(mark, diagram.Marks.Count) is { } index => CornerEdits.Of(
                Take(diagram, index),
                index,
                edits.Stride
            ),
            ["corner", var mark] when Index(mark, diagram.Marks.Count) is { } index => CornerEdits.More(
                Take(diagram, index),
                index,
                edits.Stride
            ),
            ["no-corner", var mark, var corner]
                when Index(mark, diagram.Marks.Count) is { } index && Index(corner, diagram.Marks[index].Corners.Count) is { } at =>
                CornerEdits.Without(Take(diagram, index), index, at),
            ["rectangle", var mark] when Index(mark, diagram.Marks.Count) is { } index => CornerEdits.AsRectangle(
                Take(diagram, index),
                index,
                edits.Stride
            ),
            ["way"] when Ends(diagram) is { } ends => LayoutEdits.WithWay(
                diagram,
                new Way(ends.From, ends.To, Travel.Run, Math.Max(1, diagram.Steps.Count))
            ),
            ["no-way", var way] when Index(way, diagram.Ways.Count) is { } index => LayoutEdits.WithoutWay(diagram, index),
            ["step"] when diagram.Steps.Count < 50 => LayoutEdits.WithStep(diagram, ""),
            ["no-step", var step] when Index(step, diagram.Steps.Count) is { } index => LayoutEdits.WithoutStep(diagram, index),
            _ => diagram,
        };
    }

    private Diagram Put(Diagram diagram, MarkKind kind)
    {
        var surface = diagram.Floor.By(Stride.Usual);
        // Beside the mark in hand, else in the middle: from there it is moved.
        var at =
            Selected >= 0
                ? diagram.Marks[Selected].By(Stride.Usual).At.Plus(1, 0)
                : new Spot(surface.Length / 2, surface.Width / 2);
        return Last(edits.Put(diagram, kind, at));
    }

    private Diagram Last(Diagram diagram)
    {
        Selected = diagram.Marks.Count - 1;
        return diagram;
    }

    private Diagram Take(Diagram diagram, int index)
    {
        Selected = index;
        return diagram;
    }

    private Diagram Drop(Diagram diagram, int index)
    {
        Selected = -1;
        return LayoutEdits.Without(diagram, index);
    }

    private static string GoalOf(Diagram diagram) =>
        diagram.Marks.FirstOrDefault(mark => mark.Kind == MarkKind.Zone)?.In
        ?? diagram.Marks.FirstOrDefault(mark => mark.Kind == MarkKind.Goal && mark.Height.Amount > 0)?.Id
        ?? "";

    private static (string From, string To)? Ends(Diagram diagram) =>
        diagram.Marks.Where(mark => mark.Id.Length > 0).Take(2).ToArray() is [var from, var to] ? (from.Id, to.Id) : null;

    private static int? Index(string text, int count) =>
        int.TryParse(text, out var index) && index >= 0 && index < count ? index : null;

    private static double? Number(string text) =>
        double.TryParse(text, CultureInfo.InvariantCulture, out var number) && Math.Abs(number) <= LayoutReader.Farthest
            ? number
            : null;
}
