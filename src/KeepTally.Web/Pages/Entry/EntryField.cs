using KeepTally.Store.People;

namespace KeepTally.Web.Pages.Entry;

/// <summary>A field of a form for signing in or joining, with what is wrong with it.</summary>
/// <param name="Name">The name the form sends it by.</param>
/// <param name="Label">The label of the field.</param>
/// <param name="Type">The type of the input.</param>
/// <param name="Value">The value filled in.</param>
/// <param name="Fill">What the browser may fill it with.</param>
/// <param name="Faults">What is wrong, by the name of the field.</param>
/// <param name="Hint">The hint below the field; empty for none.</param>
public sealed record EntryField(
    string Name,
    string Label,
    string Type,
    string Value,
    string Fill,
    IReadOnlyDictionary<string, string> Faults,
    string Hint = ""
)
{
    public string? Fault => Faults.GetValueOrDefault(Name);
}

/// <summary>The rule for passwords, in words.</summary>
public static class PasswordHint
{
    public static string Words => $"{PasswordRule.Shortest} letters or more. Four short, unrelated words work well.";
}
