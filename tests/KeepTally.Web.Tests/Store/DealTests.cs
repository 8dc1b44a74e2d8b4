using KeepTally.Core.Dealing;
using KeepTally.Core.Events;
using KeepTally.Core.Formats;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;
using KeepTally.Core.Text;
using KeepTally.Store.Database;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Web.Tests.Store;

public sealed class DealTests(Installation home) : IClassFixture<Installation>
{
    private static Member[] Players(int count) =>
        [.. Enumerable.Range(1, count).Select(number => new Member(new PlayerId($"p{number}"), $"Player {number}"))];

    private Task<string> CardAsync(string id) =>
        home.WithAsync<TallyDb, string>(db =>
            db.CardVersions.Where(card => card.CardId == id).Select(card => card.Json).SingleAsync()
        );

    [Fact]
    public async Task Twelve_players_make_four_trios_and_six_against_six()
    {
        var trios = StageDealer.Deal(CardReader.Read(await CardAsync("minute-trios")).Require(), 0, Players(12), 4);
        var match = StageDealer.Deal(CardReader.Read(await CardAsync("win-it-score-it")).Require(), 0, Players(12), 1);

        Assert.Equal(["A", "B", "C", "D"], trios.Select(sheet => sheet.Name));
        Assert.All(trios, sheet => Assert.Equal(3, sheet.Head.Units.Count));
        Assert.Equal(["plain 6", "striped 6"], Assert.Single(match).Head.Units.Select(side => $"{side.Id} {side.Players.Count}"));
    }

    [Fact]
    public async Task Groups_that_score_have_each_their_own_places_unless_they_take_turns_or_there_are_none()
    {
        var ring = CardReader.Read(await CardAsync("round-and-back")).Require();
        var relay = CardReader.Read(await CardAsync("shuttle-relay")).Require();
        var bare = ring with { Stages = [ring.Stages[0] with { Places = [], Moves = [], Rotate = null }] };

        var rings = StageDealer.Deal(ring, 0, Players(8), 2);
        Assert.Equal(["Group A", "Group B"], rings.Select(sheet => sheet.Head.Units.Single().Name));
        foreach (var sheet in rings)
        {
            var floor = Sheet.Open(ring, sheet.Head).Require().Floor;
            Assert.All(ring.Stages[0].Places.Take(4), corner => Assert.Single(floor.Now.At(corner.Id)));
            Assert.Empty(floor.Now.Waiting);
        }

        Assert.Equal(2, Assert.Single(StageDealer.Deal(relay, 0, Players(8), 2)).Head.Units.Count);
        Assert.Equal(2, Assert.Single(StageDealer.Deal(bare, 0, Players(8), 2)).Head.Units.Count);
    }

    [Fact]
    public async Task There_are_never_more_groups_than_players()
    {
        var card = CardReader.Read(await CardAsync("three-gates")).Require();

        Assert.Equal(2, StageDealer.Deal(card, 0, Players(2), 4).Count);
    }

    [Fact]
    public async Task Beginning_twice_deals_once_and_leaves_out_who_is_absent()
    {
        var first = await home.BegunAsync();
        var second = await home.BegunAsync();

        Assert.Equal(9, first.Count);
        Assert.Equal(first, second);
        var heads = await home.WithAsync<TallyDb, List<string>>(db => db.Sheets.Select(sheet => sheet.HeadJson).ToListAsync());
        var dealt = heads
            .Select(head => HeadReader.Read(head).Require())
            .Select(head =>
                (
                    Side: head.Units.Any(unit => unit.Id.Value == "plain"),
                    Names: head.Units.SelectMany(unit => unit.People).Select(player => player.Name).ToArray()
                )
            )
            .ToArray();
        Assert.DoesNotContain(dealt, sheet => sheet.Names.Contains("Mina Osgood"));
        Assert.Equal(
            2,
            dealt.Count(sheet => !sheet.Side && sheet.Names.Contains("Ada Fenwick") && sheet.Names.Contains("Esme Thornbury"))
        );
    }

    [Fact]
    public void Letters_go_on_after_the_alphabet() =>
        Assert.Equal(["A", "Z", "AA", "AB"], new[] { 0, 25, 26, 27 }.Select(Letters.Of));
}
