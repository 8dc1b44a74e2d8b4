using System.ComponentModel.DataAnnotations;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace KeepTally.Web.Pages.Timing;

/// <summary>A line of a timing sheet as a coach fills it in.</summary>
public sealed class LineForm : IStaleForm
{
    [BindRequired]
    [Range(0.5, 240, ErrorMessage = "A line lasts from half a minute to 240 minutes.")]
    public double Minutes { get; set; }

    [BindRequired]
    [Range(1, PlanReader.MostGroups, ErrorMessage = "Write how many groups, from 1 to 40.")]
    public int Groups { get; set; }

    [BindRequired]
    [Range(0, 1800, ErrorMessage = "What comes before it lasts from 0 to 1800 seconds.")]
    [Display(Name = "Seconds before it")]
    public int Change { get; set; }

    /// <summary>The coaches who take it, with semicolons between.</summary>
    [StringLength(240, ErrorMessage = "Write who takes it in 240 characters at most.")]
    [Display(Name = "Who takes it")]
    public string? Takes { get; set; }

    /// <summary>The name of a break or a talk.</summary>
    [StringLength(PlanReader.LongestName, ErrorMessage = "A name has 120 characters at most.")]
    public string? Name { get; set; }

    /// <summary>At a circuit, seconds from one station to the next.</summary>
    [Range(0, 300, ErrorMessage = "A walk between stations lasts from 0 to 300 seconds.")]
    [Display(Name = "Seconds between stations")]
    public int? Between { get; set; }

    /// <summary>At a circuit, the walks are part of the minutes at the stations.</summary>
    public bool ChangeInside { get; set; }

    /// <summary>The greatest number on each side; null for as many as there are players for.</summary>
    [Range(1, 20, ErrorMessage = "Choose from 1 to 20 players on each side.")]
    [Display(Name = "Players on each side")]
    public int? Versus { get; set; }

    /// <inheritdoc/>
    [StringLength(2000)]
    public string? Was { get; set; }

    /// <summary>The form of a line as it stands.</summary>
    public static LineForm Of(PlanBlock block) =>
        new()
        {
            Minutes = PlanEdits.MinutesOf(block),
            Groups = PlanEdits.GroupsOf(block),
            Change = (int)block.ChangeSeconds,
            Takes = string.Join("; ", block.Takes),
            Name = block switch
            {
                PlanBlock.Break rest => rest.Name,
                PlanBlock.Talk talk => talk.Name,
                _ => null,
            },
            Between = block is PlanBlock.Circuit { BetweenSeconds: var between } ? (int)between : null,
            ChangeInside = block is PlanBlock.Circuit { ChangeInside: true },
            Versus = (block as PlanBlock.Drill)?.Versus,
        };

    /// <summary>The sheet with the line as it is filled in; what another coach has changed meanwhile stays.</summary>
    public Result<Plan> Into(Plan plan, int index) =>
        FormMerge.Merge(this, Of(plan.Blocks[index])) is { } fault ? Result.Fail<Plan>(fault) : In(plan, index);

    /// <summary>The sheet with the line as it is filled in.</summary>
    public Result<Plan> In(Plan plan, int index)
    {
        var block = plan.Blocks[index].WithMinutes(Minutes).WithGroups(Groups) with
        {
            ChangeSeconds = Change,
            Takes = [.. (Takes ?? "").Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)],
        };
        var name = Name?.Trim();
        return block switch
        {
            PlanBlock.Break or PlanBlock.Talk when string.IsNullOrEmpty(name) => Result.Fail<Plan>(
                new Fault($"blocks[{index}]", "a break and a talk have a name", "write one, such as Water")
            ),
            PlanBlock.Break rest => Result.Ok(plan.With(index, rest with { Name = name! })),
            PlanBlock.Talk talk => Result.Ok(plan.With(index, talk with { Name = name! })),
            PlanBlock.Circuit circuit => Result.Ok(
                plan.With(index, circuit with { BetweenSeconds = Between ?? circuit.BetweenSeconds, ChangeInside = ChangeInside })
            ),
            PlanBlock.Drill drill => Result.Ok(plan.With(index, drill with { Versus = Versus })),
            _ => Result.Ok(plan.With(index, block)),
        };
    }
}
