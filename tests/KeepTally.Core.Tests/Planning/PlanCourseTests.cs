using KeepTally.Core.Planning;

namespace KeepTally.Core.Tests.Planning;

/// <summary>The sentence over the strip of a timing sheet.</summary>
public sealed class PlanCourseTests
{
    private static CourseSpan Span(string name, int? effort, double? busy) => new(name, 0, 60, effort, busy);

    [Fact]
    public void The_hardest_and_the_least_busy_drill_are_named() =>
        Assert.Equal(
            "Hardest: Duel (effort 5). Least busy: Lines (40 %).",
            new PlanCourse([Span("Warm", 1, 1), Span("Lines", 3, 0.4), Span("Duel", 5, 0.9)]).Told
        );

    [Fact]
    public void Two_that_are_alike_are_both_named_and_more_are_counted()
    {
        Assert.Equal(
            "Hardest: Duel and Game (effort 4). Players are 50 % busy in every drill.",
            new PlanCourse([Span("Duel", 4, 0.5), Span("Game", 4, 0.5), Span("Warm", 1, 0.5)]).Told
        );
        Assert.Equal(
            "Hardest: three drills of effort 4. Least busy: three drills with 50 %.",
            new PlanCourse([Span("A", 4, 0.5), Span("B", 4, 0.5), Span("C", 4, 0.5), Span("D", 1, 1)]).Told
        );
    }

    [Fact]
    public void What_is_not_known_is_not_told()
    {
        Assert.Equal("", new PlanCourse([]).Told);
        Assert.Equal("", new PlanCourse([Span("Warm", 1, 1)]).Told);
        Assert.Equal("", new PlanCourse([Span("A", null, null), Span("B", null, null)]).Told);
        Assert.Equal("Hardest: B (effort 2).", new PlanCourse([Span("A", null, null), Span("B", 2, null)]).Told);
    }
}
