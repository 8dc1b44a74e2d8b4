using System.CommandLine;
using KeepTally.Core.Events;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Core.Live;
using KeepTally.Core.Scoring;
using KeepTally.Core.Time;

namespace KeepTally.Cli;

/// <summary><c>tally replay --card CARD --log LOG [--at MS]</c>: how a sheet stands, as one JSON object.</summary>
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
        var command = new Command("replay", "Print how a sheet stands at a moment.") { card, log, at };
        command.SetAction(parsed =>
            Console.Out.WriteLine(Replay(parsed.GetValue(card)!, parsed.GetValue(log)!, parsed.GetValue(at)))
        );
        return command;
    }

    private static string Replay(string cardFile, string logFile, long? at)
    {
        Instant? moment = at is { } milliseconds ? new Instant(milliseconds) : null;
        var log = Unusable.Read(logFile, LogReader.Read);
        var card = Unusable.Read(cardFile, text => CardReader.Read(text, log.Head.Options));
        var live = Unusable.Require(logFile, Sheet.Open(card, log.Head));
        foreach (var (line, runEvent) in log.Events.Where(logged => moment is null || logged.Event.At <= moment))
        {
            if (live.Add(runEvent) is { } fault)
            {
                throw Unusable.In(logFile, new Fault(fault.Path, fault.Problem, fault.Mend).OnLine(line));
            }
        }

        return ReplayWriter.Write(live.Score.Report(moment ?? live.Log.LastAt));
    }
}
