using KeepTally.Core.Cards;
using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Time;

namespace KeepTally.Core.Circuits;

/// <summary>Deals groups onto the sheets of a circuit: one that keeps the clock, and one for each stop of each group.</summary>
public static class CircuitDealer
{
    /// <summary>The sheets of a circuit, that of its clock first; none for a stop where nobody of the group may take part.</summary>
    /// <param name="title">The title of the block.</param>
    /// <param name="circuit">The circuit.</param>
    /// <param name="groups">Everybody of each group.</param>
    /// <param name="may">Whether a player may do a station's drill today.</param>
    /// <param name="everyone">Everybody who may come in.</param>
    public static IReadOnlyList<StationSheet> Sheets(
        string title,
        CircuitPlan circuit,
        IReadOnlyList<IReadOnlyList<Member>> groups,
        Func<Member, DrillCard, bool> may,
        IReadOnlyList<Member> everyone
    )
    {
        var way = Circuit.Planned(groups.Count, circuit.Stations.Count, circuit.Reverse, circuit.CoachesMove);
        var card = CircuitCard.Write(title, circuit.WorkSeconds(groups.Count), circuit.ChangeSeconds, way.Rounds);
        var units = groups.Select((group, index) => StageDealer.GroupUnit(index, group)).ToArray();
        CircuitStation[] stations = [.. circuit.Stations.Select(station => Played(station, groups, may))];
        var sheets = new List<StationSheet>
        {
            new("", new LogHead(CircuitCard.Id, 0, new Dictionary<string, string>(), units), card, null),
        };
        for (var round = 0; round < way.Rounds; round++)
        {
            for (var each = 0; each < groups.Count; each++)
            {
                if (way.StationOf(each, round) is { } at)
                {
                    sheets.AddRange(AtStop(stations[at], new CircuitStop(round + 1, at, each), groups[each], may, everyone));
                }
            }
        }

        return sheets;
    }

    /// <summary>A station with as many on each side as every group fills: it is laid out once.</summary>
    private static CircuitStation Played(
        CircuitStation station,
        IReadOnlyList<IReadOnlyList<Member>> groups,
        Func<Member, DrillCard, bool> may
    )
    {
        var smallest = groups.Min(group => group.Count(player => may(player, station.Card)));
        var number = VersusChoice.Spread(station.Card.Stages[station.Stage], smallest, 1);
        return station with
        {
            Card = VersusChoice.Played(station.Card, station.Stage, number),
            CardJson = VersusText.Of(station.CardJson, station.Stage, number),
        };
    }

    /// <summary>The sheet of a stop; none where nobody of the group may do what is done there.</summary>
    private static IEnumerable<StationSheet> AtStop(
        CircuitStation station,
        CircuitStop stop,
        IReadOnlyList<Member> group,
        Func<Member, DrillCard, bool> may,
        IReadOnlyList<Member> everyone
    )
    {
        var card = station.Card;
        Member[] players = [.. group.Where(player => may(player, card))];
        if (players.Length == 0)
        {
            yield break;
        }

        var dealt = StageDealer.Deal(card, station.Stage, players, 1)[0];
        var units = card.Stages[station.Stage].Scores is Scorer.Group or Scorer.None
            ? [StageDealer.GroupUnit(stop.Group, players)]
            : dealt.Head.Units;
        Member[] bench = [.. everyone.Where(player => !players.Contains(player) && may(player, card))];
        yield return new StationSheet(
            station.Name,
            dealt.Head with
            {
                Units = units,
                Bench = bench,
                // The circuit itself counts in.
                CountIn = Duration.Zero,
            },
            station.CardJson,
            stop
        );
    }
}

/// <summary>A tally sheet of a circuit, with the card it is kept by.</summary>
/// <param name="Name">What the station is called; empty on the sheet that keeps the clock.</param>
/// <param name="Head">The head of its log.</param>
/// <param name="CardJson">The text of its card.</param>
/// <param name="Stop">Where on the way round it is kept, or null on the sheet that keeps the clock.</param>
public sealed record StationSheet(string Name, LogHead Head, string CardJson, CircuitStop? Stop);
