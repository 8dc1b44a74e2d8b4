using System.ComponentModel.DataAnnotations;
using KeepTally.Core.Planning;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace KeepTally.Web.Pages.Timing;

/// <summary>When and where a practice is, as a coach fills it in.</summary>
public abstract class DayForm
{
    [BindRequired]
    [Required(ErrorMessage = "Enter the day.")]
    public DateOnly? Date { get; set; }

    [BindRequired]
    [Required(ErrorMessage = "Enter the start time.")]
    public TimeOnly? Start { get; set; }

    [BindRequired]
    [Range(5, PlanReader.MostMinutes, ErrorMessage = "A practice lasts from 5 to 600 minutes.")]
    public int Minutes { get; set; } = 75;

    [StringLength(PlanReader.LongestName, ErrorMessage = "A place has 120 characters at most.")]
    public string? Place { get; set; }

    /// <summary>The same sheet at this time and place.</summary>
    public Plan Dated(Plan plan, string title) =>
        plan with
        {
            Title = title,
            Date = Date,
            Start = Start!.Value,
            Minutes = Minutes,
            Place = Place?.Trim() ?? "",
        };
}
