using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Mvc.ModelBinding;

namespace KeepTally.Web.Pages.Drills;

/// <summary>Where a card goes on a timing sheet, and by which house rules.</summary>
public sealed class PutForm
{
    /// <summary>The practice, or null for a new one today.</summary>
    [BindRequired]
    public int? Practice { get; set; }

    [BindRequired]
    [Range(0.5, 120, ErrorMessage = "A drill lasts from half a minute to 120 minutes.")]
    public double Minutes { get; set; } = 8;

    [BindRequired]
    [Range(1, 40, ErrorMessage = "Write how many groups, from 1 to 40.")]
    public int Groups { get; set; } = 1;

    public Dictionary<string, string?> Options { get; set; } = [];

    /// <summary>The house rules chosen; one left empty stays as the card has it.</summary>
    public IReadOnlyDictionary<string, string> Chosen =>
        Options.Where(option => !string.IsNullOrEmpty(option.Value)).ToDictionary(option => option.Key, option => option.Value!);
}
