using System.Net;
using System.Net.NetworkInformation;
using System.Security.Cryptography.X509Certificates;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.Extensions.Options;
using Microsoft.Extensions.Primitives;

namespace KeepTally.Web.Lan;

/// <summary>
/// The application as phones on the network reach it: over HTTPS by a certificate of its own authority, and a plain page that
/// offers the authority. When the machine's addresses change, so do the certificate and what is shown.
/// </summary>
public sealed class LanSite : IConfigureOptions<HostFilteringOptions>, IOptionsChangeTokenSource<HostFilteringOptions>, IDisposable
{
    private readonly Authority _authority;
    private readonly TimeProvider _clock;
    private readonly Func<MachineNames> _look;
    private readonly Lock _lock = new();
    private CancellationTokenSource _changed = new();
    private MachineNames _names;
    private X509Certificate2 _certificate;

    /// <param name="folder">Where the authority is kept.</param>
    /// <param name="port">The port for phones.</param>
    /// <param name="trustPort">The port of the plain page.</param>
    /// <param name="clock">The clock that certificates are dated by.</param>
    /// <param name="look">What the machine is called now.</param>
    public LanSite(string folder, int port, int trustPort, TimeProvider clock, Func<MachineNames>? look = null)
    {
        (Port, TrustPort, _clock, _look) = (port, trustPort, clock, look ?? MachineNames.Now);
        _names = _look();
        _authority = Authority.In(folder, _names, clock.GetUtcNow());
        _certificate = _authority.CertificateOf(_names, clock.GetUtcNow());
        NetworkChange.NetworkAddressChanged += (_, _) => LookAgain();
    }

    public int Port { get; }

    public int TrustPort { get; }

    /// <summary>Whether the machine has an address in a local network, by which a phone can come.</summary>
    public bool IsReached => !IPAddress.IsLoopback(_names.Addresses[0]);

    /// <summary>Where phones go.</summary>
    public Uri Address => new($"https://{_names.First}:{Port}/");

    /// <summary>The plain page with the authority's certificate.</summary>
    public Uri TrustAddress => new($"http://{_names.First}:{TrustPort}/trust");

    public string Fingerprint => _authority.Fingerprint;

    public byte[] AuthorityCertificate => _authority.Certificate;

    public string? Name => Options.DefaultName;

    /// <summary>The certificate of the machine as it is called now.</summary>
    public X509Certificate2 Certificate
    {
        get
        {
            lock (_lock)
            {
                return _certificate;
            }
        }
    }

    /// <summary>Looks whether the machine is called otherwise by now.</summary>
    public void LookAgain()
    {
        var names = _look();
        lock (_lock)
        {
            if (names.IsSameAs(_names))
            {
                return;
            }

            // The old one may still be in use by a phone that is just connecting: it is left to the collector.
            (_names, _certificate) = (names, _authority.CertificateOf(names, _clock.GetUtcNow()));
        }

        var before = Interlocked.Exchange(ref _changed, new CancellationTokenSource());
        before.Cancel();
        before.Dispose();
    }

    public void Configure(HostFilteringOptions options)
    {
        foreach (var name in _names.Names.Concat(_names.Addresses.Select(address => address.ToString())))
        {
            if (!options.AllowedHosts.Contains(name))
            {
                options.AllowedHosts.Add(name);
            }
        }
    }

    public IChangeToken GetChangeToken() => new CancellationChangeToken(_changed.Token);

    public void Dispose()
    {
        _authority.Dispose();
        _certificate.Dispose();
        _changed.Dispose();
    }
}
