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

    /// <summary>The coach has decided that the players' board shows scores, or hides them.</summary>
    /// <param name="practice">The id of the practice.</param>
    /// <param name="hidden">Whether it hides them.</param>
    public void ScoresChanged(int practice, bool hidden) => feed.Tell(practice, Scores(hidden));

    /// <summary>Whether the board hides scores, as it is told on the stream.</summary>
    internal static byte[] Scores(bool hidden) => Encoding.UTF8.GetBytes($"event: scores\ndata: {ScoresWord(hidden)}\n\n");

    /// <summary>The word for it, on the stream and on the page of a board.</summary>
    internal static string ScoresWord(bool hidden) => hidden ? "hidden" : "shown";

    /// <summary>The version of a timing sheet as it is told on the stream.</summary>
    internal static byte[] Sheet(int version) =>
        Encoding.UTF8.GetBytes(string.Create(CultureInfo.InvariantCulture, $"event: sheet\ndata: {version}\n\n"));
}
