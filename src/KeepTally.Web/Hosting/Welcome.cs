using KeepTally.Store.People;
using KeepTally.Web.Drawing;
using KeepTally.Web.Lan;

namespace KeepTally.Web.Hosting;

/// <summary>The message of the program once it is ready.</summary>
internal static class Welcome
{
    internal static async Task SayAsync(IServiceProvider services, Settings settings)
    {
        await using var scope = services.CreateAsyncScope();
        var (running, coaches) = (
            scope.ServiceProvider.GetRequiredService<Running>(),
            scope.ServiceProvider.GetRequiredService<CoachBook>()
        );
        var here = $"http://127.0.0.1:{settings.Port}";
        if (await coaches.IsEmptyAsync())
        {
            Console.WriteLine("No account yet. Open this link on this machine to set up Keep Tally:");
            Console.WriteLine($"  {here}/first?key={running.FirstKey}");
        }

        if (settings.NewPassword is { } name)
        {
            await SayLinkAsync(coaches, here, name);
        }

        if (running.Lan is { } site)
        {
            SayAddresses(site);
            Console.WriteLine($"The fingerprint shown there must be this one:\n  {site.Fingerprint}");
        }
        else if (running.Address is { } address)
        {
            Console.WriteLine($"Phones: {address}");
        }

        Console.WriteLine($"Keep Tally is ready: {here}");
    }

    private static void SayAddresses(LanSite site)
    {
        if (!site.IsReached)
        {
            Console.WriteLine(
                "This machine has no address in a local network: join one, and the page Phones shows how to come here."
            );
            return;
        }

        Console.WriteLine($"Phones on this network: {site.Address}");
        SayCode(site.Address);
        Console.WriteLine($"A phone that warns, or is to go on without a network, opens this once: {site.TrustAddress}");
        SayCode(site.TrustAddress);
    }

    /// <summary>An address as a code for a phone.</summary>
    private static void SayCode(Uri address)
    {
        foreach (var line in QrPicture.Lines(address.ToString()))
        {
            Console.WriteLine($"  {line}");
        }
    }

    private static async Task SayLinkAsync(CoachBook coaches, string here, string name)
    {
        if (
            (await coaches.ListAsync()).Find(coach => string.Equals(coach.UserName, name, StringComparison.OrdinalIgnoreCase))
            is not { } found
        )
        {
            Console.WriteLine($"There is no account by the name {name}.");
            return;
        }

        var coach = (await coaches.FindAsync(found.Id))!;
        var token = Uri.EscapeDataString(await coaches.PasswordTokenAsync(coach));
        Console.WriteLine($"Open this to choose a new password for {coach.UserName}; it works once:");
        Console.WriteLine($"  {here}/invite?who={coach.Id}&token={token}");
    }
}
