using KeepTally.Core.Planning;

namespace KeepTally.Core.Tests.Planning;

public sealed class BlockTimesTests
{
    [Fact]
    public void A_change_comes_before_its_block_and_the_rest_is_slack()
    {
        var times = BlockTimes.Of([new BlockSpan(8, 60), new BlockSpan(14, 30)]);

        Assert.Equal([new BlockTime(0, 60, 540), new BlockTime(540, 570, 1410)], times);
        Assert.Equal(390, BlockTimes.Slack(times, 30));
        Assert.Equal(-210, BlockTimes.Slack(times, 20));
    }
}
