using System.Globalization;
using System.Text;

namespace KeepTally.Web.Api;

/// <summary>Tells every device that has a practice open what is no event of a sheet.</summary>
public sealed class PracticeNews(EventFeed feed)
{
    /// <summary>Its timing sheet has changed: drills were put in, removed, or moved.</summary>
    /// <param name="practice">The id of the practice.</param>
    /// <param name="version">The version of the sheet, which grows with every change.</param>
    public void SheetChanged(int practice, int version) => feed.Tell(practice, Sheet(version));

    /// <summary>The version of a timing sheet as it is told on the stream.</summary>
    internal static byte[] Sheet(int version) =>
        Encoding.UTF8.GetBytes(string.Create(CultureInfo.InvariantCulture, $"event: sheet\ndata: {version}\n\n"));
}
