using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;

namespace KeepTally.Store.Results;

/// <summary>A squad by drill: the share that each player made in each drill in which players score by themselves.</summary>
/// <param name="Drills">The columns, the drill practised last first.</param>
/// <param name="Players">The rows.</param>
public sealed record SquadTable(IReadOnlyList<SquadDrill> Drills, IReadOnlyList<SquadRow> Players)
{
    /// <param name="sheets">Of one team, the oldest first.</param>
    /// <param name="squad">Who is in the squad.</param>
    public static SquadTable Of(IReadOnlyList<PastSheet> sheets, IReadOnlyList<(PlayerId Id, string Name)> squad)
    {
        // The same card in the same rules is one column; with other rules it is another.
        var ways = sheets
            .GroupBy(sheet => sheet.Scoring)
            .SelectMany(alike => DrillPast.Of([.. alike]))
            .Where(way => way.Players.Any(player => player.All.Of > 0))
            .OrderByDescending(way => way.Days[^1].Practice.Date)
            .ThenBy(way => way.Card.Name, StringComparer.Ordinal)
            .ToArray();
        var names = new HashSet<string>(StringComparer.Ordinal);
        var drills = new List<SquadDrill>();
        foreach (var way in ways)
        {
            var name = HeadingOf(way.Card, way.Stage);
            var earlier = 1;
            var unique = name;
            while (!names.Add(unique))
            {
                unique = earlier == 1 ? $"{name}, other rules" : $"{name}, other rules {earlier}";
                earlier++;
            }

            drills.Add(new SquadDrill(way.Card.Id, unique, way.All));
        }

        return new SquadTable(
            drills,
            [
                .. squad.Select(player => new SquadRow(
                    player.Id,
                    player.Name,
                    [
                        .. ways.Select(way =>
                            way.Players.FirstOrDefault(each => each.Id == player.Id) is { All.Of: > 0 } past
                                ? new SquadResult(past.All, past.Trend)
                                : null
                        ),
                    ]
                )),
            ]
        );
    }

    /// <summary>The same table with its rows in the order of a drill's shares; who has no go in it stays last.</summary>
    /// <param name="drill">The index of the drill.</param>
    /// <param name="lowestFirst">The lowest share first, and not the highest.</param>
    public SquadTable By(int drill, bool lowestFirst) =>
        this with
        {
            Players =
            [
                .. Players
                    .OrderBy(player => player.Drills[drill] is null)
                    .ThenBy(player => (player.Drills[drill]?.Share.Value ?? 0) * (lowestFirst ? 1 : -1))
                    .ThenByDescending(player => player.Drills[drill]?.Share.Of ?? 0)
                    .ThenBy(player => player.Name, StringComparer.Ordinal),
            ],
        };

    /// <summary>The name of a drill over a column: its card's, with the stage's where a card has several.</summary>
    internal static string HeadingOf(DrillCard card, Stage stage) =>
        card.Stages.Count > 1 && stage.Name.Length > 0 ? $"{card.Name}, {stage.Name}" : card.Name;
}

/// <summary>A column of a <see cref="SquadTable"/>.</summary>
/// <param name="Card">The id of the card.</param>
/// <param name="Name">The heading, of which there is no other.</param>
/// <param name="All">All goes of everyone.</param>
public sealed record SquadDrill(string Card, string Name, Share All);

/// <summary>A player's row of a <see cref="SquadTable"/>.</summary>
/// <param name="Id">The id of the player.</param>
/// <param name="Name">The player's name.</param>
/// <param name="Drills">The results in the order of the columns; null where the player had no go.</param>
public sealed record SquadRow(PlayerId Id, string Name, IReadOnlyList<SquadResult?> Drills);

/// <summary>A player's results in a drill.</summary>
/// <param name="Share">All goes.</param>
/// <param name="Trend">How the share has gone; null with too few practices.</param>
public sealed record SquadResult(Share Share, Trend? Trend);
