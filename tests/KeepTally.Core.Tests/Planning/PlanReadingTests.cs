using KeepTally.Core.Planning;

namespace KeepTally.Core.Tests.Planning;

/// <summary>Broken timing sheets are told by their place.</summary>
public sealed class PlanReadingTests
{
    private static string Sheet(string more) =>
        $$"""{"format":"keep-tally/plan@1","start":"17:30","minutes":60,"players":12,{{more}}}""";

    [Theory]
    [InlineData("""{"drill":"a","minutes":0,"groups":1}""", "blocks[0].minutes")]
    [InlineData("""{"drill":"a","groups":1}""", "blocks[0].minutes")]
    [InlineData("""{"drill":"","minutes":5}""", "blocks[0].drill")]
    [InlineData("""{"drill":"a","minutes":5,"groups":0}""", "blocks[0].groups")]
    [InlineData("""{"drill":"a","minutes":5,"change":-1}""", "blocks[0].change")]
    [InlineData("""{"drill":"a","minutes":5,"circuits":[]}""", "blocks[0].circuits")]
    [InlineData("""{"circuit":[],"minutesEach":3}""", "blocks[0].circuit")]
    [InlineData("""{"circuit":["a","b"],"minutesEach":1,"changeSeconds":300,"changeInside":true}""", "blocks[0].changeSeconds")]
    [InlineData("""{"break":"","minutes":2}""", "blocks[0].break")]
    [InlineData("""{"talk":"Why","minutes":"2"}""", "blocks[0].minutes")]
    public void A_broken_line_is_told_by_its_path(string block, string path)
    {
        var read = PlanReader.Read(Sheet($"\"blocks\":[{block}]"));

        Assert.Contains(read.Faults, fault => fault.Path == path);
    }

    [Theory]
    [InlineData("\"start\":\"5 pm\"", "start")]
    [InlineData("\"start\":\"17:30\",\"date\":\"3 September\"", "date")]
    [InlineData("\"start\":\"17:30\",\"minutes\":0", "minutes")]
    [InlineData("\"start\":\"17:30\",\"equipment\":{\"ball\":-1}", "equipment.ball")]
    [InlineData("\"start\":\"17:30\",\"caps\":{\"drill\":5}", "caps.drill")]
    public void A_broken_head_is_told_by_its_path(string head, string path)
    {
        var minutes = head.Contains("\"minutes\"", StringComparison.Ordinal) ? "" : ",\"minutes\":60";
        var read = PlanReader.Read($$"""{"format":"keep-tally/plan@1",{{head}}{{minutes}},"players":12,"blocks":[]}""");

        Assert.Contains(read.Faults, fault => fault.Path == path);
    }

    [Fact]
    public void A_sheet_may_be_empty_and_have_no_day()
    {
        var plan = PlanReader.Read(Sheet("\"blocks\":[]")).Require();

        Assert.Null(plan.Date);
        Assert.Equal(Caps.Usual, plan.Caps);
        Assert.Equal(3600, PlanReport.Of(plan, CardShelf.Of([])).Slack);
    }
}
