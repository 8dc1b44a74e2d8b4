using System.Diagnostics.Metrics;
using KeepTally.Store.Events;

namespace KeepTally.Web.Operating;

/// <summary>
/// The figures of the doors, beside those of <see cref="JournalMeter"/> in the same meter. None names a person.
/// </summary>
public sealed class OperatingMeter : IDisposable
{
    private readonly Meter _meter = new(JournalMeter.Name);
    private readonly Counter<long> _refused;
    private readonly Counter<long> _failedSignIns;

    public OperatingMeter()
    {
        _refused = _meter.CreateCounter<long>("keep_tally.events.refused", "{batch}", "Batches of events that were refused");
        _failedSignIns = _meter.CreateCounter<long>("keep_tally.sign_ins.failed", "{sign-in}", "Sign-ins that failed");
    }

    /// <summary>A batch was refused.</summary>
    /// <param name="place">The property that was wrong, or <c>other</c>: one of a short list.</param>
    public void Refused(string place) => _refused.Add(1, new KeyValuePair<string, object?>("keep_tally.place", place));

    /// <summary>A sign-in failed.</summary>
    public void SignInFailed() => _failedSignIns.Add(1);

    public void Dispose() => _meter.Dispose();
}
