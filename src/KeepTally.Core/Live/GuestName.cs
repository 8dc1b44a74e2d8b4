using KeepTally.Core.Faults;

namespace KeepTally.Core.Live;

/// <summary>The name of a guest, who is not in the squad and joins for today.</summary>
public static class GuestName
{
    private const int Longest = 60;

    /// <summary>The name without spaces round it, or why it is none.</summary>
    public static Result<string> Read(string name) =>
        name.Trim() is { Length: > 0 and <= Longest } clean
            ? Result<string>.Ok(clean)
            : Result<string>.Fail([new Fault("name", "a guest needs a name", $"write one of 1 to {Longest} letters")]);

    /// <summary>A player of this name is in the squad already.</summary>
    public static Fault Known(string name) => new("name", $"{name} is in the squad", "tap the name below");
}
