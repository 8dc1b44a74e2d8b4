using KeepTally.Core.Identity;
using KeepTally.Core.Scoring;
using KeepTally.Core.Text;
using KeepTally.Core.Time;

namespace KeepTally.Core.Words;

/// <summary>The players of a unit, with their times where it was not all the time.</summary>
public static class PlayedWords
{
    /// <summary>"Ada Fenwick", "Bea Marlowe (to 3:20)": everyone who played for a group or a side, nobody twice.</summary>
    public static IReadOnlyList<string> Of(DrillRow row) => row.Unit.Players.Count == 0 ? [] : Names(row, row.Sheet.Head.NameOf);

    /// <summary>The same by names of the caller's choice.</summary>
    public static IReadOnlyList<string> Names(DrillRow row, Func<PlayerId, string> name) =>
        [
            .. row
                .StaysByGame.SelectMany(game => game)
                .Select(stay => stay.Player)
                .Distinct()
                .Select(player => name(player) + (When(row, player) is { Length: > 0 } when ? $" ({when})" : "")),
        ];

    /// <summary>"from 2:10 to 3:20" for a unit that is one player; empty for who was there from first to last.</summary>
    public static string When(DrillRow row) => row.Unit.Players.Count > 0 ? "" : When(row, row.Unit.Id);

    /// <summary>Of several games, in which; of one, from when to when.</summary>
    private static string When(DrillRow row, PlayerId player)
    {
        var games = row.StaysByGame.Select(game => game.Where(stay => stay.Player == player).ToArray()).ToArray();
        if (games.Length <= 1)
        {
            return Phrase.List([.. games.SelectMany(stays => stays).Select(Span).Where(span => span.Length > 0)]);
        }

        var played = games.Index().Where(game => game.Item.Length > 0).Select(game => $"{game.Index + 1}").ToArray();
        return played.Length == games.Length ? "" : $"in {(played.Length == 1 ? "game" : "games")} {Phrase.List(played)}";
    }

    private static string Span(Stay stay) =>
        (stay.From > RunningTime.Zero, stay.To) switch
        {
            (true, { } to) => $"from {At(stay.From)} to {At(to)}",
            (true, null) => $"from {At(stay.From)}",
            (false, { } to) => $"to {At(to)}",
            _ => "",
        };

    private static string At(RunningTime moment) => Phrase.Clock(moment.SinceStart);
}
