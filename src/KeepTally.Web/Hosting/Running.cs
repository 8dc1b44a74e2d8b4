using KeepTally.Store.Database;
using KeepTally.Web.Lan;

namespace KeepTally.Web.Hosting;

/// <summary>The facts about the running application that pages need.</summary>
/// <param name="Data">The data folder.</param>
/// <param name="Demo">With the made-up club, whose accounts need no password.</param>
/// <param name="FirstKey">Shown on the machine itself: anyone who has it sets up an empty data folder.</param>
public sealed record Running(DataFolder Data, bool Demo, string FirstKey)
{
    /// <summary>The application as phones on the network reach it; null where it is not on the network by itself.</summary>
    public LanSite? Lan { get; init; }

    /// <summary>An address of one's own, or null.</summary>
    public Uri? Address { get; init; }

    /// <summary>A reverse proxy on this machine says who asks and how.</summary>
    public bool BehindProxy { get; init; }

    /// <summary>The address by which phones come; null where it is the one in the caller's address bar.</summary>
    public Uri? PhoneAddress => Address ?? Lan?.Address;
}
