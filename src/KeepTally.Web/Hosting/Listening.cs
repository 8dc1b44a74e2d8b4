using System.Net;
using System.Security.Cryptography;
using System.Security.Cryptography.X509Certificates;
using KeepTally.Store.Database;
using Microsoft.AspNetCore.Server.Kestrel.Core;

namespace KeepTally.Web.Hosting;

/// <summary>Where the application listens: always on this machine; on the network only where it was told to, and over HTTPS.</summary>
internal static class Listening
{
    /// <summary>A book of cards may have 4 MB, and its form a little more.</summary>
    private const long LargestRequest = 6_000_000;

    internal static void Set(KestrelServerOptions kestrel, Settings settings, Running running)
    {
        kestrel.Limits.MaxRequestBodySize = LargestRequest;
        kestrel.Listen(IPAddress.Loopback, settings.Port);
        if (settings.Certificate is { } file)
        {
            var own = Read(file, settings.Key!);
            kestrel.ListenAnyIP(settings.PhonePort, listen => listen.UseHttps(own));
        }
        else if (running.Lan is { } site)
        {
            kestrel.ListenAnyIP(
                settings.PhonePort,
                listen => listen.UseHttps(https => https.ServerCertificateSelector = (_, _) => site.Certificate)
            );
            kestrel.ListenAnyIP(settings.TrustPort);
        }
    }

    private static X509Certificate2 Read(string file, string key)
    {
        try
        {
            return X509Certificate2.CreateFromPemFile(file, key);
        }
        catch (CryptographicException failure)
        {
            throw new DataFolderException(
                $"--certificate {file}: it cannot be read with the key {key} ({failure.Message.TrimEnd('.')}). Give both as PEM.",
                failure
            );
        }
    }
}
