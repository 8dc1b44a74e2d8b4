using CsCheck;
using KeepTally.Store.Files;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Tests.Squads;

/// <summary>The squad out and in as CSV. Source of the form: RFC 4180.</summary>
public sealed class SquadCsvTests
{
    private static readonly Player Ada = new()
    {
        Id = 1,
        Name = "Ada Fenwick",
        Number = 2,
    };

    [Fact]
    public void Good_rows_are_read_and_bad_ones_told_with_line_and_reason()
    {
        var preview = Read(
            """"
            name,number,birthYear,positions,hand,notes
            Ada Fenwick,2,2012,left wing;pivot,left,
            "Quill, Dora",5,,,RIGHT,"says ""hello"""
            ,7,,,,
            Bea,x,,,,
            Cleo,4,1800,,,
            Esme,,,,upper,
            Bea Marlowe
            Bea Marlowe,,,,,
            """"
        );

        Assert.Equal(["Ada Fenwick", "Quill, Dora", "Bea Marlowe"], preview.Rows.Select(row => row.Details.Name));
        Assert.Equal(
            (Ada, "left wing;pivot", Hand.Left),
            (preview.Rows[0].Known, preview.Rows[0].Details.Positions, preview.Rows[0].Details.Hand)
        );
        Assert.Equal("says \"hello\"", preview.Rows[1].Details.Notes);
        Assert.Equal(
            [
                (4, "the name is missing"),
                (5, "number: \"x\" is not a number from 0 to 999"),
                (6, "year of birth: \"1800\" holds no year from 1920 to 2026"),
                (7, "hand: \"upper\" is not known; write right, left or both"),
                (9, "Bea Marlowe stands in this file already"),
            ],
            preview.Wrong.Select(fault => (fault.Line, fault.Reason))
        );
    }

    [Theory]
    [InlineData("")]
    [InlineData("number,hand\n1,left")]
    public void Without_a_column_of_names_it_is_asked_for(string text)
    {
        var preview = Read(text);

        Assert.Empty(preview.Rows);
        Assert.Contains("no column holds names", preview.Wrong.Single().Reason, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("Ada Fenwick,2", true)]
    [InlineData("ADA FENWICK,", true)]
    [InlineData("Ada Fenwick,3", false)]
    public void A_player_is_known_by_name_and_not_by_another_number(string row, bool known) =>
        Assert.Equal(known, Read($"name,number\n{row}").Rows.Single().Known is not null);

    [Fact]
    public void Who_left_the_squad_is_known_too_but_not_before_who_is_in_it()
    {
        var left = new Player
        {
            Id = 2,
            Name = "Bea Marlowe",
            Archived = true,
        };
        var namesake = new Player
        {
            Id = 3,
            Name = "Ada Fenwick",
            Archived = true,
        };

        var rows = Read("Name,Number\nBea Marlowe,3\nAda Fenwick,2", [namesake, left, Ada]).Rows;

        Assert.Equal([left, Ada], rows.Select(row => row.Known));
        Assert.Equal(3, rows[0].Details.Number);
    }

    [Fact]
    public void What_goes_out_comes_back() =>
        Gen.Select(Gen.String[Gen.Char["abc ,\";=é"], 1, 12], Gen.Int[0, 999], Gen.String[Gen.Char["xy ,\"\n"], 0, 9])
            .Sample(
                (name, number, notes) =>
                {
                    var player = new Player
                    {
                        Name = $"P{name}Q",
                        Number = number,
                        Notes = $"n{notes}m",
                        Positions = "pivot;left back",
                        Hand = Hand.Both,
                    };
                    var back = Read(SquadCsv.Write([player]), []).Rows.Single().Details;
                    Assert.Equal(
                        (player.Name, player.Number, player.Notes, player.Positions, player.Hand),
                        (back.Name, back.Number, back.Notes, back.Positions, back.Hand)
                    );
                }
            );

    [Theory]
    [InlineData("name,notes\nAda,\"left wing\nBea,right\nCleo,", 2)]
    [InlineData("name\nAda\n\"Bea\nCleo", 3)]
    public void A_quotation_mark_that_is_never_closed_names_its_line(string text, int line)
    {
        var preview = Read(text);

        Assert.Empty(preview.Rows);
        Assert.Equal(line, Assert.Single(preview.Wrong).Line);
        Assert.Contains("never closed", preview.Wrong[0].Reason, StringComparison.Ordinal);
    }

    [Fact]
    public void Ten_thousand_rows_are_refused_with_the_limit_and_five_hundred_are_not()
    {
        static string List(int rows) =>
            "name,number\n" + string.Join('\n', Enumerable.Range(0, rows).Select(n => $"Player {n},{n % 1000}"));

        Assert.Equal(500, Read(List(500)).Rows.Count);
        var fault = Assert.Single(Read(List(10_000)).Wrong);
        Assert.Contains("10000 rows", fault.Reason, StringComparison.Ordinal);
        Assert.Contains("500", fault.Reason, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("positions", 121, "the positions have more than 120 letters")]
    [InlineData("notes", 201, "the note has more than 200 letters")]
    [InlineData("name", 61, "the name has more than 60 letters")]
    public void A_list_is_held_to_what_the_form_is_held_to(string column, int length, string reason)
    {
        var row = column == "name" ? new string('x', length) : $"Ada,{new string('x', length)}";
        var preview = Read(column == "name" ? $"name\n{row}" : $"name,{column}\n{row}");

        Assert.Equal(reason, Assert.Single(preview.Wrong).Reason);
    }

    /// <summary>A spreadsheet would run such a cell (OWASP, "CSV Injection"); an apostrophe before it keeps it a text.</summary>
    [Theory]
    [InlineData("=1+1")]
    [InlineData("+44")]
    [InlineData("-2")]
    [InlineData("@sum")]
    public void A_cell_that_begins_like_a_formula_goes_out_guarded_and_comes_back_bare(string notes)
    {
        var csv = SquadCsv.Write([new Player { Name = notes, Notes = notes }]);

        Assert.Contains($"'{notes}", csv, StringComparison.Ordinal);
        Assert.DoesNotContain($",{notes}", csv, StringComparison.Ordinal);
        var back = Read(csv).Rows.Single().Details;
        Assert.Equal((notes, notes), (back.Name, back.Notes));
    }

    private static SquadPreview Read(string text) => Read(text, [Ada]);

    private static SquadPreview Read(string text, IReadOnlyList<Player> known)
    {
        var read = GridText.Read(text, SquadImport.MostRows);
        return read.IsOk
            ? SquadImport.Read(read.Value, SquadColumns.Guess(read.Value, 2026), known, 2026)
            : new SquadPreview([], [SquadFault.Of(read.Faults[0])]);
    }
}
