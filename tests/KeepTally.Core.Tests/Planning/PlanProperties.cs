using CsCheck;
using KeepTally.Core.Planning;
using KeepTally.Core.Tests.Shipped;

namespace KeepTally.Core.Tests.Planning;

/// <summary>What holds for any timing sheet.</summary>
public sealed class PlanProperties
{
    [Fact]
    public void Times_add_up_and_every_group_is_even() =>
        AnyPlan.Any.Sample(
            plan =>
            {
                var report = PlanReport.Of(plan, AnyPlan.Shelf);
                var at = 0.0;
                foreach (var block in report.Blocks)
                {
                    Assert.Equal(at, block.ChangeFrom, 6);
                    Assert.Equal(at + block.Block.ChangeSeconds, block.From, 6);
                    at = block.To;
                    if (block.GroupSizes.Count > 0)
                    {
                        Assert.Equal(plan.Players, block.GroupSizes.Sum());
                        Assert.InRange(block.GroupSizes[0] - block.GroupSizes[^1], 0, 1);
                        Assert.Equal(block.GroupSizes.OrderDescending(), block.GroupSizes);
                    }
                }

                Assert.Equal(at, report.Total, 6);
                Assert.Equal((plan.Minutes * 60) - at, report.Slack, 6);
                Assert.Equal(report.Slack < 0, report.Warnings.Any(warning => warning.Code == WarningCode.OverTime));
            },
            iter: 400
        );

    [Fact]
    public void Nobody_is_busier_than_all_and_nobody_waits_less_than_not_at_all() =>
        AnyPlan.Any.Sample(
            plan =>
            {
                foreach (
                    var busy in PlanReport
                        .Of(plan, AnyPlan.Shelf)
                        .Blocks.SelectMany(block => block.Drills)
                        .Select(each => each.Activity)
                )
                {
                    Assert.True(busy is null or { ActiveShare: > 0 and <= 1, WaitSeconds: >= 0, RepsPerPlayer: >= 0 });
                    // Who is always busy never waits, and the other way round.
                    Assert.True(
                        busy is not { } each || (each.ActiveShare < 1) == (each.WaitSeconds > 0) || each.ActiveShare > 0.99m
                    );
                }
            },
            iter: 300
        );

    /// <summary>
    /// What rounding leaves over goes to the line furthest from its share: where no card holds a line back, none ends half a minute
    /// or more from it.
    /// </summary>
    [Fact]
    public void Stretched_to_the_time_every_line_keeps_its_share() =>
        Gen.Select(Gen.Int[6, 12].Array[2, 6], Gen.Int[-8, 8])
            .Sample(
                drawn =>
                {
                    var blocks = drawn
                        .Item1.Select(minutes => (PlanBlock)new PlanBlock.Drill("nobody-knows-it", minutes, 2))
                        .ToArray();
                    var total = drawn.Item1.Sum();
                    var plan = new Plan
                    {
                        Start = new TimeOnly(17, 30),
                        Minutes = total + (drawn.Item2 * 0.5),
                        Players = 12,
                        Blocks = blocks,
                    };
                    var fitted = FitToTime.Of(plan, AnyPlan.Shelf);
                    var share = plan.Minutes / total;
                    // A card that is not in the book is held to be one of eight minutes: from four to twelve.
                    if (drawn.Item1.Any(minutes => minutes * share > 11.5))
                    {
                        return;
                    }

                    Assert.Equal(plan.Minutes * 60, fitted.Blocks.Sum(block => block.Seconds), 6);
                    Assert.All(
                        fitted.Blocks.Zip(drawn.Item1),
                        each => Assert.InRange(PlanEdits.MinutesOf(each.First) - (each.Second * share), -0.5, 0.5)
                    );
                },
                iter: 500
            );

    [Fact]
    public void A_fix_takes_its_warning_away_and_brings_none_that_is_worse() =>
        AnyPlan.Any.Sample(
            plan =>
            {
                var report = PlanReport.Of(plan, AnyPlan.Shelf);
                var fixes = new PlanFixes(plan, AnyPlan.Shelf, ShippedCard.Ids);
                foreach (var warning in report.Warnings)
                {
                    foreach (var fix in fixes.For(warning))
                    {
                        var after = PlanReport.Of(fix.After, AnyPlan.Shelf).Warnings;
                        Assert.DoesNotContain(after, each => IsSame(plan, warning, fix.After, each));
                        Assert.All(
                            after.Where(each => !report.Warnings.Any(old => IsSame(plan, old, fix.After, each))),
                            each => Assert.True(PlanFixes.Weight(each.Code) <= PlanFixes.Weight(warning.Code), each.Text)
                        );
                        Assert.True(after.Count <= report.Warnings.Count);
                        Assert.NotEmpty(fix.Label);
                    }
                }
            },
            iter: 150
        );

    /// <summary>What every coach can do is offered: what is short can be borrowed, what is not known removed.</summary>
    [Fact]
    public void What_is_short_or_not_known_always_has_a_fix() =>
        AnyPlan.Any.Sample(
            plan =>
            {
                var fixes = new PlanFixes(plan, AnyPlan.Shelf, ShippedCard.Ids);
                foreach (var warning in PlanReport.Of(plan, AnyPlan.Shelf).Warnings)
                {
                    if (warning.Code is WarningCode.ShortOf or WarningCode.ShortOfCoaches or WarningCode.OverTime)
                    {
                        Assert.NotEmpty(fixes.For(warning));
                    }
                }
            },
            iter: 100
        );

    [Fact]
    public void What_would_keep_more_busy_does_and_brings_no_warning_that_was_not_there() =>
        AnyPlan.Any.Sample(
            plan =>
            {
                var before = PlanReport.Of(plan, AnyPlan.Shelf);
                for (var index = 0; index < plan.Blocks.Count; index++)
                {
                    if (StandingAbout.Best(plan, index, AnyPlan.Shelf, ["warm-hands", "corner-calls"]) is not { } change)
                    {
                        continue;
                    }

                    Assert.True(change.To > change.From, change.What);
                    Assert.Equal(plan.Blocks.Count, change.Then.Blocks.Count);
                    if (change.Missing.Length == 0)
                    {
                        var after = PlanReport.Of(change.Then, AnyPlan.Shelf);
                        Assert.True(after.Warnings.Count <= before.Warnings.Count, change.What);
                        Assert.True(after.Total <= before.Total + 1e-6, change.What);
                    }
                }
            },
            iter: 100
        );

    /// <summary>Where nothing smaller helps a line is removed: only what is not about a line may have no fix.</summary>
    [Fact]
    public void Whatever_is_wrong_with_a_line_that_is_new_can_be_fixed() =>
        AnyPlan.Any.Sample(
            plan =>
            {
                var alone = plan with { Blocks = [.. plan.Blocks.Take(1)], Minutes = 600, Reserve = ["last-line"] };
                var fixes = new PlanFixes(alone, AnyPlan.Shelf, ShippedCard.Ids);
                foreach (var warning in PlanReport.Of(alone, AnyPlan.Shelf).Warnings)
                {
                    Assert.True(fixes.For(warning).Count > 0, warning.Text);
                }
            },
            iter: 200
        );

    [Fact]
    public void What_is_fitted_to_the_time_fits_it_within_the_sense_of_every_card() =>
        AnyPlan.Any.Sample(
            plan =>
            {
                var before = PlanReport.Of(plan, AnyPlan.Shelf);
                var fitted = FitToTime.Of(plan, AnyPlan.Shelf);
                var after = PlanReport.Of(fitted, AnyPlan.Shelf);

                Assert.Equal(plan.Blocks.Count, fitted.Blocks.Count);
                var allAtLeast = true;
                foreach (var (old, block) in plan.Blocks.Zip(fitted.Blocks))
                {
                    Assert.Equal(old.ChangeSeconds, block.ChangeSeconds);
                    if (block is PlanBlock.Break or PlanBlock.Talk)
                    {
                        Assert.Equal(old.Seconds, block.Seconds);
                        continue;
                    }

                    var senses = block.Cards.Select(card => CardSense.Of(AnyPlan.Shelf.Find(card), plan)).ToArray();
                    var minutes = PlanEdits.MinutesOf(block);
                    Assert.Equal(0, minutes * 2 % 1);
                    Assert.InRange(
                        minutes,
                        Math.Min(senses.Min(sense => sense.Least), PlanEdits.MinutesOf(old)),
                        senses.Max(sense => sense.Most)
                    );
                    allAtLeast &= minutes <= senses.Max(sense => sense.Least);
                }

                // Too long only where nothing can be shorter.
                Assert.True(after.Slack >= 0 || allAtLeast || plan.Blocks.Count == 0);
                Assert.True(before.Slack < 0 || after.Slack >= 0);
            },
            iter: 300
        );

    [Fact]
    public void Whatever_is_written_reads_the_same() =>
        AnyPlan.Any.Sample(
            plan =>
            {
                var text = PlanWriter.Write(plan);
                var read = PlanReader.Read(text);

                Assert.True(read.IsOk, string.Join('\n', read.Faults));
                Assert.Equal(text, PlanWriter.Write(read.Value));
                Assert.Equal(
                    PlanReportWriter.Write(PlanReport.Of(plan, AnyPlan.Shelf), AnyPlan.Shelf),
                    PlanReportWriter.Write(PlanReport.Of(read.Value, AnyPlan.Shelf), AnyPlan.Shelf)
                );
            },
            iter: 200
        );

    [Fact]
    public void A_line_that_is_moved_takes_nothing_with_it_and_the_first_has_no_walk_of_another() =>
        Gen.Select(AnyPlan.Any, Gen.Int[0, 9], Gen.Int[0, 9])
            .Sample(
                (plan, from, to) =>
                {
                    if (plan.Blocks.Count < 2)
                    {
                        return;
                    }

                    var moved = plan.Moved(from % plan.Blocks.Count, to % plan.Blocks.Count);
                    Assert.Equal(PlanReport.Of(plan, AnyPlan.Shelf).Total, PlanReport.Of(moved, AnyPlan.Shelf).Total, 6);
                    Assert.Equal(plan.Blocks[0].ChangeSeconds, moved.Blocks[0].ChangeSeconds);
                },
                iter: 200
            );

    private static bool IsSame(Plan before, PlanWarning one, Plan after, PlanWarning other) =>
        one.Code == other.Code
        && one.Item == other.Item
        && Line(before, one)?.Key == Line(after, other)?.Key
        && Station(before, one) == Station(after, other);

    private static PlanBlock? Line(Plan plan, PlanWarning warning) => warning.Block is { } block ? plan.Blocks[block] : null;

    private static string? Station(Plan plan, PlanWarning warning) =>
        warning.Station is { } station ? Line(plan, warning)!.Cards[station] : null;
}
