using KeepTally.Core.Live;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Pages.Squad;

/// <summary>A list of the coach's own words as a form.</summary>
/// <param name="Name">The field, and what its ids begin with.</param>
/// <param name="Handler">What keeps it.</param>
/// <param name="Head">The heading.</param>
/// <param name="Label">The label of the field.</param>
/// <param name="Hint">The hint below the field.</param>
/// <param name="Button">The label of the button.</param>
/// <param name="Words">As it stands in the form, one a line.</param>
/// <param name="Fault">What is wrong with it, or null.</param>
public sealed record CoachListForm(
    string Name,
    string Handler,
    string Head,
    string Label,
    string Hint,
    string Button,
    string Words,
    string? Fault = null
)
{
    /// <summary>The lists of a team as they are kept.</summary>
    public static IReadOnlyList<CoachListForm> Of(Team team) =>
        [
            new(
                "reasons",
                "Reasons",
                "Reasons to stop and teach",
                "One on each line",
                "they stand on the run screen and in the results",
                "Use these reasons",
                CoachList.Write(CoachList.StopReasons.Of(team.StopReasons))
            ),
            new(
                "habits",
                "Habits",
                "Counted all practice long",
                "One on each line, or none",
                "a small counter of each stands in every drill",
                "Count these",
                CoachList.Write(CoachList.Habits.Of(team.Habits))
            ),
        ];
}
