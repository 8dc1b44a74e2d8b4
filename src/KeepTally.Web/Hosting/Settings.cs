using System.Globalization;
using KeepTally.Store.Database;

namespace KeepTally.Web.Hosting;

/// <summary>What the application was started with: <c>[--port N] [--data DIR] [--demo] [--new-password NAME]</c>.</summary>
/// <param name="NewPassword">Whose password is to be chosen anew, by a link shown on the machine; or null.</param>
internal sealed record Settings(int Port, DataFolder Data, bool Demo, string? NewPassword)
{
    private const int UsualPort = 5080;

    /// <summary>The files of the pages, beside the published application.</summary>
    internal static string WebRoot => Path.Combine(AppContext.BaseDirectory, "wwwroot");

    internal static Settings? Read(string[] args, out string? fault)
    {
        var (port, data, demo, newPassword) = (UsualPort, "data", false, (string?)null);
        for (var i = 0; i < args.Length; i++)
        {
            var value = i + 1 < args.Length ? args[i + 1] : null;
            switch (args[i])
            {
                case "--demo":
                    demo = true;
                    break;
                case "--new-password" when value is { Length: > 0 }:
                    newPassword = value;
                    i++;
                    break;
                case "--data" when value is { Length: > 0 }:
                    data = value;
                    i++;
                    break;
                case "--port"
                    when int.TryParse(value, NumberStyles.None, CultureInfo.InvariantCulture, out port) && port is > 0 and <= 65535:
                    i++;
                    break;
                case "--port":
                    fault = $"--port {value}: a port is a number from 1 to 65535. Write --port {UsualPort}.";
                    return null;
                case "--data":
                    fault = "--data: the folder is missing. Write --data DIR.";
                    return null;
                case "--new-password":
                    fault = "--new-password: the name is missing. Write --new-password NAME, with the name they sign in with.";
                    return null;
                default:
                    fault = $"{args[i]} is not known here. Write [--port N] [--data DIR] [--demo] [--new-password NAME].";
                    return null;
            }
        }

        fault = null;
        return new Settings(port, new DataFolder(data), demo, newPassword);
    }
}
