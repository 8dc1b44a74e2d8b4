using KeepTally.Core.Faults;
using KeepTally.Core.Measures;

namespace KeepTally.Core.Layout;

/// <summary>
/// A drill drawn on its floor, with distances as they were written: origin at the lower left, x along the length. Source:
/// docs/formats.md, section 6.
/// </summary>
/// <param name="Floor">What it stands on.</param>
/// <param name="Marks">What stands there.</param>
/// <param name="Ways">Who and what goes where.</param>
/// <param name="Steps">What happens when in one rep, in order; the ways of step 1 belong to the first.</param>
public sealed record Diagram(Ground Floor, IReadOnlyList<Mark> Marks, IReadOnlyList<Way> Ways, IReadOnlyList<RepStep> Steps)
{
    /// <summary>The parts that were read but not understood, each with its place and its fix. Such a layout can be used, with a notice.</summary>
    public IReadOnlyList<Fault> PassedOver { get; init; } = [];

    /// <summary>Everything in metres, by a coach's stride.</summary>
    public Scene By(Stride stride) => new(Floor.By(stride), [.. Marks.Select(mark => mark.By(stride))], Ways, Steps);
}

/// <summary>One thing that happens in a rep.</summary>
/// <param name="Text">What happens, and who does it.</param>
/// <param name="Seconds">How long it takes, or null where the ways tell.</param>
public sealed record RepStep(string Text, double? Seconds = null);
