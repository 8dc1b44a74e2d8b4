using System.CommandLine;
using KeepTally.Core.Archive;
using KeepTally.Core.Reports;

namespace KeepTally.Cli;

/// <summary><c>tally report --practice FILE</c>: what a practice was, on one page of plain text, from its logs alone.</summary>
internal static class ReportCommand
{
    internal static Command Build()
    {
        var practice = new Option<string>("--practice")
        {
            Description = "A practice with its logs, as keep-tally/practice@1.",
            Required = true,
        };
        var command = new Command("report", "Print the report of a practice from its logs.") { practice };
        command.SetAction(parsed =>
        {
            var kept = Unusable.Read(parsed.GetValue(practice)!, ArchiveReader.Read);
            foreach (var line in ReportText.Of(PracticeReport.Of(kept.Title, kept.Team, kept.Date, kept.Kept())))
            {
                Console.Out.WriteLine(line);
            }
        });
        return command;
    }
}
