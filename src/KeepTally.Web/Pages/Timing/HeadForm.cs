using System.ComponentModel.DataAnnotations;
using KeepTally.Core.Planning;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace KeepTally.Web.Pages.Timing;

/// <summary>When and where a practice is, and what nothing on its sheet should go beyond.</summary>
public sealed class HeadForm : DayForm
{
    [BindRequired]
    [Required(ErrorMessage = "Say what the practice is called.")]
    [StringLength(80, ErrorMessage = "A title has 80 characters at most.")]
    public string? Title { get; set; }

    [Range(0, 60, ErrorMessage = "Write how many coaches there are, from 0 to 60, or nothing.")]
    public int? Coaches { get; set; }

    [Range(3, 99, ErrorMessage = "Write how old the players are, from 3 to 99, or nothing.")]
    public int? Age { get; set; }

    [Range(1, 240, ErrorMessage = "The longest drill lasts from 1 to 240 minutes; leave it empty for the usual.")]
    public double? LongestDrill { get; set; }

    [Range(0, 3600, ErrorMessage = "The longest wait lasts from 0 to 3600 seconds; leave it empty for the usual.")]
    public double? LongestWait { get; set; }

    [Range(1, 100, ErrorMessage = "The largest group has from 1 to 100 players; leave it empty for as the cards have it.")]
    public int? LargestGroup { get; set; }

    /// <summary>The same sheet with this head.</summary>
    public Plan In(Plan plan) =>
        Dated(plan, Title!.Trim()) with
        {
            Coaches = Coaches,
            Age = Age,
            Caps = new Caps(LongestDrill, LongestWait, LargestGroup),
        };
}
