using KeepTally.Core.Courts;
using KeepTally.Core.Faults;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;

namespace KeepTally.Web.Pages.SetUp;

/// <summary>Lays what was typed in the editor's fields over a layout. What cannot be read leaves the old value, and is told.</summary>
/// <param name="form">The form as it was sent.</param>
/// <param name="unit">What a bare number is counted in.</param>
public sealed class LayoutForm(IFormCollection form, LengthUnit unit)
{
    /// <summary>What is nearer than this is the same size, in metres: feet and yards are rounded.</summary>
    private const double Near = 0.01;

    private readonly List<Fault> _faults = [];

    /// <summary>The values that could not be read, each with its field.</summary>
    public IReadOnlyList<Fault> Faults => _faults;

    /// <summary>The layout as its fields say.</summary>
    public Diagram Over(Diagram diagram)
    {
        diagram = diagram with { Floor = FloorOf(diagram.Floor) };
        for (var index = 0; index < diagram.Marks.Count; index++)
        {
            var mark = MarkOf(diagram, index);
            diagram = KeepTally.Core.SetUp.LayoutEdits.With(diagram, index, mark);
            if (mark.Corners.Count > 0)
            {
                diagram = KeepTally.Core.SetUp.CornerEdits.With(diagram, index, CornersOf(mark, index));
            }
        }

        return diagram with
        {
            Ways = [.. diagram.Ways.Select((way, index) => WayOf(diagram, way, index))],
            Steps =
            [
                .. diagram.Steps.Select(
                    (step, index) => Text($"step-{index}") is { } text ? step with { Text = Cut(text, 500) } : step
                ),
            ],
        };
    }

    private Ground FloorOf(Ground floor)
    {
        if (Text("court") is not { } id)
        {
            return floor;
        }

        var court = CourtList.Find(id);
        var part = LayoutChoices.Parts.All.Any(choice => choice.Word == Text("part"))
            ? Enum.Parse<CourtPart>(Text("part")!, ignoreCase: true)
            : floor.Part;
        if (court?.Id != floor.Court?.Id)
        {
            // Another floor has its own size.
            return court is null ? Ground.Plain(Ground.UsualLength, Ground.UsualWidth) : new Ground(court, part, null, null);
        }

        return court is null
            ? floor with
            {
                Length = Size("floor-length", floor.Length ?? Measure.OfMetres(Ground.UsualLength)),
                Width = Size("floor-width", floor.Width ?? Measure.OfMetres(Ground.UsualWidth)),
            }
            : floor with
            {
                Part = part,
                Length = Allowed("floor-length", floor.Length, court.Length),
                Width = Allowed("floor-width", floor.Width, court.Width),
            };
    }

    /// <summary>A size of a court, where its rule book leaves a choice; null for the usual one.</summary>
    private Measure? Allowed(string name, Measure? old, Extent extent)
    {
        var size = extent.Varies ? Distance(name, old ?? Measure.OfMetres(extent.Usual)) : Measure.OfMetres(extent.Usual);
        var metres = size.Metres(Stride.Usual);
        if (metres < extent.Least - Near || metres > extent.Most + Near)
        {
            _faults.Add(
                new Fault(
                    name,
                    $"the rule book allows {Told(extent.Least)} to {Told(extent.Most)}",
                    "write a size between them, or take a space of any size"
                )
            );
            return old;
        }

        return Math.Abs(metres - extent.Usual) < Near ? null : size;
    }

    private string Told(double metres) =>
        KeepTally.Core.SetUp.DistanceWords.In(metres, unit == LengthUnit.Paces ? LengthUnit.Metres : unit, Stride.Usual);

    private (Measure X, Measure Y)[] CornersOf(Mark mark, int index) =>
        [
            .. mark.Corners.Select(
                (corner, at) => (Distance($"corner-x-{index}-{at}", corner.X), Distance($"corner-y-{index}-{at}", corner.Y))
            ),
        ];

    private Measure Size(string name, Measure old)
    {
        var size = Distance(name, old);
        if (size.Metres(Stride.Usual) is >= 0.5 and <= LayoutReader.Farthest)
        {
            return size;
        }

        _faults.Add(new Fault(name, "a floor is from 0.5 to 1,000 metres long and wide", "write its size, such as 20"));
        return old;
    }

    private Mark MarkOf(Diagram diagram, int index)
    {
        var mark = diagram.Marks[index];
        var id = Text($"id-{index}") is { Length: > 0 } typed ? Cut(typed.ToLowerInvariant().Replace(' ', '-'), 60) : mark.Id;
        if (id != mark.Id && diagram.Marks.Any(other => other.Id == id))
        {
            _faults.Add(new Fault($"id-{index}", $"another mark is called \"{id}\" already", "give each its own name"));
            id = mark.Id;
        }

        var goals = diagram.Marks.Where(other => other.Kind == MarkKind.Goal && other.Height.Amount > 0).Select(other => other.Id);
        return mark with
        {
            Id = id,
            Label = Text($"label-{index}") is { } label ? Cut(label, 60) : mark.Label,
            X = Distance($"x-{index}", mark.X),
            Y = Distance($"y-{index}", mark.Y),
            Length = Distance($"length-{index}", mark.Length),
            Width = Distance($"width-{index}", mark.Width),
            Height = Distance($"height-{index}", mark.Height),
            In = Text($"in-{index}") is { } goal && (goal.Length == 0 || goals.Contains(goal)) ? goal : mark.In,
        };
    }

    private Way WayOf(Diagram diagram, Way way, int index)
    {
        string End(string name, string old) =>
            Text($"{name}-{index}") is { } id && diagram.Marks.Any(mark => mark.Id == id) ? id : old;
        var step = int.TryParse(Text($"at-{index}"), out var typed) && typed is >= 1 and <= 99 ? typed : way.Step;
        return new Way(End("from", way.From), End("to", way.To), Choice(Text($"as-{index}"), way.As), step);
    }

    private static Travel Choice(string? word, Travel old) =>
        Enum.TryParse<Travel>(word, ignoreCase: true, out var travel) && Enum.IsDefined(travel) ? travel : old;

    private Measure Distance(string name, Measure old)
    {
        // What was not touched stays as it was written, to the last figure.
        if (Text(name) is not { } typed || typed == Shown(old))
        {
            return old;
        }

        if (typed.Length == 0)
        {
            return Measure.Zero;
        }

        if (Measure.Parse(typed, unit) is { } read && Math.Abs(read.Metres(new Stride(Stride.Most))) <= LayoutReader.Farthest)
        {
            return read;
        }

        _faults.Add(
            new Fault(
                name,
                $"\"{Cut(typed, 40)}\" is no distance",
                "write a number such as 3.5, or with its unit: 4p, 12ft, 4yd, 3m"
            )
        );
        return old;
    }

    /// <summary>A distance as the editor shows it: with its unit, and empty for nought of what need not be.</summary>
    public static string Shown(Measure distance) =>
        distance.Unit == LengthUnit.Metres
            ? $"{distance.Figure} m"
            : $"{distance.Figure} {(distance.Unit == LengthUnit.Paces ? "p" : KeepTally.Core.SetUp.DistanceWords.Sign(distance.Unit))}";

    private string? Text(string name) => form.TryGetValue(name, out var value) ? value.ToString().Trim() : null;

    private static string Cut(string text, int most) => text.Length <= most ? text : text[..most];
}
