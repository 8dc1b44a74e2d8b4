using KeepTally.Core.Cards;
using KeepTally.Core.Identity;
using KeepTally.Core.Judgement;
using KeepTally.Core.Loads;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Core.Reports;

/// <summary>The totals of one player over one or more practices.</summary>
/// <param name="Id">The id of the player.</param>
/// <param name="Name">The player's name.</param>
/// <param name="Own">Goes that were tapped for this player alone, and how many were made.</param>
/// <param name="Loads">Throws and the like by their kind, from goes tapped for this player.</param>
/// <param name="Busy">How long they were busy (<see cref="BusyLog"/>).</param>
/// <param name="There">How long work ran while they were on a sheet.</param>
/// <param name="Games">Games against others they played for a side, and how many of them that side won.</param>
public sealed record PlayerTotal(
    PlayerId Id,
    string Name,
    Share Own,
    IReadOnlyDictionary<string, int> Loads,
    Duration Busy,
    Duration There,
    Share Games
)
{
    /// <summary>Everyone who took part, by name.</summary>
    public static IReadOnlyList<PlayerTotal> Of(IEnumerable<ScoredSheet> sheets)
    {
        var parts = sheets.Where(sheet => sheet.Begun).SelectMany(PartsOf).ToArray();
        return
        [
            .. parts
                .GroupBy(part => part.Id)
                .Select(player => new PlayerTotal(
                    player.Key,
                    player.First().Name,
                    Share.Sum(player.Select(part => part.Own)),
                    player
                        .SelectMany(part => part.Loads)
                        .GroupBy(load => load.Key, StringComparer.Ordinal)
                        .ToDictionary(load => load.Key, load => load.Sum(each => each.Value), StringComparer.Ordinal),
                    player.Aggregate(Duration.Zero, (all, part) => all + part.Busy),
                    player.Aggregate(Duration.Zero, (all, part) => all + part.There),
                    Share.Sum(player.Select(part => part.Games))
                ))
                .OrderBy(player => player.Name, StringComparer.Ordinal),
        ];
    }

    private static IEnumerable<PlayerTotal> PartsOf(ScoredSheet sheet)
    {
        var games = sheet.Report.Games;
        var players = games.SelectMany(game => game.Stays).Select(stay => stay.Player).Distinct();
        foreach (var player in players)
        {
            var own =
                sheet.Stage.Scores == Scorer.Player
                    ? games.SelectMany(game => game.Units).Where(unit => unit.Id == player).ToArray()
                    : [];
            var busy = sheet.Work.Players.FirstOrDefault(each => each.Player == player);
            yield return new PlayerTotal(
                player,
                sheet.Head.NameOf(player),
                Share.Sum(own.Select(unit => new Share(unit.Successes, unit.Attempts))),
                sheet.Card.Load is { } load
                    ? own.GroupBy(_ => load.Kind)
                        .ToDictionary(each => each.Key, each => each.Sum(unit => LoadCount.Of(load, sheet.Stage, unit)))
                    : new Dictionary<string, int>(),
                busy?.Busy ?? Duration.Zero,
                busy?.There ?? Duration.Zero,
                GamesOf(sheet, games, player)
            );
        }
    }

    /// <summary>A game counts for the players who were on a side at its end, where it has a winner or was played out.</summary>
    private static Share GamesOf(ScoredSheet sheet, IReadOnlyList<ScoreReport> games, PlayerId player)
    {
        if (sheet.Stage.Play != Play.Match)
        {
            return default;
        }

        var played = games
            .Where(game => game.PlayedOut || game.Winner is not null)
            .Select(game => (game.Winner, Side: game.Stays.LastOrDefault(stay => stay.Player == player && stay.To is null).Unit))
            .Where(game => game.Side != default)
            .ToArray();
        return new Share(played.Count(game => game.Winner == game.Side), played.Length);
    }
}
