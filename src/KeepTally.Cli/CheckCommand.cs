using System.CommandLine;
using KeepTally.Core.Formats;
using KeepTally.Core.Text;
using KeepTally.Core.Words;
using KeepTally.Store.Backups;
using KeepTally.Store.Database;

namespace KeepTally.Cli;

/// <summary>
/// <c>tally check --card CARD …</c>: each card's rules in plain words, or every fault of every card; <c>tally check --data DIR</c>:
/// all stored data, every sheet replayed.
/// </summary>
internal static class CheckCommand
{
    internal static Command Build()
    {
        var cards = new Option<string[]>("--card")
        {
            Description = "A drill card, JSON; may be given several times.",
            AllowMultipleArgumentsPerToken = true,
        };
        var data = new Option<string?>("--data") { Description = "A data folder: all that is stored there is checked." };
        var command = new Command("check", "Check cards, and print their rules in plain words; or check a data folder.")
        {
            cards,
            data,
        };
        command.Validators.Add(given =>
        {
            if (given.GetResult(cards) is null == given.GetResult(data) is null)
            {
                given.AddError("Give either --card or --data.");
            }
        });
        command.SetAction(parsed =>
        {
            if (parsed.GetValue(data) is { } folder)
            {
                Check(new DataFolder(folder));
            }
            else
            {
                Check(parsed.GetValue(cards)!);
            }
        });
        return command;
    }

    private static void Check(DataFolder data)
    {
        try
        {
            var found = DataCheck.Of(data);
            if (found.Findings.Count > 0)
            {
                throw new Unusable(string.Join(Environment.NewLine, found.Findings));
            }

            Console.Out.WriteLine(
                $"{data.Path}: all is well. {Phrase.Of(found.Sheets, "sheet")} replayed, {found.Events} events; the file and its links are whole."
            );
        }
        catch (DataFolderException unusable)
        {
            throw new Unusable(unusable.Message);
        }
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
