using System.Formats.Asn1;
using System.Net;
using System.Security.Cryptography.X509Certificates;

namespace KeepTally.Web.Lan;

/// <summary>
/// What the authority may vouch for: private addresses and local names, and nothing else, so that a phone that trusts it
/// risks nothing on the internet. Sources: RFC 5280, section 4.2.1.10; RFC 1918; RFC 3927.
/// </summary>
internal static class LocalOnly
{
    private const string NameConstraints = "2.5.29.30";
    private const int DnsName = 2;
    private const int IpAddress = 7;

    private static readonly IPNetwork[] Networks =
    [
        IPNetwork.Parse("10.0.0.0/8"),
        IPNetwork.Parse("172.16.0.0/12"),
        IPNetwork.Parse("192.168.0.0/16"),
        IPNetwork.Parse("169.254.0.0/16"),
        IPNetwork.Parse("127.0.0.0/8"),
    ];

    internal static bool Holds(IPAddress address) => Array.Exists(Networks, network => network.Contains(address));

    /// <summary>Private networks, names that end with <c>local</c>, and the machine's own.</summary>
    internal static X509Extension Extension(MachineNames machine)
    {
        var writer = new AsnWriter(AsnEncodingRules.DER);
        using (writer.PushSequence())
        using (writer.PushSequence(new Asn1Tag(TagClass.ContextSpecific, 0)))
        {
            foreach (var name in machine.Names.Append("local").Distinct())
            {
                using (writer.PushSequence())
                {
                    writer.WriteCharacterString(UniversalTagNumber.IA5String, name, new Asn1Tag(TagClass.ContextSpecific, DnsName));
                }
            }

            foreach (var network in Networks)
            {
                using (writer.PushSequence())
                {
                    byte[] range = [.. network.BaseAddress.GetAddressBytes(), .. MaskOf(network.PrefixLength)];
                    writer.WriteOctetString(range, new Asn1Tag(TagClass.ContextSpecific, IpAddress));
                }
            }
        }

        return new X509Extension(NameConstraints, writer.Encode(), critical: true);
    }

    private static byte[] MaskOf(int bits)
    {
        var mask = BitConverter.GetBytes(uint.MaxValue << (32 - bits));
        return BitConverter.IsLittleEndian ? [.. mask.Reverse()] : mask;
    }
}
