using Microsoft.Extensions.Time.Testing;

namespace KeepTally.Web.Tests;

/// <summary>The clock of a machine as a test moves it. Its time of day can be set, which the time that passes does not follow.</summary>
public sealed class MachineClock(DateTimeOffset start) : FakeTimeProvider(start)
{
    private TimeSpan _set;

    public override DateTimeOffset GetUtcNow() => base.GetUtcNow() + _set;

    public override long GetTimestamp() => base.GetUtcNow().Ticks;

    /// <summary>Sets the time of day forward, or back.</summary>
    public void Step(TimeSpan step) => _set += step;
}
