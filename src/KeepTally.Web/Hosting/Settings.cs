using System.Globalization;
using KeepTally.Store.Database;

namespace KeepTally.Web.Hosting;

/// <summary>The settings the application was started with.</summary>
internal sealed record Settings
{
    /// <summary>The words it takes.</summary>
    internal const string Usage =
        "[--port N] [--data DIR] [--backups DIR] [--demo] [--lan] [--address URL] [--certificate FILE --key FILE] [--behind-proxy] [--new-password NAME]";

    private const int UsualPort = 5080;

    /// <summary>The port for phones and that of the plain page follow the first.</summary>
    private const int HighestPort = 65533;

    public int Port { get; private init; } = UsualPort;

    public DataFolder Data { get; private init; } = new("data");

    /// <summary>The folder of backups was given by itself.</summary>
    private bool BackupsGiven { get; init; }

    public bool Demo { get; private init; }

    /// <summary>Listens on the network, too, by a certificate of its own authority.</summary>
    public bool Lan { get; private init; }

    /// <summary>The address by which everybody comes, where it is a name of one's own.</summary>
    public Uri? Address { get; private init; }

    /// <summary>A certificate of one's own, as PEM.</summary>
    public string? Certificate { get; private init; }

    /// <summary>Its key, as PEM.</summary>
    public string? Key { get; private init; }

    /// <summary>A reverse proxy on this machine says who asks and how.</summary>
    public bool BehindProxy { get; private init; }

    /// <summary>The coach who gets a new link to choose a password, shown on the machine.</summary>
    public string? NewPassword { get; private init; }

    /// <summary>The port for phones.</summary>
    public int PhonePort => Port + 1;

    /// <summary>The port of the plain page that offers the authority.</summary>
    public int TrustPort => Port + 2;

    /// <summary>The files of the pages, beside the published application.</summary>
    internal static string WebRoot => Path.Combine(AppContext.BaseDirectory, "wwwroot");

    internal static Settings? Read(string[] args, out string? fault)
    {
        var settings = new Settings();
        for (var i = 0; i < args.Length; i++)
        {
            var value = i + 1 < args.Length ? args[i + 1] : null;
            if (settings.WithFlag(args[i]) is { } flagged)
            {
                settings = flagged;
                continue;
            }

            (var given, fault) = settings.With(args[i], value);
            if (given is null)
            {
                return null;
            }

            settings = given;
            i++;
        }

        fault =
            settings.Certificate is null != settings.Key is null
                ? "--certificate and --key go together. Write --certificate FILE --key FILE, both as PEM."
                : null;
        return fault is null ? settings : null;
    }

    private Settings? WithFlag(string name) =>
        name switch
        {
            "--demo" => this with { Demo = true },
            "--lan" => this with { Lan = true },
            "--behind-proxy" => this with { BehindProxy = true },
            _ => null,
        };

    private (Settings? Given, string? Fault) With(string name, string? value) =>
        (name, value) switch
        {
            ("--port", _) => int.TryParse(value, NumberStyles.None, CultureInfo.InvariantCulture, out var port)
            && port is > 0 and <= HighestPort
                ? (this with { Port = port }, null)
                : (null, $"--port {value}: a port is a number from 1 to {HighestPort}. Write --port {UsualPort}."),
            ("--data", { Length: > 0 }) => (this with { Data = new DataFolder(value, BackupsGiven ? Data.Backups : null) }, null),
            ("--data", _) => (null, "--data: the folder is missing. Write --data DIR."),
            ("--backups", { Length: > 0 }) => (this with { Data = new DataFolder(Data.Path, value), BackupsGiven = true }, null),
            ("--backups", _) => (null, "--backups: the folder is missing. Write --backups DIR, on another disk if you can."),
            ("--new-password", { Length: > 0 }) => (this with { NewPassword = value }, null),
            ("--new-password", _) => (
                null,
                "--new-password: the name is missing. Write --new-password NAME, with the name they sign in with."
            ),
            ("--address", _) => Uri.TryCreate(value, UriKind.Absolute, out var address) && address.Scheme is "https" or "http"
                ? (this with { Address = address }, null)
                : (null, $"--address {value}: this is no address. Write --address https://NAME, as it stands in a browser."),
            ("--certificate" or "--key", _) when value is null || !File.Exists(value) => (
                null,
                $"{name} {value}: there is no such file. Write {name} FILE, as PEM."
            ),
            ("--certificate", _) => (this with { Certificate = value }, null),
            ("--key", _) => (this with { Key = value }, null),
            _ => (null, $"{name} is not known here. Write {Usage}."),
        };
}
