using KeepTally.Core.Cards;
using KeepTally.Core.Layout;
using KeepTally.Screen.Views;

namespace KeepTally.Web.Pages.Run;

/// <summary>One line of the pad as the server draws it, with its buttons.</summary>
/// <param name="Stage">The stage of the card.</param>
/// <param name="Now">How the line stands; null for a drill that is not under way.</param>
/// <param name="Layout">How the drill is drawn, where it is: zones are then tapped where they lie.</param>
public sealed record PadRow(Stage Stage, RowView? Now, Diagram? Layout)
{
    /// <summary>Nothing can be tapped for the line: nobody stands there, or it is done.</summary>
    public bool IsClosed => Now is { Unit: null } or { Done: true };

    public bool IsWithheld(string outcome) => Now is not null && Now.Withheld.Split('\n').Contains(outcome);

    /// <summary>The outcomes for the line itself.</summary>
    public IReadOnlyList<Outcome> Outcomes => [.. Stage.Outcomes.Where(outcome => outcome.Job is null)];

    public bool IsSaid(string tag, string value) => Now is not null && Now.Said.Split('\n').Contains($"{tag}={value}");

    public bool IsBarred(string tag, string value) => Now is not null && Now.Barred.Split('\n').Contains($"{tag}={value}");

    /// <summary>The classes of a line, as the script gives them.</summary>
    public static string Classes(RowView? row) =>
        row is null
            ? ""
            : string.Join(
                ' ',
                new (bool Is, string Name)[]
                {
                    (row.Done, "is-done"),
                    (row.Leads, "leads"),
                    (row.Unit is null, "is-empty"),
                    (row.Waits, "waits"),
                    (row.Ball, "has-ball"),
                }
                    .Where(each => each.Is)
                    .Select(each => each.Name)
            );
}
