using KeepTally.Store.Database;

namespace KeepTally.Web.Hosting;

/// <summary>The settings the application was started with. <see cref="SettingsReader"/> reads them.</summary>
public sealed record Settings
{
    internal const int UsualPort = 5080;

    /// <summary>The port for phones and that of the plain page follow the first.</summary>
    internal const int HighestPort = 65533;

    /// <summary>The port on this machine.</summary>
    public int Port { get; init; } = UsualPort;

    /// <summary>The folder of the data, and that of backups.</summary>
    public DataFolder Data { get; init; } = new("data");

    /// <summary>Fills an empty folder with a made-up club.</summary>
    public bool Demo { get; init; }

    /// <summary>Listens on the network, too, by a certificate of its own authority.</summary>
    public bool Lan { get; init; }

    /// <summary>The address by which all come, where it is a name of one's own.</summary>
    public Uri? Address { get; init; }

    /// <summary>A certificate of one's own, as PEM.</summary>
    public string? Certificate { get; init; }

    /// <summary>Its key, as PEM.</summary>
    public string? Key { get; init; }

    /// <summary>A reverse proxy on this machine says who asks and how.</summary>
    public bool BehindProxy { get; init; }

    /// <summary>The coach who gets a new link to choose a password, shown on the machine.</summary>
    public string? NewPassword { get; init; }

    /// <summary>The port for phones.</summary>
    public int PhonePort => Port + 1;

    /// <summary>The port of the plain page that offers the authority.</summary>
    public int TrustPort => Port + 2;

    /// <summary>The files of the pages, beside the published application.</summary>
    internal static string WebRoot => Path.Combine(AppContext.BaseDirectory, "wwwroot");
}
