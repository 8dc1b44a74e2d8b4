namespace KeepTally.Web.Pages.Shared;

/// <summary>The sign on an open page that another coach has changed what it shows.</summary>
/// <param name="Subject">The thing that was changed: "This card".</param>
/// <param name="Changes">The changes, a sentence each.</param>
/// <param name="Now">The address that shows it as it is now.</param>
public sealed record StalePage(string Subject, IReadOnlyList<string> Changes, string Now);
