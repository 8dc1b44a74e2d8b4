using KeepTally.Core.Cards;
using KeepTally.Core.Circuits;
using KeepTally.Core.Events;
using KeepTally.Core.Live;
using KeepTally.Store.Tables;

namespace KeepTally.Store.Practices;

/// <summary>Deals groups onto the sheets of a circuit: one that keeps the clock, and one for each stop of each group.</summary>
public static class CircuitDealer
{
    /// <summary>
    /// Which group is where in which round. Where the coaches go round, coach and drill c are with group (c + r) mod S:
    /// the same rule, so each group has the drills in the order of going the other way.
    /// </summary>
    public static Circuit WayOf(CircuitBlock circuit, int groups) =>
        new(groups, circuit.Stations.Count, circuit.Reverse != circuit.CoachesMove);

    /// <summary>Seconds of the whole circuit: every station, and a change between each and the next.</summary>
    public static double Seconds(CircuitBlock circuit, int groups)
    {
        var rounds = Math.Max(groups, circuit.Stations.Count);
        return (rounds * circuit.MinutesEach * 60) + ((rounds - 1) * circuit.ChangeSeconds);
    }

    /// <param name="groups">Everybody of each group.</param>
    /// <param name="may">Whether a player may do a station's drill today.</param>
    /// <param name="everyone">Everybody who may come in.</param>
    internal static IReadOnlyList<DealtSheet> Sheets(
        string title,
        CircuitBlock circuit,
        IReadOnlyList<DrillCard> cards,
        IReadOnlyList<IReadOnlyList<Member>> groups,
        Func<Member, DrillCard, bool> may,
        IReadOnlyList<Member> everyone
    )
    {
        var way = WayOf(circuit, groups.Count);
        var card = CircuitCard.Write(title, circuit.MinutesEach * 60, circuit.ChangeSeconds, way.Rounds);
        var units = groups.Select((group, index) => StageDealer.GroupUnit(index, group)).ToArray();
        var sheets = new List<DealtSheet>
        {
            new("", new LogHead(CircuitCard.Id, 0, new Dictionary<string, string>(), units), card),
        };
        for (var round = 0; round < way.Rounds; round++)
        {
            for (var each = 0; each < groups.Count; each++)
            {
                if (way.StationOf(each, round) is { } at)
                {
                    sheets.AddRange(
                        AtStop(circuit.Stations[at], cards[at], new CircuitStop(round + 1, at, each), groups[each], may, everyone)
                    );
                }
            }
        }

        return sheets;
    }

    /// <summary>The sheet of a stop; none where nobody of the group may do what is done there.</summary>
    private static IEnumerable<DealtSheet> AtStop(
        Station station,
        DrillCard card,
        CircuitStop stop,
        IReadOnlyList<Member> group,
        Func<Member, DrillCard, bool> may,
        IReadOnlyList<Member> everyone
    )
    {
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
        yield return new DealtSheet(
            NameOf(station, card),
            dealt.Head with
            {
                Units = units,
                Bench = bench,
                // The circuit itself counts in.
                CountIn = 0,
            },
            station.CardVersion!.Json,
            stop
        );
    }

    /// <summary>What a station is called: its drill, and the part of it where there are several.</summary>
    public static string NameOf(Station station, DrillCard card) =>
        card.Stages.Count > 1 ? $"{card.Name}: {card.Stages[station.Stage].Name}" : card.Name;
}
