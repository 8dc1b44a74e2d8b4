using System.ComponentModel.DataAnnotations;
using KeepTally.Core.Faults;
using KeepTally.Core.Planning;
using KeepTally.Store.Planning;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace KeepTally.Web.Pages.Timing;

/// <summary>When and where a practice is, and what nothing on its sheet should go beyond.</summary>
public sealed class HeadForm : DayForm, IStaleForm
{
    [BindRequired]
    [Required(ErrorMessage = "Enter a title.")]
    [StringLength(80, ErrorMessage = "A title has 80 characters at most.")]
    public string? Title { get; set; }

    [Range(0, 60, ErrorMessage = "Enter the number of coaches, from 0 to 60, or leave it empty.")]
    public int? Coaches { get; set; }

    [Range(3, 99, ErrorMessage = "Enter the age of the players, from 3 to 99, or leave it empty.")]
    public int? Age { get; set; }

    [Range(1, 240, ErrorMessage = "The longest drill lasts from 1 to 240 minutes; leave it empty for the usual.")]
    [Display(Name = "Longest drill")]
    public double? LongestDrill { get; set; }

    [Range(0, 3600, ErrorMessage = "The longest wait lasts from 0 to 3600 seconds; leave it empty for the usual.")]
    [Display(Name = "Longest wait")]
    public double? LongestWait { get; set; }

    [Range(1, 100, ErrorMessage = "The largest group has from 1 to 100 players; leave it empty for as the cards have it.")]
    [Display(Name = "Largest group")]
    public int? LargestGroup { get; set; }

    /// <inheritdoc/>
    [StringLength(2000)]
    public string? Was { get; set; }

    /// <summary>The form of a practice as it stands.</summary>
    public static HeadForm Of(Practice practice) =>
        new()
        {
            Title = practice.Title,
            Date = practice.Date,
            Start = practice.Start,
            Minutes = practice.Minutes,
            Place = practice.Place,
            Coaches = practice.Coaches,
            Age = practice.Age,
            LongestDrill = practice.LongestDrill,
            LongestWait = practice.LongestWait,
            LargestGroup = practice.LargestGroup,
        };

    /// <summary>The same sheet with this head; what another coach has changed meanwhile stays.</summary>
    public Result<Plan> Into(OpenPlan open) =>
        FormMerge.Merge(this, Of(open.Practice)) is { } fault ? Result.Fail<Plan>(fault) : Result.Ok(In(open.Plan));

    /// <summary>The same sheet with this head.</summary>
    public Plan In(Plan plan) =>
        Dated(plan, Title!.Trim()) with
        {
            Coaches = Coaches,
            Age = Age,
            Caps = new Caps(LongestDrill, LongestWait, LargestGroup),
        };
}
