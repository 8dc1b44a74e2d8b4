using System.CommandLine;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Cli;

/// <summary>
/// <c>tally replay --card CARD --log LOG [--at MS] [--option NAME=CHOICE]</c>: how a sheet stands, or how it would by another house
/// rule, as one JSON object.
/// </summary>
internal static class ReplayCommand
{
    internal static Command Build()
    {
        var card = new Option<string>("--card") { Description = "The drill card, JSON.", Required = true };
        var log = new Option<string>("--log") { Description = "The run log, JSON Lines.", Required = true };
        var at = new Option<long?>("--at")
        {
            Description = "The moment to look at, milliseconds from the origin; the last event if left out.",
        };
        var option = new Option<string[]>("--option")
        {
            Description = "A house rule that differs from the log's, as miss=hold; may be given several times.",
        };
        var command = new Command("replay", "Print the score of a log at a moment.") { card, log, at, option };
        command.SetAction(parsed =>
            Console.Out.WriteLine(
                Replay(parsed.GetValue(card)!, parsed.GetValue(log)!, parsed.GetValue(at), parsed.GetValue(option) ?? [])
            )
        );
        return command;
    }

    private static string Replay(string cardFile, string logFile, long? at, string[] others)
    {
        Instant? moment = at is { } milliseconds ? new Instant(milliseconds) : null;
        var log = Unusable.Read(logFile, LogReader.Read);
        var options = Chosen(cardFile, log.Head.Options, others);
        var card = Unusable.Read(cardFile, text => CardReader.Read(text, options));
        var live = Unusable.Require(logFile, Sheet.Open(card, log.Head with { Options = options }));
        foreach (var (line, runEvent) in log.Events.Where(logged => moment is null || logged.Event.At <= moment))
        {
            if (live.Add(runEvent) is { } fault)
            {
                throw Unusable.In(logFile, new Fault(fault.Path, fault.Problem, fault.Fix).OnLine(line));
            }
        }

        return ReplayWriter.Write(live.Score.Report(moment ?? live.Log.LastAt));
    }

    /// <summary>The house rules of the log, with others in the place of those that are named.</summary>
    private static Dictionary<string, string> Chosen(string cardFile, IReadOnlyDictionary<string, string> logged, string[] others)
    {
        var chosen = new Dictionary<string, string>(logged);
        var known = others.Length == 0 ? null : Unusable.Read(cardFile, CardReader.Read).Options;
        foreach (var other in others)
        {
            var split = other.IndexOf('=', StringComparison.Ordinal);
            if (split < 1)
            {
                throw new Unusable($"--option: \"{other}\" is no house rule; write its name and the choice, as miss=hold");
            }

            var (name, choice) = (other[..split], other[(split + 1)..]);
            if (!known!.TryGetValue(name, out var rule))
            {
                throw new Unusable($"--option: the card has no house rule \"{name}\"; use one of {string.Join(", ", known.Keys)}");
            }

            if (!rule.Choices.ContainsKey(choice))
            {
                throw new Unusable(
                    $"--option: \"{choice}\" is no choice of \"{name}\"; use one of {string.Join(", ", rule.Choices.Keys)}"
                );
            }

            chosen[name] = choice;
        }

        return chosen;
    }
}
