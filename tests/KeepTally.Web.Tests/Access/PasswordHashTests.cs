using KeepTally.Store.Database;
using KeepTally.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Options;

namespace KeepTally.Web.Tests.Access;

/// <summary>How passwords are kept. The other tests run with fewer rounds.</summary>
public sealed class PasswordHashTests
{
    /// <summary>OWASP Password Storage Cheat Sheet: PBKDF2 with HMAC-SHA512 takes 210,000 rounds at the least (from memory).</summary>
    [Fact]
    public void A_password_is_hashed_in_210_000_rounds()
    {
        var services = new ServiceCollection();
        Application.AddServices(services, new Running(new DataFolder(Path.GetTempPath()), false, Installation.FirstKey));
        using var provider = services.BuildServiceProvider();

        Assert.Equal(210_000, provider.GetRequiredService<IOptions<PasswordHasherOptions>>().Value.IterationCount);
    }
}
