using System.ComponentModel.DataAnnotations;
using System.Globalization;
using System.Reflection;
using System.Text.Json;
using KeepTally.Core.Faults;

namespace KeepTally.Web.Pages.Timing;

/// <summary>A form that carries what its page showed, so that a page gone stale does not undo what another coach has changed.</summary>
public interface IStaleForm
{
    /// <summary>The form as the page showed it (<see cref="FormMerge.Shown"/>); null where a page does not say.</summary>
    string? Was { get; set; }
}

/// <summary>
/// Merges a form with what stands, field by field: a field that its coach left alone stays as it stands now; one that both have
/// changed is asked about.
/// </summary>
public static class FormMerge
{
    /// <summary>Returns a form as text, for the page to carry.</summary>
    public static string Shown<T>(T form) => JsonSerializer.Serialize(form);

    /// <summary>Merges a form into what stands.</summary>
    /// <param name="mine">What was sent; it holds the merged fields afterwards.</param>
    /// <param name="theirs">The same form as it would be shown now.</param>
    /// <returns>Null, or which field both have changed, and how.</returns>
    public static Fault? Merge<T>(T mine, T theirs)
        where T : class, IStaleForm
    {
        if (Read<T>(mine.Was) is not { } was)
        {
            return null;
        }

        foreach (var field in typeof(T).GetProperties().Where(field => field.CanWrite && field.Name != nameof(IStaleForm.Was)))
        {
            var (before, sent, now) = (Told(field, was), Told(field, mine), Told(field, theirs));
            if (sent == before)
            {
                field.SetValue(mine, field.GetValue(theirs));
            }
            else if (now != before && now != sent)
            {
                return new Fault(
                    field.Name,
                    $"{Label(field)}: another coach has set it to {Quoted(now)} meanwhile; you wrote {Quoted(sent)}",
                    "look again, and save yours if it is to be so"
                );
            }
        }

        return null;
    }

    private static T? Read<T>(string? text)
        where T : class
    {
        try
        {
            return string.IsNullOrEmpty(text) ? null : JsonSerializer.Deserialize<T>(text);
        }
        catch (JsonException)
        {
            return null;
        }
    }

    private static string Told(PropertyInfo field, object form) =>
        Convert.ToString(field.GetValue(form), CultureInfo.InvariantCulture)?.Trim() ?? "";

    private static string Label(PropertyInfo field) => field.GetCustomAttribute<DisplayAttribute>()?.Name ?? field.Name;

    private static string Quoted(string value) => value.Length == 0 ? "nothing" : $"“{value}”";
}
