using KeepTally.Core.Formats;
using KeepTally.Store.Book;

namespace KeepTally.Web.Tests.Book;

public sealed class BookFilterTests
{
    private static readonly DateOnly Today = new(2026, 9, 3);

    [Theory]
    [InlineData("shuttle-relay", true)]
    [InlineData("two-halves", false)]
    public void A_card_of_any_sport_fits_every_sport(string card, bool fits) =>
        Assert.Equal(fits, new BookFilter(Sport: "handball").Fits(Entry(card), Today));

    [Theory]
    [InlineData(2, false)]
    [InlineData(3, true)]
    [InlineData(4, true)]
    [InlineData(5, false)]
    public void So_many_players_must_fit_into_a_group(int players, bool fits) =>
        Assert.Equal(fits, new BookFilter(Players: players).Fits(Entry("minute-trios"), Today));

    [Theory]
    [InlineData("ball", false)]
    [InlineData("ball,cone", true)]
    [InlineData("ball,cone,bib", true)]
    public void Everything_the_card_needs_must_be_at_hand(string have, bool fits) =>
        Assert.Equal(fits, new BookFilter(AtHand: have.Split(',').ToHashSet()).Fits(Entry("minute-trios"), Today));

    [Theory]
    [InlineData(null, true)]
    [InlineData(13, false)]
    [InlineData(14, true)]
    public void What_was_never_done_or_long_ago_is_rested(int? daysAgo, bool fits) =>
        Assert.Equal(
            fits,
            new BookFilter(RestedDays: 14).Fits(
                Entry("minute-trios") with
                {
                    LastDone = daysAgo is { } days ? Today.AddDays(-days) : null,
                },
                Today
            )
        );

    [Fact]
    public void Minutes_effort_skill_and_words_narrow_too()
    {
        var entry = Entry("minute-trios");
        Assert.False(new BookFilter(Minutes: 3).Fits(entry, Today));
        Assert.False(new BookFilter(Effort: 2).Fits(entry, Today));
        Assert.True(new BookFilter(Text: "FED BALL", Skill: "feeding", Effort: 3, Minutes: 4).Fits(entry, Today));
    }

    private static BookEntry Entry(string id) => new(id, 1, 1, false, CardReader.Read(ShippedCards.All[id]).Require(), null);
}
