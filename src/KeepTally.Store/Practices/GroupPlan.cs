using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Places;
using KeepTally.Core.Sheets;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Practices;

/// <summary>
/// Who is in which group in each drill of a practice: the same for whoever looks beforehand and for the start, since it
/// follows from who is here, the way of splitting and its seed alone.
/// </summary>
public sealed class GroupPlan(TallyDb db, SquadBook squad)
{
    /// <summary>Partners of so many practices back are remembered.</summary>
    private const int Remembered = 3;

    /// <summary>Every block with everyone allowed in it, dealt onto its sheets; no sheets where fewer than two are left.</summary>
    public async Task<IReadOnlyList<DealtBlock>> OfAsync(Practice practice, CancellationToken stop = default)
    {
        var absent = PracticeBook.Absent(practice);
        var limits = practice.Attendance.ToDictionary(each => each.PlayerId, each => each.Limits);
        var here = (await squad.ListAsync(practice.TeamId, stop)).Where(player => !absent.Contains(player.Id)).ToArray();
        var positions = here.ToDictionary(
            player => player.UnitId,
            player => player.Positions.Split(';', StringSplitOptions.RemoveEmptyEntries)
        );
        var met = practice.Split == SplitWay.Fresh ? await MetAsync(practice, stop) : [];
        var dealt = new List<DealtBlock>();
        foreach (var block in practice.Blocks)
        {
            var card = CardReader.Read(block.CardVersion!.Json, TimingSheet.Chosen(block)).Sure();
            Member[] allowed =
            [
                .. here.Where(player => !LimitRule.Forbids(limits.GetValueOrDefault(player.Id), card))
                    .Select(player => new Member(player.UnitId, player.Name)),
            ];
            var sheets = allowed.Length < 2 ? [] : SheetDealer.Deal(card, block.Stage, allowed, block.Groups, Deal);
            Remember(met, sheets.Select(sheet => sheet.Head));
            dealt.Add(new DealtBlock(block, card, here.Length, sheets));
        }

        return dealt;

        IReadOnlyList<IReadOnlyList<Member>> Deal(IReadOnlyList<Member> players, int groups)
        {
            var byId = players.ToDictionary(player => player.Id);
            var wish = SplitWish.Of(practice.Split, Math.Min(groups, players.Count), practice.SplitSeed) with { Met = met };
            var made = Split
                .Make([.. players.Select(player => new SplitPlayer(player.Id, positions[player.Id], null))], wish)
                .Sure();
            return [.. made.Select(group => group.Select(player => byId[player.Id]).ToArray())];
        }
    }

    /// <summary>How often pairs were in one group in the last practices of the team.</summary>
    private async Task<Dictionary<Pair, int>> MetAsync(Practice practice, CancellationToken stop)
    {
        var last = await db
            .Practices.Where(each => each.TeamId == practice.TeamId && each.Id != practice.Id && each.Date <= practice.Date)
            .Where(each => each.Blocks.Any(block => block.Run != null))
            .OrderByDescending(each => each.Date)
            .ThenByDescending(each => each.Id)
            .Take(Remembered)
            .Select(each => each.Id)
            .ToListAsync(stop);
        var heads = await db
            .Sheets.Where(sheet => last.Contains(sheet.Run!.Block!.PracticeId))
            .Select(sheet => sheet.HeadJson)
            .ToListAsync(stop);
        var met = new Dictionary<Pair, int>();
        Remember(met, heads.Select(head => HeadReader.Read(head).Sure()));
        return met;
    }

    /// <summary>Who scores alone was together with everyone on the sheet; who scores with others, with those.</summary>
    private static void Remember(Dictionary<Pair, int> met, IEnumerable<LogHead> heads)
    {
        foreach (var head in heads)
        {
            var groups = head.Units.Any(unit => unit.Players.Count > 0)
                ? head.Units.Select(unit => unit.Players.Select(player => player.Id).ToArray())
                : [head.Units.Select(unit => unit.Id).ToArray()];
            foreach (var group in groups)
            {
                foreach (var pair in group.SelectMany((one, i) => group.Skip(i + 1).Select(other => new Pair(one, other))))
                {
                    met[pair] = met.GetValueOrDefault(pair) + 1;
                }
            }
        }
    }
}

/// <summary>A block and the sheets its players are dealt onto.</summary>
/// <param name="Here">How many are here at all.</param>
public sealed record DealtBlock(Block Block, DrillCard Card, int Here, IReadOnlyList<(string Name, LogHead Head)> Sheets)
{
    /// <summary>The groups as the coach reads them out: a letter or a side, and first names.</summary>
    public IReadOnlyList<(string Name, string Players)> Groups =>
        [
            .. Sheets.SelectMany(sheet =>
                sheet.Head.Units.Any(unit => unit.Players.Count > 0)
                    ? sheet.Head.Units.Select(unit =>
                        (Joined(sheet.Name, unit.Name), First(unit.Players.Select(player => player.Name)))
                    )
                    : [(sheet.Name.Length == 0 ? "All" : sheet.Name, First(sheet.Head.Units.Select(unit => unit.Name)))]
            ),
        ];

    private static string Joined(string sheet, string unit) => sheet.Length == 0 ? unit : $"{sheet}, {unit}";

    private static string First(IEnumerable<string> names) => string.Join(", ", names.Select(name => name.Split(' ')[0]));
}
