using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace KeepTally.Web.Pages.Timing;

/// <summary>A practice as it is made: when, where, from which sheet, and on which days of the week until when.</summary>
public sealed class NewForm : DayForm
{
    [BindRequired]
    public int Team { get; set; }

    [StringLength(80, ErrorMessage = "A title has 80 characters at most.")]
    public string? Title { get; set; }

    /// <summary>Where its sheet comes from: empty, <c>practice:5</c>, <c>template:2</c> or <c>ready:handball-shooting</c>.</summary>
    public string? From { get; set; }

    /// <summary>The days of the week it is on; none for the one day alone.</summary>
    public List<DayOfWeek> On { get; set; } = [];

    /// <summary>The last day of the row.</summary>
    public DateOnly? Until { get; set; }
}
