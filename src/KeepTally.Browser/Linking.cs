using System.Runtime.InteropServices.JavaScript;
using System.Text.Json;
using KeepTally.Core.Links;

namespace KeepTally.Browser;

/// <summary>Says what a link from another club carries, before anything is kept.</summary>
internal static partial class Bridge
{
    /// <param name="content">The unpacked content of the link.</param>
    [JSExport]
    internal static string Linked(string content)
    {
        var read = LinkReader.Read(content);
        var view = read.IsOk
            ? new LinkView(
                "",
                LinkWords.Title(read.Value),
                LinkWords.Kind(read.Value),
                LinkWords.Lines(read.Value),
                read.Value.Plan is not null
            )
            : new LinkView($"This link cannot be opened. {read.Faults[0].Told}", "", "", [], false);
        return JsonSerializer.Serialize(view, ViewJson.Default.LinkView);
    }
}

/// <summary>What a link carries.</summary>
/// <param name="Fault">Why it cannot be read; empty where it can.</param>
/// <param name="Title">Its title.</param>
/// <param name="Kind">What kind of thing it is.</param>
/// <param name="Lines">What is in it, a line each.</param>
/// <param name="IsPlan">Whether it is a plan, which is for a team.</param>
internal sealed record LinkView(string Fault, string Title, string Kind, IReadOnlyList<string> Lines, bool IsPlan);
