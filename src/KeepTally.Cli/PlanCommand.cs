using System.CommandLine;
using KeepTally.Core.Cards;
using KeepTally.Core.Formats;
using KeepTally.Core.Planning;

namespace KeepTally.Cli;

/// <summary><c>tally plan --plan PLAN --cards DIR</c>: the arithmetic of a timing sheet and what does not fit on it.</summary>
internal static class PlanCommand
{
    internal static Command Build()
    {
        var plan = new Option<string>("--plan") { Description = "The timing sheet, JSON.", Required = true };
        var cards = new Option<string>("--cards") { Description = "A folder of drill cards, JSON.", Required = true };
        var command = new Command("plan", "Check a plan: clock times, how busy players are, and what does not fit.")
        {
            plan,
            cards,
        };
        command.SetAction(parsed => Print(parsed.GetValue(plan)!, parsed.GetValue(cards)!));
        return command;
    }

    private static void Print(string planFile, string folder)
    {
        var plan = Unusable.Read(planFile, PlanReader.Read);
        var texts = TextsOf(folder);
        foreach (var (index, drill) in plan.Blocks.Index().Where(each => each.Item is PlanBlock.Drill))
        {
            Check(planFile, index, (PlanBlock.Drill)drill, texts);
        }

        var shelf = new CardShelf(
            (card, options) => texts.TryGetValue(card, out var text) ? CardReader.Read(text, options).Require() : null
        );
        Console.Out.WriteLine(PlanReportWriter.Write(PlanReport.Of(plan, shelf), shelf));
    }

    /// <summary>The text of every card of a folder, by the card's own id.</summary>
    private static Dictionary<string, string> TextsOf(string folder)
    {
        var texts = new Dictionary<string, string>(StringComparer.Ordinal);
        foreach (var file in Unusable.Files(folder, "*.json"))
        {
            var text = Unusable.Text(file);
            var card = Unusable.Require(file, CardReader.Read(text));
            if (!texts.TryAdd(card.Id, text))
            {
                throw new Unusable($"{file}: id: another card of this folder has the id \"{card.Id}\"; give each its own");
            }
        }

        return texts;
    }

    /// <summary>A house rule the card does not have is a fault of the sheet.</summary>
    private static void Check(string planFile, int index, PlanBlock.Drill drill, Dictionary<string, string> texts)
    {
        if (!texts.TryGetValue(drill.Card, out var text))
        {
            return;
        }

        var read = CardReader.Read(text, drill.Options);
        if (!read.IsOk)
        {
            throw Unusable.In(planFile, read.Faults[0] with { Path = $"blocks[{index}].{read.Faults[0].Path}" });
        }

        DrillCard card = read.Value;
        if (drill.Stage >= card.Stages.Count)
        {
            throw new Unusable(
                $"{planFile}: blocks[{index}].stage: {card.Name} has no stage {drill.Stage}; write a number below {card.Stages.Count}"
            );
        }
    }
}
