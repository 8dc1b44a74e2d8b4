using System.Globalization;
using KeepTally.Core.Faults;

namespace KeepTally.Web.Hosting;

/// <summary>The values of settings, and what is wrong with them, each with the place where it was given.</summary>
internal sealed class SettingValues(SettingsSources sources)
{
    private readonly List<Fault> _faults = [];

    internal IReadOnlyList<Fault> Faults => _faults;

    internal static Fault Missing(SettingsSources.Given given, string what, string write) =>
        new(given.Place, $"the {what} is missing", $"write {given.Place} {write}");

    internal string? Text(Setting setting, string what, string write)
    {
        var given = sources.Of(setting);
        if (given is { Value: null or "" })
        {
            _faults.Add(Missing(given, what, write));
        }

        return given?.Value is { Length: > 0 } value ? value : null;
    }

    internal bool Flag(Setting setting)
    {
        var given = sources.Of(setting);
        if (given is { Value: not ("true" or "false") })
        {
            Wrong(given, $"\"{given.Value}\" is neither true nor false", "write true or false");
        }

        return given?.Value == "true";
    }

    internal int Port(Setting setting)
    {
        var given = sources.Of(setting);
        if (given is null)
        {
            return Settings.UsualPort;
        }

        var isNumber = int.TryParse(given.Value, NumberStyles.None, CultureInfo.InvariantCulture, out var port);
        if (!isNumber || port is < 1 or > Settings.HighestPort)
        {
            Wrong(
                given,
                $"a port is a number from 1 to {Settings.HighestPort}, and this is \"{given.Value}\"",
                $"write {Settings.UsualPort}"
            );
        }

        return port;
    }

    internal Uri? Address(Setting setting)
    {
        var given = sources.Of(setting);
        var address = Uri.TryCreate(given?.Value, UriKind.Absolute, out var read) && read.Scheme is "https" or "http" ? read : null;
        if (given is not null && address is null)
        {
            Wrong(given, $"\"{given.Value}\" is no address", "write https://NAME, as it stands in a browser");
        }

        return address;
    }

    internal string? File(Setting setting)
    {
        var given = sources.Of(setting);
        if (given is not null && !System.IO.File.Exists(given.Value))
        {
            Wrong(given, $"there is no file \"{given.Value}\"", "name a file that is there, as PEM");
        }

        return given?.Value;
    }

    private void Wrong(SettingsSources.Given given, string problem, string fix) =>
        _faults.Add(new Fault(given.Place, problem, fix));
}
