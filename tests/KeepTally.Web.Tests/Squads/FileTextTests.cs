using System.Text;
using KeepTally.Store.Files;

namespace KeepTally.Web.Tests.Squads;

/// <summary>The bytes of a file become the text that was written, or nothing.</summary>
public sealed class FileTextTests
{
    private const string List = "name\nZoë Fjærå\nŁucja Dąbek";

    public static TheoryData<string, byte[]> Marked =>
        new()
        {
            { "UTF-8", Encoding.UTF8.GetBytes(List) },
            { "UTF-8 with its mark", [.. Encoding.UTF8.Preamble, .. Encoding.UTF8.GetBytes(List)] },
            { "UTF-16, little end first", [.. Encoding.Unicode.Preamble, .. Encoding.Unicode.GetBytes(List)] },
            { "UTF-16, big end first", [.. Encoding.BigEndianUnicode.Preamble, .. Encoding.BigEndianUnicode.GetBytes(List)] },
        };

    [Theory]
    [MemberData(nameof(Marked))]
    public void What_says_how_it_is_written_is_read_so(string what, byte[] bytes) =>
        Assert.Equal((what, List), (what, FileText.Read(bytes, "utf-8").Require()));

    [Theory]
    [InlineData("windows-1252", "name\nZoë Fjærå")]
    [InlineData("windows-1250", "name\nŁucja Dąbek")]
    [InlineData("windows-1251", "name\nОльга")]
    [InlineData("windows-1254", "name\nIşıl Doğan")]
    public void What_does_not_is_refused_by_its_line_and_read_as_the_coach_says(string way, string list)
    {
        var bytes = CodePagesEncodingProvider.Instance.GetEncoding(way)!.GetBytes(list);

        var refused = Assert.Single(FileText.Read(bytes, "utf-8").Faults);
        Assert.Equal("line 2", refused.Path);
        Assert.Contains("choose below", refused.Fix, StringComparison.Ordinal);
        Assert.Equal(list, FileText.Read(bytes, way).Require());
    }

    [Fact]
    public void A_letter_that_was_broken_before_is_not_taken_either() =>
        Assert.Equal("line 2", Assert.Single(FileText.Read(Encoding.UTF8.GetBytes("name\nZo\uFFFD"), "utf-8").Faults).Path);
}
