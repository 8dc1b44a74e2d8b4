using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;

namespace KeepTally.Web.Lan;

/// <summary>
/// The installation's own small authority: made once and kept in the data folder, it vouches for this machine to phones that
/// were told to trust it. It can vouch for nothing but machines of a local network. Source: RFC 5280.
/// </summary>
public sealed class Authority : IDisposable
{
    private const string Name = "Keep Tally on this machine";
    private const string CertificateFile = "authority.pem";
    private const string KeyFile = "authority-key.pem";
    private const string ServerFile = "server.pfx";
    private const int SerialBytes = 16;

    private static readonly TimeSpan Kept = TimeSpan.FromDays(3650);

    /// <summary>Phones take no certificate of a machine that is good for longer than 398 days (common practice).</summary>
    private static readonly TimeSpan ServerKept = TimeSpan.FromDays(390);

    /// <summary>Clocks of phones differ: a certificate is good from the day before.</summary>
    private static readonly TimeSpan Before = TimeSpan.FromDays(1);

    private static readonly TimeSpan RenewedBefore = TimeSpan.FromDays(30);

    private readonly string _folder;
    private readonly X509Certificate2 _certificate;

    private Authority(string folder, X509Certificate2 certificate) => (_folder, _certificate) = (folder, certificate);

    /// <summary>The certificate in the form that phones take.</summary>
    public byte[] Certificate => _certificate.RawData;

    /// <summary>The SHA-256 of the certificate in pairs, to be held against what the phone shows.</summary>
    public string Fingerprint =>
        string.Join(' ', Convert.ToHexString(SHA256.HashData(Certificate)).Chunk(2).Select(pair => new string(pair)));

    /// <summary>The one in a folder; made where there is none or it is soon over.</summary>
    public static Authority In(string folder, MachineNames machine, DateTimeOffset now)
    {
        Directory.CreateDirectory(folder);
        var (certificate, key) = (Path.Combine(folder, CertificateFile), Path.Combine(folder, KeyFile));
        if (File.Exists(certificate) && File.Exists(key))
        {
            var known = X509Certificate2.CreateFromPemFile(certificate, key);
            if (known.NotAfter.ToUniversalTime() > (now + ServerKept).UtcDateTime)
            {
                return new Authority(folder, known);
            }

            known.Dispose();
        }

        var made = Make(machine, now);
        using var secret = made.GetECDsaPrivateKey()!;
        WriteSecret(key, System.Text.Encoding.ASCII.GetBytes(secret.ExportPkcs8PrivateKeyPem()));
        File.WriteAllText(certificate, made.ExportCertificatePem());
        return new Authority(folder, made);
    }

    /// <summary>A certificate for this machine by its names; the one kept, where it still holds and is of all of them.</summary>
    public X509Certificate2 CertificateOf(MachineNames machine, DateTimeOffset now)
    {
        var file = Path.Combine(_folder, ServerFile);
        if (File.Exists(file))
        {
            var known = X509CertificateLoader.LoadPkcs12FromFile(file, null);
            if (
                known.NotAfter.ToUniversalTime() > (now + RenewedBefore).UtcDateTime
                && known.IssuerName.RawData.SequenceEqual(_certificate.SubjectName.RawData)
                && IsSignedHere(known)
                && MachineNames.Of(known).IsSameAs(machine)
            )
            {
                return known;
            }

            known.Dispose();
        }

        var issued = Issue(machine, now);
        WriteSecret(file, issued.Export(X509ContentType.Pkcs12));
        return X509CertificateLoader.LoadPkcs12FromFile(file, null);
    }

    public void Dispose() => _certificate.Dispose();

    private bool IsSignedHere(X509Certificate2 certificate)
    {
        using var chain = new X509Chain();
        chain.ChainPolicy.TrustMode = X509ChainTrustMode.CustomRootTrust;
        chain.ChainPolicy.CustomTrustStore.Add(_certificate);
        chain.ChainPolicy.RevocationMode = X509RevocationMode.NoCheck;
        chain.ChainPolicy.VerificationFlags = X509VerificationFlags.IgnoreNotTimeValid;
        return chain.Build(certificate);
    }

    private static X509Certificate2 Make(MachineNames machine, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN={Name}", key, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(true, true, 0, true));
        request.CertificateExtensions.Add(
            new X509KeyUsageExtension(X509KeyUsageFlags.KeyCertSign | X509KeyUsageFlags.CrlSign, true)
        );
        request.CertificateExtensions.Add(new X509SubjectKeyIdentifierExtension(request.PublicKey, false));
        request.CertificateExtensions.Add(LocalOnly.Extension(machine));
        return request.CreateSelfSigned(now - Before, now + Kept);
    }

    private X509Certificate2 Issue(MachineNames machine, DateTimeOffset now)
    {
        using var key = ECDsa.Create(ECCurve.NamedCurves.nistP256);
        var request = new CertificateRequest($"CN={machine.First}", key, HashAlgorithmName.SHA256);
        request.CertificateExtensions.Add(new X509BasicConstraintsExtension(false, false, 0, true));
        request.CertificateExtensions.Add(new X509KeyUsageExtension(X509KeyUsageFlags.DigitalSignature, true));
        request.CertificateExtensions.Add(
            new X509EnhancedKeyUsageExtension([new Oid("1.3.6.1.5.5.7.3.1", "Server authentication")], false)
        );
        request.CertificateExtensions.Add(machine.Extension());
        request.CertificateExtensions.Add(X509AuthorityKeyIdentifierExtension.CreateFromCertificate(_certificate, true, false));
        using var issued = request.Create(
            _certificate,
            now - Before,
            now + ServerKept,
            RandomNumberGenerator.GetBytes(SerialBytes)
        );
        return issued.CopyWithPrivateKey(key);
    }

    /// <summary>Readable only by the account that runs the program.</summary>
    private static void WriteSecret(string file, byte[] bytes)
    {
        File.Delete(file);
        var options = new FileStreamOptions { Mode = FileMode.CreateNew, Access = FileAccess.Write };
        if (!OperatingSystem.IsWindows())
        {
            options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        }

        using var stream = new FileStream(file, options);
        stream.Write(bytes);
    }
}
