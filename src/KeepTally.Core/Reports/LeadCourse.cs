using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>How a match stood after a tap that changed it.</summary>
/// <param name="At">Running time of the game.</param>
/// <param name="First">The points of the first side.</param>
/// <param name="Second">The points of the second side.</param>
public readonly record struct LeadStep(RunningTime At, double First, double Second)
{
    /// <summary>How far the first is ahead; below nought where the second is.</summary>
    public double Lead => First - Second;
}

/// <summary>The course of one game of a match: who led, and by how much.</summary>
/// <param name="First">The name of the first side.</param>
/// <param name="Second">The name of the second side.</param>
/// <param name="Steps">After every tap that changed the points, in order.</param>
/// <param name="Undone">When taps were made that were undone, in order.</param>
public sealed record LeadCourse(string First, string Second, IReadOnlyList<LeadStep> Steps, IReadOnlyList<RunningTime> Undone)
{
    /// <summary>Taps by which one side went ahead after the other had been ahead last; being level between them counts as no lead.</summary>
    public IReadOnlyList<LeadStep> Changes
    {
        get
        {
            var changes = new List<LeadStep>();
            var last = 0;
            foreach (var step in Steps)
            {
                var leads = Math.Sign(step.Lead);
                if (leads != 0 && last != 0 && leads != last)
                {
                    changes.Add(step);
                }

                last = leads == 0 ? last : leads;
            }

            return changes;
        }
    }

    /// <summary>The furthest the first was ahead; nought where it never was.</summary>
    public double FirstBy => Steps.Select(step => step.Lead).Append(0).Max();

    /// <summary>The furthest the second was ahead; nought where it never was.</summary>
    public double SecondBy => Steps.Select(step => -step.Lead).Append(0).Max();
}
