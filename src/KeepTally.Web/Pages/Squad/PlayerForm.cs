using System.ComponentModel.DataAnnotations;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Pages.Squad;

/// <summary>The form of a player, with its faults in words.</summary>
public sealed class PlayerForm : IValidatableObject
{
    [Required(ErrorMessage = "Write a name.")]
    [StringLength(60, ErrorMessage = "Keep the name under 60 letters.")]
    public string? Name { get; set; }

    [Range(0, 999, ErrorMessage = "A number is from 0 to 999.")]
    public int? Number { get; set; }

    [Range(1920, 2100, ErrorMessage = "Write the year of birth with four digits.")]
    public int? BirthYear { get; set; }

    [StringLength(120, ErrorMessage = "Keep the positions under 120 letters.")]
    public string? Positions { get; set; }

    public Hand? Hand { get; set; }

    [StringLength(200, ErrorMessage = "Keep the note under 200 letters.")]
    public string? Notes { get; set; }

    /// <summary>Whether a form holds every field: what is not sent is not to be taken for empty.</summary>
    internal static bool IsWhole(IFormCollection form) =>
        new[] { nameof(Name), nameof(Number), nameof(BirthYear), nameof(Positions), nameof(Hand), nameof(Notes) }.All(field =>
            form.ContainsKey($"{nameof(IndexModel.Form)}.{field}")
        );

    internal PlayerDetails Details =>
        new(
            Name!.Trim(),
            Number,
            BirthYear,
            string.Join(
                ';',
                (Positions ?? "").Split([';', ','], StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)
            ),
            Hand,
            (Notes ?? "").Trim()
        );

    internal static PlayerForm Of(Player player) =>
        new()
        {
            Name = player.Name,
            Number = player.Number,
            BirthYear = player.BirthYear,
            Positions = player.Positions.Replace(";", "; ", StringComparison.Ordinal),
            Hand = player.Hand,
            Notes = player.Notes,
        };

    public IEnumerable<ValidationResult> Validate(ValidationContext validationContext)
    {
        var clock = validationContext.GetRequiredService<TimeProvider>();
        if (BirthYear > clock.GetLocalNow().Year)
        {
            yield return new ValidationResult("That year is still to come.", [nameof(BirthYear)]);
        }
    }
}
