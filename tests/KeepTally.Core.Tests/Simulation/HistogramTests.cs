using KeepTally.Core.Simulation;

namespace KeepTally.Core.Tests.Simulation;

/// <summary>How figures are put into columns.</summary>
public sealed class HistogramTests
{
    [Fact]
    public void Few_whole_figures_have_a_column_each()
    {
        var spread = Histogram.Of([2, 2, 3, 5]);

        Assert.Equal((2, 1), (spread.From, spread.Width));
        Assert.Equal([2, 1, 0, 1], spread.Counts);
        Assert.False(spread.HasMore);
    }

    [Fact]
    public void One_far_off_is_with_the_last_and_said_to_be()
    {
        double[] figures = [.. Enumerable.Range(0, 200).Select(i => (double)(i % 10)), 5000];
        var spread = Histogram.Of(figures.Order().ToArray());

        Assert.Equal(1, spread.Width);
        Assert.Equal(21, spread.Counts[^1]);
        Assert.True(spread.HasMore);
    }

    [Fact]
    public void Every_figure_is_in_one_column_and_its_own()
    {
        var draw = new Random(7);
        for (var i = 0; i < 300; i++)
        {
            var (scale, shift) = (Math.Pow(10, draw.Next(-1, 5)), draw.Next(-50, 50));
            double[] figures = [.. Enumerable.Range(0, draw.Next(1, 400)).Select(_ => shift + (draw.NextDouble() * scale)).Order()];
            var spread = Histogram.Of(figures);

            Assert.Equal(figures.Length, spread.Counts.Sum());
            Assert.InRange(spread.Counts.Count, 1, 24);
            foreach (var (index, count) in spread.Counts.Index().SkipLast(1))
            {
                var low = spread.From + (index * spread.Width);
                Assert.Equal(figures.Count(figure => figure >= low && figure < low + spread.Width), count);
            }
        }
    }
}
