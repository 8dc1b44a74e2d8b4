using KeepTally.Core.Events;
using KeepTally.Core.Identity;

namespace KeepTally.Core.Scoring;

/// <summary>The cues pinned for the next rep. Immutable: a change returns another one.</summary>
/// <param name="All">To everybody; empty where nothing is.</param>
/// <param name="Own">To one unit alone.</param>
public sealed record Cues(string All, IReadOnlyDictionary<PlayerId, string> Own)
{
    /// <summary>Nothing is pinned.</summary>
    public static Cues None { get; } = new("", new Dictionary<PlayerId, string>());

    /// <summary>The cue for a unit, or with null for all; null where none is pinned.</summary>
    public string? For(PlayerId? unit)
    {
        var pinned = unit is { } one ? Own.GetValueOrDefault(one) : All;
        return string.IsNullOrEmpty(pinned) ? null : pinned;
    }

    internal Cues With(RunEvent.Cue cue) =>
        cue.Unit is { } unit
            ? this with
            {
                Own = new Dictionary<PlayerId, string>(Own) { [unit] = cue.Text },
            }
            : this with
            {
                All = cue.Text,
            };
}
