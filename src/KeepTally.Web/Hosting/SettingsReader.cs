using System.CommandLine;
using KeepTally.Core.Faults;
using KeepTally.Store.Database;

namespace KeepTally.Web.Hosting;

/// <summary>Reads the settings of a start. Source: docs/operating.md.</summary>
public static class SettingsReader
{
    private static readonly Setting Port = Setting.Of(
        "port",
        "N",
        $"The port on this machine; {Settings.UsualPort} where it is left out."
    );
    private static readonly Setting Data = Setting.Of("data", "DIR", "The data folder; one process at a time.");
    private static readonly Setting Backups = Setting.Of("backups", "DIR", "The folder of backups, best on another disk.");
    private static readonly Setting Demo = Setting.Flag("demo", "Fills an empty data folder with a made-up club.");
    private static readonly Setting Lan = Setting.Flag("lan", "TLS for phones in the hall, by an authority of its own.");
    private static readonly Setting Address = Setting.Of("address", "URL", "The address that every device uses.");
    private static readonly Setting Certificate = Setting.Of("certificate", "FILE", "A certificate of your own, as PEM.");
    private static readonly Setting Key = Setting.Of("key", "FILE", "The key of the certificate, as PEM.");
    private static readonly Setting BehindProxy = Setting.Flag("behind-proxy", "A reverse proxy on this machine ends TLS.");
    private static readonly Setting NewPassword = Setting.Of(
        "new-password",
        "NAME",
        "Prints a link for this coach to choose a new password."
    );
    private static readonly Setting File = Setting.Of("settings", "FILE", "A file of these settings, as JSON.");

    private static readonly Setting[] All = [Port, Data, Backups, Demo, Lan, Address, Certificate, Key, BehindProxy, NewPassword];

    /// <summary>The command line as it is told by --help.</summary>
    internal static RootCommand Command()
    {
        var command = new RootCommand(
            "Keep Tally: times, counts and scores of a practice. Each option may be a variable, too (KEEP_TALLY_PORT), or stand in the settings file."
        );
        foreach (var setting in All.Append(File))
        {
            command.Add(setting.Option);
        }

        return command;
    }

    /// <summary>The settings, or every fault in them with the place where it stands.</summary>
    /// <param name="args">The command line.</param>
    /// <param name="environment">The value of a variable of the environment; null where it is not set.</param>
    public static Result<Settings> Read(string[] args, Func<string, string?> environment) =>
        Read(Command().Parse(args), environment);

    internal static Result<Settings> Read(ParseResult line, Func<string, string?> environment)
    {
        if (line.UnmatchedTokens is [var unknown, ..])
        {
            return Result.Fail<Settings>(new Fault("", $"{unknown} is not known here", "write --help for the options"));
        }

        if (line.Errors is [var wrong, ..])
        {
            return Result.Fail<Settings>(new Fault("", wrong.Message.TrimEnd('.'), "write --help for the options"));
        }

        var sources = new SettingsSources(line, environment);
        if (sources.Of(File) is { } file)
        {
            var fault = file.Value is { Length: > 0 } path ? sources.Open(path, All) : SettingValues.Missing(file, "file", "FILE");
            if (fault is not null)
            {
                return Result.Fail<Settings>(fault);
            }
        }

        var values = new SettingValues(sources);
        var settings = new Settings
        {
            Port = values.Port(Port),
            Data = new DataFolder(values.Text(Data, "folder", "DIR") ?? "data", values.Text(Backups, "folder", "DIR")),
            Demo = values.Flag(Demo),
            Lan = values.Flag(Lan),
            Address = values.Address(Address),
            Certificate = values.File(Certificate),
            Key = values.File(Key),
            BehindProxy = values.Flag(BehindProxy),
            NewPassword = values.Text(NewPassword, "name", "NAME, with the name they sign in with"),
        };
        return values.Faults.Count > 0 ? Result.Fail<Settings>(values.Faults)
            : settings.Certificate is null != settings.Key is null
                ? Result.Fail<Settings>(
                    new Fault("", "--certificate and --key go together", "write --certificate FILE --key FILE, both as PEM")
                )
            : Result.Ok(settings);
    }
}
