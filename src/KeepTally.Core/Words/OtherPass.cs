using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Rules.Ladders;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>Another k of n for a drill of steps that is too hard or too easy, with what is to be expected of it.</summary>
public static class OtherPass
{
    /// <summary>"Five of seven succeeds 23 % of the time at this share; four of seven would 50 %."; empty where what there is suits best.</summary>
    public static string Of(Stage stage, SuccessBand band, Share share)
    {
        if (stage.Ladder is not { } ladder || share.Of == 0)
        {
            return "";
        }

        var (now, most, odds, name) = ladder.Pass switch
        {
            Pass.Window window => (
                window.Successes,
                window.Of,
                (Func<int, double>)(k => AtLeast(k, window.Of, share.Value)),
                (Func<int, string>)(k => $"{Phrase.Count(k)} of {Phrase.Count(window.Of)}")
            ),
            Pass.InARow run => (run.Streak, run.Streak + 3, k => Math.Pow(share.Value, k), k => $"{Phrase.Count(k)} in a row"),
            _ => (0, 0, _ => 0, _ => ""),
        };
        if (now == 0)
        {
            return "";
        }

        var middle = (band.Low + band.High) / 2;
        var best = Enumerable.Range(1, most).MinBy(k => Math.Abs(odds(k) - middle));
        return odds(now) >= band.Low && odds(now) <= band.High || best == now
            ? ""
            : $"At this share, {name(now)} is made {Phrase.Percent(odds(now))} of the time; {name(best)}, {Phrase.Percent(odds(best))}.";
    }

    /// <summary>The chance of k or more of n: the upper tail of the binomial.</summary>
    private static double AtLeast(int k, int n, double chance)
    {
        var (sum, ways) = (0.0, 1.0);
        for (var made = 0; made <= n; made++)
        {
            if (made >= k)
            {
                sum += ways * Math.Pow(chance, made) * Math.Pow(1 - chance, n - made);
            }

            ways = ways * (n - made) / (made + 1);
        }

        return sum;
    }
}
