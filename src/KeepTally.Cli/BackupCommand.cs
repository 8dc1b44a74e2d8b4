using System.CommandLine;
using KeepTally.Core.Faults;
using KeepTally.Store.Backups;
using KeepTally.Store.Database;
using Microsoft.Data.Sqlite;

namespace KeepTally.Cli;

/// <summary><c>tally backup --data DIR --to FILE</c> and <c>tally restore --data DIR --from FILE</c>.</summary>
internal static class BackupCommand
{
    internal static Option<string> Data() =>
        new("--data") { Description = "The data folder, which holds tally.db.", Required = true };

    internal static Command Build()
    {
        var data = Data();
        var to = new Option<string>("--to") { Description = "The file to write.", Required = true };
        var command = new Command("backup", "Copy all data into one file, while Keep Tally runs or not.") { data, to };
        command.SetAction(parsed => Backup(new DataFolder(parsed.GetValue(data)!), parsed.GetValue(to)!));
        return command;
    }

    internal static Command BuildRestore()
    {
        var data = Data();
        var from = new Option<string>("--from") { Description = "The backup.", Required = true };
        var command = new Command("restore", "Put a backup in the place of the data, while Keep Tally is stopped.") { data, from };
        command.SetAction(parsed => Restore(new DataFolder(parsed.GetValue(data)!), parsed.GetValue(from)!));
        return command;
    }

    private static void Backup(DataFolder data, string to)
    {
        if (!File.Exists(data.Database))
        {
            throw Unusable.In(
                data.Path,
                new Fault("", "there is no database", "give the folder that holds tally.db with --data DIR")
            );
        }

        try
        {
            DatabaseCopy.Make(data.Database, to);
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException or SqliteException)
        {
            throw Unusable.In(
                to,
                new Fault(
                    "",
                    $"the backup cannot be written ({failure.Message.TrimEnd('.')})",
                    "check the path and the space on the disk"
                )
            );
        }

        Console.Out.WriteLine($"{to}: {Unusable.Require(to, BackupFacts.Read(to)).Words}.");
    }

    private static void Restore(DataFolder data, string from)
    {
        try
        {
            data.Prepare();
            using var held = data.Lock();
            var restore = new BackupRestore(data);
            var facts = Unusable.Require(from, restore.LayReady(from));
            var undoes = File.Exists(data.Database);
            restore.Apply(DateTime.Now);
            Console.Out.WriteLine($"Restored {facts.Words}.");
            if (undoes)
            {
                Console.Out.WriteLine(
                    $"What was there before is {new BackupShelf(data).Newest?.File ?? data.Backups}: restore that to undo this."
                );
            }
        }
        catch (DataFolderException unusable)
        {
            throw new Unusable(unusable.Message);
        }
    }
}
