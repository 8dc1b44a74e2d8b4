using System.CommandLine;
using KeepTally.Core.Formats;
using KeepTally.Core.Words;

namespace KeepTally.Cli;

/// <summary><c>tally check --card CARD …</c>: each card's rules in plain words, or every fault of every card.</summary>
internal static class CheckCommand
{
    internal static Command Build()
    {
        var cards = new Option<string[]>("--card")
        {
            Description = "A drill card, JSON; may be given several times.",
            Required = true,
            AllowMultipleArgumentsPerToken = true,
        };
        var command = new Command("check", "Check cards, and print their rules in plain words.") { cards };
        command.SetAction(parsed => Check(parsed.GetValue(cards)!));
        return command;
    }

    private static void Check(IReadOnlyList<string> files)
    {
        var faults = new List<string>();
        foreach (var file in files)
        {
            var read = CardReader.Read(Unusable.Text(file));
            if (read.IsOk)
            {
                Console.Out.WriteLine(CardWords.InFull(read.Value));
                foreach (var doubt in CardDoubts.Of(read.Value))
                {
                    Console.Out.WriteLine($"  Look again. {doubt}");
                }
            }

            faults.AddRange(read.Faults.Select(fault => $"{file}: {fault}"));
        }

        if (faults.Count > 0)
        {
            throw new Unusable(string.Join(Environment.NewLine, faults));
        }
    }
}
