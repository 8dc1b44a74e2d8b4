namespace KeepTally.Web.Hosting;

/// <summary>Whole addresses, to be opened on another device.</summary>
internal static class Links
{
    /// <summary>The address of a page as phones reach it; where none is known, as the caller has reached it.</summary>
    internal static string To(this Running running, HttpRequest request, string path) =>
        new Uri(running.PhoneAddress ?? new Uri($"{request.Scheme}://{request.Host}"), path).ToString();
}
