using System.CommandLine;
using KeepTally.Cli;

var root = new RootCommand(
    "Keep Tally on the command line: replay a log, move places on, check cards, send groups round, split players, work out a timing sheet, let a made-up squad play, simulate a drill, compare two shares, report a practice, back up, restore and check the data."
)
{
    ReplayCommand.Build(),
    RotateCommand.Build(),
    CheckCommand.Build(),
    CircuitCommand.Build(),
    SplitCommand.Build(),
    PlanCommand.Build(),
    StandInCommand.Build(),
    FitCommand.Build(),
    CompareCommand.Build(),
    ReportCommand.Build(),
    BackupCommand.Build(),
    BackupCommand.BuildRestore(),
};
var parsed = root.Parse(args);
if (parsed.Errors.Count > 0)
{
    Console.Error.WriteLine($"tally: {parsed.Errors[0].Message} Say tally --help for the calls.");
    return Unusable.ExitCode;
}

return Unusable.Guard(() => parsed.Invoke(new InvocationConfiguration { EnableDefaultExceptionHandler = false }));
