using KeepTally.Core.Time;

namespace KeepTally.Core.Live;

/// <summary>How far a practice that runs is off its timing sheet.</summary>
public static class Lateness
{
    /// <summary>
    /// How far it is behind, below nought ahead: by when the drill under way began, and by how much it has outrun its time since.
    /// Before a drill is begun it is the time since it should have been. Null where the sheet says no times, before the first drill is
    /// due, and once all are over.
    /// </summary>
    public static Duration? Of(LivePractice practice, Instant at)
    {
        if (practice.Current >= practice.Runs.Count || practice.Runs[practice.Current] is not { PlannedStart: { } due } run)
        {
            return null;
        }

        if (run.Began is { } began)
        {
            return began - due + (run.OverBy(at) ?? Duration.Zero);
        }

        return practice.Current > 0 || at > due ? at - due : null;
    }
}
