using System.Globalization;
using KeepTally.Core.Chance;
using KeepTally.Core.Faults;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;

namespace KeepTally.Web.Tests.Squads;

/// <summary>
/// Lists of players as clubs have them (tests/lists): each comes in right, or says by line what to do. The spreadsheets were written
/// by another library (openpyxl 3.0.9) than the one that reads them.
/// </summary>
public sealed class ListFilesTests
{
    private const int Year = 2026;
    private const int Spoilt = 1000;

    private static string Folder => Path.Combine(SourceTree.Root, "tests", "lists");

    private static string[] Names =>
        [
            .. Directory
                .GetFiles(Folder)
                .Select(file => Path.GetFileName(file)!)
                .Where(name => !name.EndsWith(".expect", StringComparison.Ordinal))
                .Order(StringComparer.Ordinal),
        ];

    public static TheoryData<string> Files => [.. Names];

    [Theory]
    [MemberData(nameof(Files))]
    public void A_list_comes_in_right_or_says_by_line_what_to_do(string file)
    {
        var expected = File.ReadAllLines(Path.Combine(Folder, $"{file}.expect"));
        var (preview, isWestern) = Read(File.ReadAllBytes(Path.Combine(Folder, file)));

        Assert.Equal(
            expected.Where(line => line.Contains('|', StringComparison.Ordinal)),
            preview.Rows.Select(row =>
                string.Join(
                    '|',
                    row.Details.Name,
                    row.Details.Number?.ToString(CultureInfo.InvariantCulture),
                    row.Details.BirthYear?.ToString(CultureInfo.InvariantCulture),
                    row.Details.Positions,
                    row.Details.Hand?.ToString()
                )
            )
        );
        var wrong = expected
            .Where(line => line.StartsWith("WRONG", StringComparison.Ordinal))
            .Select(line => line.Split(' ', 3))
            .ToArray();
        Assert.Equal(wrong.Select(each => each[1]), preview.Wrong.Select(fault => $"{fault.Line}"));
        Assert.All(wrong.Zip(preview.Wrong), each => Assert.Contains(each.First[2], each.Second.Reason, StringComparison.Ordinal));
        Assert.True(isWestern || !expected.Contains("NOTE western"));
    }

    [Fact]
    public void A_spoilt_list_is_read_or_refused_and_never_brings_anything_down()
    {
        var files = Names
            .Select(name => File.ReadAllBytes(Path.Combine(Folder, name)))
            .Where(bytes => bytes.Length is > 0 and < 10_000)
            .ToArray();
        var read = 0;
        for (var seed = 0; seed < Spoilt; seed++)
        {
            var draw = new SeededDraw(seed);
            var bytes = files[(int)draw.Below(files.Length)].ToArray();
            for (var left = 1 + draw.Below(8); left > 0; left--)
            {
                var at = (int)draw.Below(bytes.Length);
                bytes[at] = draw.Below(2) == 0 ? (byte)draw.Below(256) : bytes[(int)draw.Below(bytes.Length)];
            }

            var (preview, _) = Read(bytes);
            read += preview.Rows.Count > 0 ? 1 : 0;
            Assert.True(preview.Rows.Count + preview.Wrong.Count > 0, $"seed {seed} says nothing");
            Assert.All(preview.Rows, row => Assert.InRange(row.Details.Name.Length, 1, 60));
        }

        Assert.InRange(read, 1, Spoilt - 1);
    }

    [Fact]
    public void Of_what_a_list_says_nothing_of_a_player_stays_as_they_are()
    {
        var ada = new Player
        {
            Id = 1,
            Name = "Ada Rill",
            Number = 2,
            Notes = "left foot first",
            Hand = Hand.Left,
        };
        var list = SquadList.OfText("Name;Jahrgang\nAda Rill;2012\n").Require();
        var row = Assert.Single(list.Look(null, [ada], Year).Preview.Rows);

        Assert.Equal(PlayerDetails.Of(ada) with { BirthYear = 2012 }, row.Details);
        Assert.True(row.Changes);
        Assert.False(
            Assert.Single(SquadList.OfText("Name,Number\nAda Rill,2\n").Require().Look(null, [ada], Year).Preview.Rows).Changes
        );
    }

    [Fact]
    public void What_a_column_holds_can_be_said_and_is_read_back_from_what_was_remembered()
    {
        var list = SquadList.OfText("Wer;Was\n2012;Ada Rill\n").Require();
        var told = new SquadColumns([SquadField.BirthYear, SquadField.Name], HasHeadings: true);

        var details = Assert.Single(list.Look(told, [], Year).Preview.Rows).Details;
        Assert.Equal(("Ada Rill", 2012), (details.Name, details.BirthYear));
        Assert.Equal(told.ToString(), SquadColumns.Read(told.ToString(), 2)!.ToString());
        Assert.Null(SquadColumns.Read(told.ToString(), 3));
        Assert.Null(SquadColumns.Read("h:Name,Shoe", 2));
    }

    private static (SquadPreview Preview, bool IsWestern) Read(byte[] file)
    {
        var list = SquadList.OfFile(file, "");
        return list.IsOk
            ? (list.Require().Look(null, [], Year).Preview, list.Require().IsWestern)
            : (new SquadPreview([], [SquadFault.Of(list.Faults[0])]), false);
    }
}
