using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Store.Book;

namespace KeepTally.Web.Tests.Book;

/// <summary>The search of the drill book: any word of a card, and a slip of the keys.</summary>
public sealed class BookSearchTests
{
    public static TheoryData<string> Cards => [.. ShippedCards.All.Keys];

    private static DrillCard Card(string id) => CardReader.Read(ShippedCards.All[id]).Require();

    [Theory]
    [MemberData(nameof(Cards))]
    public void A_card_is_found_by_its_name_with_any_one_letter_left_out_doubled_or_swapped(string id)
    {
        var card = Card(id);
        foreach (var word in card.Name.ToLowerInvariant().Split(' ', ',', '-').Where(word => word.Length >= 6))
        {
            for (var i = 0; i < word.Length; i++)
            {
                Assert.True(BookSearch.Finds(word.Remove(i, 1), card), $"{word} without letter {i}");
                Assert.True(BookSearch.Finds(word.Insert(i, word[i..(i + 1)]), card), $"{word} with letter {i} twice");
            }

            for (var i = 0; i + 1 < word.Length; i++)
            {
                var swapped = $"{word[..i]}{word[i + 1]}{word[i]}{word[(i + 2)..]}";
                Assert.True(BookSearch.Finds(swapped, card), swapped);
            }
        }
    }

    [Theory]
    [InlineData("three-gates", "in a row", false)]
    [InlineData("climb-the-net", "middle far", true)]
    [InlineData("minute-trios", "clean goal", true)]
    [InlineData("minute-trios", "CLEAN", true)]
    [InlineData("three-gates", "handball gates", true)]
    [InlineData("three-gates", "zzz", false)]
    [InlineData("three-gates", "", true)]
    public void Every_word_must_be_in_the_card_and_rules_are_words_too(string id, string text, bool found) =>
        Assert.Equal(found, BookSearch.Finds(text, Card(id)));

    [Fact]
    public void Zero_finds_what_goes_back_to_nought() =>
        Assert.Equal(
            ShippedCards.All.Keys.Where(id => BookSearch.Finds("nought", Card(id))),
            ShippedCards.All.Keys.Where(id => BookSearch.Finds("zero", Card(id)))
        );

    [Fact]
    public void A_name_comes_before_a_card_that_only_mentions_it()
    {
        Assert.True(BookSearch.IsName("gates", Card("three-gates")));
        Assert.False(BookSearch.IsName("handball", Card("three-gates")));
    }
}
