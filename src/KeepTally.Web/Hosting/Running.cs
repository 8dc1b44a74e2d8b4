using KeepTally.Store.Database;

namespace KeepTally.Web.Hosting;

/// <summary>What the pages need to know of how the application was started.</summary>
/// <param name="Demo">With the made-up club, whose accounts need no password.</param>
/// <param name="FirstKey">Shown on the machine itself: whoever has it sets up an empty data folder.</param>
public sealed record Running(DataFolder Data, bool Demo, string FirstKey)
{
    /// <summary>The address by which phones reach this machine; null where they come by the one in their own address bar.</summary>
    public Uri? PhoneAddress { get; init; }
}
