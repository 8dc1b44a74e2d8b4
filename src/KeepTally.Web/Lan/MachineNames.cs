using System.Net;
using System.Net.NetworkInformation;
using System.Net.Sockets;
using System.Security.Cryptography.X509Certificates;

namespace KeepTally.Web.Lan;

/// <summary>The names and addresses by which phones on the network reach this machine, the best first.</summary>
public sealed record MachineNames(IReadOnlyList<IPAddress> Addresses, IReadOnlyList<string> Names)
{
    /// <summary>The address shown to phones, which needs no name service in a hall.</summary>
    public string First => Addresses.Count > 0 ? Addresses[0].ToString() : Names[0];

    /// <summary>This machine as it is now.</summary>
    public static MachineNames Now()
    {
        var addresses = NetworkInterface
            .GetAllNetworkInterfaces()
            .Where(card =>
                card.OperationalStatus == OperationalStatus.Up && card.NetworkInterfaceType != NetworkInterfaceType.Loopback
            )
            .OrderBy(card => card.NetworkInterfaceType == NetworkInterfaceType.Wireless80211 ? 0 : 1)
            // A card with a way out is the one phones are on; those of containers and the like have none.
            .ThenBy(card => card.GetIPProperties().GatewayAddresses.Count > 0 ? 0 : 1)
            .SelectMany(card => card.GetIPProperties().UnicastAddresses.Select(each => each.Address))
            .Where(address => address.AddressFamily == AddressFamily.InterNetwork && LocalOnly.Holds(address));
        var name = Environment.MachineName.ToLowerInvariant();
        return new MachineNames(
            [.. addresses, IPAddress.Loopback],
            Uri.CheckHostName(name) == UriHostNameType.Dns ? ["localhost", name, $"{name}.local"] : ["localhost"]
        );
    }

    /// <summary>The names a certificate is of.</summary>
    public static MachineNames Of(X509Certificate2 certificate)
    {
        var names = certificate.Extensions.OfType<X509SubjectAlternativeNameExtension>().FirstOrDefault();
        return new MachineNames([.. names?.EnumerateIPAddresses() ?? []], [.. names?.EnumerateDnsNames() ?? []]);
    }

    public bool IsSameAs(MachineNames other) =>
        Addresses.ToHashSet().SetEquals(other.Addresses) && Names.ToHashSet().SetEquals(other.Names);

    internal X509Extension Extension()
    {
        var names = new SubjectAlternativeNameBuilder();
        foreach (var address in Addresses)
        {
            names.AddIpAddress(address);
        }

        foreach (var name in Names)
        {
            names.AddDnsName(name);
        }

        return names.Build();
    }
}
