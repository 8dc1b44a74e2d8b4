using System.CommandLine;
using System.Globalization;
using System.Text.Json;
using KeepTally.Core.Judgement;
using KeepTally.Core.Words;

namespace KeepTally.Cli;

/// <summary><c>tally compare 56/70 48/80</c>: how far one share is above another and how sure that is, as one JSON object.</summary>
internal static class CompareCommand
{
    private const int Most = 1_000_000;

    internal static Command Build()
    {
        var first = new Argument<string>("first") { Description = "Made of tries, as 56/70." };
        var second = new Argument<string>("second") { Description = "The share to compare with, as 48/80." };
        var command = new Command("compare", "Say whether one share is better than another, or whether it may be chance.")
        {
            first,
            second,
        };
        command.SetAction(parsed =>
            Console.Out.WriteLine(Compare(new ShareDifference(Read(parsed.GetValue(first)!), Read(parsed.GetValue(second)!))))
        );
        return command;
    }

    private static Share Read(string text)
    {
        var parts = text.Split('/');
        return
            parts is [var made, var of]
            && int.TryParse(made, NumberStyles.None, CultureInfo.InvariantCulture, out var successes)
            && int.TryParse(of, NumberStyles.None, CultureInfo.InvariantCulture, out var goes)
            && goes is >= 1 and <= Most
            && successes <= goes
            ? new Share(successes, goes)
            : throw new Unusable($"\"{text}\" is not a share; write made/tries, as in 56/70, with {Most} tries at most");
    }

    private static string Compare(ShareDifference difference) =>
        JsonSerializer.Serialize(
            new
            {
                first = Told(difference.First),
                second = Told(difference.Second),
                difference = Figure(difference.Value),
                low = Figure(difference.Bounds.Low),
                high = Figure(difference.Bounds.High),
                settled = difference.IsSettled,
                moreGoes = difference.GoesToSettle(),
                text = ShareWords.Compare(difference, "the first", "the second"),
            }
        );

    private static object Told(Share share) =>
        new
        {
            made = share.Made,
            of = share.Of,
            share = Figure(share.Value),
            low = Figure(share.Bounds.Low),
            high = Figure(share.Bounds.High),
        };

    private static decimal Figure(double value) => (decimal)Math.Round(value, 4);
}
