using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using KeepTally.Web.Lan;

namespace KeepTally.Web.Tests.Lan;

/// <summary>The small authority, judged by the chain building of the platform (RFC 5280), not by our own reading of it.</summary>
public sealed class AuthorityTests : IDisposable
{
    private static readonly DateTimeOffset Now = new(2026, 9, 3, 12, 0, 0, TimeSpan.Zero);

    private static readonly MachineNames Hall = new(
        [IPAddress.Parse("192.168.1.20"), IPAddress.Loopback],
        ["localhost", "laptop", "laptop.local"]
    );

    private readonly string _folder = Directory.CreateTempSubdirectory("keep-tally-authority").FullName;

    [Fact]
    public void A_phone_that_trusts_the_authority_trusts_the_machine_by_each_of_its_names()
    {
        using var authority = Authority.In(_folder, Hall, Now);
        using var machine = authority.CertificateOf(Hall, Now);
        Assert.True(IsTrusted(authority, machine));
        Assert.True(machine.MatchesHostname("192.168.1.20"));
        Assert.True(machine.MatchesHostname("laptop.local"));
        Assert.False(machine.MatchesHostname("192.168.1.21"));
        Assert.False(machine.MatchesHostname("example.org"));
        Assert.InRange((machine.NotAfter - machine.NotBefore).TotalDays, 300, 398);
    }

    [Fact]
    public void It_is_made_once_and_so_is_the_certificate_until_a_name_changes_or_it_is_soon_over()
    {
        using var first = Authority.In(_folder, Hall, Now);
        using var one = first.CertificateOf(Hall, Now);
        using var again = Authority.In(_folder, Hall, Now.AddDays(10));
        Assert.Equal(first.Fingerprint, again.Fingerprint);
        using var same = again.CertificateOf(Hall, Now.AddDays(10));
        Assert.Equal(one.SerialNumber, same.SerialNumber);

        var elsewhere = Hall with { Addresses = [IPAddress.Parse("10.1.2.3"), IPAddress.Loopback] };
        using var moved = again.CertificateOf(elsewhere, Now.AddDays(10));
        Assert.True(moved.MatchesHostname("10.1.2.3"));
        Assert.False(moved.MatchesHostname("192.168.1.20"));
        Assert.True(IsTrusted(again, moved));
        using var renewed = again.CertificateOf(elsewhere, Now.AddDays(380));
        Assert.NotEqual(moved.SerialNumber, renewed.SerialNumber);
    }

    [Theory]
    [InlineData("tally.example.org", null)]
    [InlineData(null, "203.0.113.7")]
    public void It_can_vouch_for_nothing_on_the_internet(string? name, string? address)
    {
        using var authority = Authority.In(_folder, Hall, Now);
        using var secret = X509Certificate2.CreateFromPemFile(
            Path.Combine(_folder, "authority.pem"),
            Path.Combine(_folder, "authority-key.pem")
        );
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest("CN=another player", key, HashAlgorithmName.SHA256);
        var names = new SubjectAlternativeNameBuilder();
        if (name is not null)
        {
            names.AddDnsName(name);
        }
        else
        {
            names.AddIpAddress(IPAddress.Parse(address!));
        }

        request.CertificateExtensions.Add(names.Build());
        using var forged = request.Create(secret, Now.AddDays(-1), Now.AddDays(90), [1, 2, 3, 4]);
        Assert.False(IsTrusted(authority, forged));
    }

    [Fact]
    public void Only_the_player_who_runs_the_program_reads_its_keys()
    {
        using var authority = Authority.In(_folder, Hall, Now);
        using var machine = authority.CertificateOf(Hall, Now);
        foreach (var file in new[] { "authority-key.pem", "server.pfx" })
        {
            Assert.Equal(UnixFileMode.UserRead | UnixFileMode.UserWrite, new FileInfo(Path.Combine(_folder, file)).UnixFileMode);
        }
    }

    [Fact]
    public void When_the_machine_is_called_otherwise_so_are_the_address_and_the_certificate_and_the_hosts_it_answers_to()
    {
        var names = Hall;
        using var site = new LanSite(_folder, 5081, 5082, TimeProvider.System, () => names);
        Assert.Equal("https://192.168.1.20:5081/", site.Address.ToString());
        var change = site.GetChangeToken();
        names = Hall with { Addresses = [IPAddress.Parse("10.1.2.3"), IPAddress.Loopback] };
        site.LookAgain();
        Assert.True(change.HasChanged);
        Assert.Equal("http://10.1.2.3:5082/trust", site.TrustAddress.ToString());
        Assert.True(site.Certificate.MatchesHostname("10.1.2.3"));
        var hosts = new Microsoft.AspNetCore.HostFiltering.HostFilteringOptions();
        site.Configure(hosts);
        Assert.Contains("10.1.2.3", hosts.AllowedHosts);
        Assert.DoesNotContain("192.168.1.20", hosts.AllowedHosts);
    }

    public void Dispose() => Directory.Delete(_folder, recursive: true);

    private static bool IsTrusted(Authority authority, X509Certificate2 certificate)
    {
        using var root = X509CertificateLoader.LoadCertificate(authority.Certificate);
        using var chain = new X509Chain();
        chain.ChainPolicy.TrustMode = X509ChainTrustMode.CustomRootTrust;
        chain.ChainPolicy.CustomTrustStore.Add(root);
        chain.ChainPolicy.RevocationMode = X509RevocationMode.NoCheck;
        chain.ChainPolicy.VerificationTime = Now.AddDays(12).DateTime;
        return chain.Build(certificate);
    }
}
