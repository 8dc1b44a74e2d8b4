using CsCheck;
using KeepTally.Core.Measures;
using KeepTally.Core.Places;
using KeepTally.Core.Text;
using KeepTally.Screen;

namespace KeepTally.Browser.Tests;

/// <summary>Boards on which nobody hides any player.</summary>
public sealed class PlaceBoardTests
{
    private static readonly Gen<(Place[] Places, int[] Most)> AnyPlaces = Gen.Select(
        Gen.Select(Gen.Bool, Gen.Int[1, 6], Gen.Int[0, 14]).Array[0, 8],
        Gen.Int[0, 5],
        (drawn, waiting) =>
            (
                drawn
                    .Select(
                        (each, index) =>
                            new Place($"{index}", each.Item1 ? PlaceKind.Spot : PlaceKind.Line, each.Item2, null, true, false)
                    )
                    .ToArray(),
                drawn.Select(each => each.Item1 ? Math.Min(each.Item2, each.Item3) : each.Item3).Append(waiting).ToArray()
            )
    );

    /// <summary>What lies further away stands no lower, and in a row what lies to the right stands to the right.</summary>
    [Fact]
    public void Spots_that_are_drawn_stand_as_they_lie_on_the_floor() =>
        Gen.Select(Gen.Double[0, 40], Gen.Double[0, 20])
            .Array[4, 8]
            .Sample(drawn =>
            {
                var places = drawn.Select((_, index) => new Place($"{index}", PlaceKind.Spot, 1, null, true, false)).ToArray();
                var board = PlaceBoard.Of(
                    places,
                    place => place == PlaceBoard.Waiting ? 0 : 1,
                    place => new Spot(drawn[int.Parse(place.Id, null)].Item1, drawn[int.Parse(place.Id, null)].Item2)
                );
                Assert.Equal(places.Length, board.Places.Count);
                foreach (var (index, one) in board.Places.Index())
                {
                    foreach (var other in board.Places.Skip(index + 1))
                    {
                        Assert.False(Meet(one, other));
                        var (here, there) = (drawn[int.Parse(one.Id, null)], drawn[int.Parse(other.Id, null)]);
                        Assert.True(
                            one.Y != other.Y
                                ? here.Item2 >= there.Item2
                                : here.Item1 == there.Item1 || one.X < other.X == here.Item1 < there.Item1
                        );
                    }
                }
            });

    [Fact]
    public void Boxes_and_bibs_never_cover_one_another_and_stay_on_the_board() =>
        AnyPlaces.Sample(drawn =>
        {
            var (places, most) = drawn;
            int MostAt(string place) => place == PlaceBoard.Waiting ? most[^1] : most[int.Parse(place, null)];
            var board = PlaceBoard.Of(places, MostAt);

            foreach (var (index, box) in board.Places.Index())
            {
                Assert.InRange(box.X, 0, PlaceBoard.Width);
                Assert.InRange(box.X + box.Width, 0, PlaceBoard.Width + 0.001);
                Assert.InRange(box.Y + box.Height, 0, board.Height + 0.001);
                Assert.All(board.Places.Skip(index + 1), other => Assert.False(Meet(box, other)));
                var seats = Enumerable.Range(0, MostAt(box.Id)).Select(n => board.SeatAt(box.Id, n)).ToArray();
                Assert.All(
                    seats,
                    seat =>
                    {
                        Assert.InRange(seat.X - (seat.Size / 2), box.X - 0.001, box.X + box.Width);
                        Assert.InRange(seat.X + (seat.Size / 2), box.X, box.X + box.Width + 0.001);
                        Assert.InRange(seat.Y + (seat.Size / 2), box.Y, box.Y + box.Height + 0.001);
                    }
                );
                Assert.All(
                    seats.SelectMany((one, n) => seats.Skip(n + 1).Select(other => (one, other))),
                    pair =>
                        Assert.True(
                            Math.Abs(pair.one.X - pair.other.X) >= pair.one.Size - 0.001
                                || Math.Abs(pair.one.Y - pair.other.Y) >= pair.one.Size - 0.001
                        )
                );
            }
        });

    [Fact]
    public void A_trio_stands_side_by_side_as_large_as_a_bib_gets()
    {
        var places = new[] { "shooter", "rebounder", "feeder" }.Select(id => new Place(id, PlaceKind.Spot, 1, null, true, false));
        var board = PlaceBoard.Of([.. places], place => place == PlaceBoard.Waiting ? 0 : 1);

        Assert.Single(board.Places.Select(box => box.Y).Distinct());
        Assert.Equal(24, board.SeatAt("feeder", 0).Size);
    }

    [Theory]
    [InlineData("Ada,Bea,Cleo", "A,B,C")]
    [InlineData("Ada,Alba,Bea", "Ad,Al,B")]
    [InlineData("Hana,Hannah,Ida", "1,2,I")]
    [InlineData("Jo,Jo", "1,2")]
    [InlineData("Ada Fenwick,Ada Marlowe,Bea Quill", "AF,AM,B")]
    [InlineData("Ada Drew,Adela", "Ada,Ade")]
    public void Bibs_carry_as_many_letters_as_tell_players_apart(string names, string letters) =>
        Assert.Equal(letters, string.Join(',', BibLetters.Of(names.Split(','))));

    [Theory]
    [InlineData("Ada 7,Bea,Cleo 11", "7,B,11")]
    [InlineData("Ada 7,Bea 7,Cleo 11", "A,B,11")]
    [InlineData("Jo 1,Kit,Kit", "1,no. 1,2")]
    public void A_shirt_number_that_nobody_else_wears_stands_on_the_bib(string players, string bibs) =>
        Assert.Equal(
            bibs,
            string.Join(
                ',',
                BibLetters.Of([
                    .. players
                        .Split(',')
                        .Select(player => player.Split(' '))
                        .Select(player => (player[0], player.Length > 1 ? int.Parse(player[1], null) : (int?)null)),
                ])
            )
        );

    [Fact]
    public void Whatever_they_are_called_no_two_bibs_are_alike() =>
        Gen.OneOf("Ada", "Adela", "Al", "Bea", "B", "ada", "Ada Drew", "Al Dee", "Bea Ada")
            .Array[1, 12]
            .Sample(names => Assert.Distinct(BibLetters.Of(names), StringComparer.OrdinalIgnoreCase));

    private static bool Meet(BoardPlace one, BoardPlace other) =>
        one.X < other.X + other.Width - 0.001
        && other.X < one.X + one.Width - 0.001
        && one.Y < other.Y + other.Height - 0.001
        && other.Y < one.Y + one.Height - 0.001;
}
