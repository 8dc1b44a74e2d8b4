using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Training;
using KeepTally.Screen;

namespace KeepTally.Browser;

/// <summary>What a page has open. In a browser each page has a runtime of its own, and so one of these.</summary>
internal sealed class PageState
{
    internal IReadOnlyList<OpenRun> Opened { get; set; } = [];
    internal LivePractice? Practice { get; set; }
    internal RunPresenter? Face { get; set; }
    internal BoardPresenter? Board { get; set; }
    internal ClockPulse? Pulse { get; set; }
    internal IReadOnlyList<string> Habits { get; set; } = [];
    internal ViewChanges Changes { get; set; } = new();
    internal PracticeFile File { get; set; } = new([]);

    /// <summary>The id of this device.</summary>
    internal string Device { get; set; } = "";

    /// <summary>The devices this screen was before it was loaded again.</summary>
    internal IReadOnlySet<DeviceId> Earlier { get; set; } = new HashSet<DeviceId>();

    /// <summary>What happens in a simulated drill beside the one that is open.</summary>
    internal IReadOnlyList<Shown> Shown { get; set; } = [];
}
