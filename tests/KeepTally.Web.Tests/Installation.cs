using KeepTally.Core.Faults;
using KeepTally.Store.Database;
using KeepTally.Store.Practices;
using KeepTally.Web.Hosting;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.TestHost;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Microsoft.Extensions.Logging;

namespace KeepTally.Web.Tests;

/// <summary>An application with demo data in a folder of its own, at a fixed time, without a port.</summary>
public sealed class Installation : IAsyncLifetime
{
    /// <summary>With which an empty installation is set up.</summary>
    public const string FirstKey = "first";

    private const string Database = "tally.db";

    private readonly string _folder = Directory.CreateTempSubdirectory("keep-tally").FullName;
    private readonly bool _demo;
    private readonly bool _whole;
    private readonly Dictionary<string, Lazy<Task<IReadOnlyDictionary<string, string>>>> _tickets = [];
    private WebApplication? _app;

    public Installation()
        : this(demo: true) { }

    private Installation(bool demo, bool whole = false) => (_demo, _whole) = (demo, whole);

    /// <summary>With the whole demo: today's sheet is a full one, and there are practices to come.</summary>
    public static Installation Whole() => new(demo: true, whole: true);

    /// <summary>With an empty folder, as a real club begins.</summary>
    public static Installation Empty() => new(demo: false);

    /// <summary>The data folder.</summary>
    public string Folder => _folder;

    public MachineClock Clock { get; } = new(new DateTimeOffset(2026, 9, 3, 15, 30, 0, TimeSpan.Zero));

    public IServiceProvider Services => _app!.Services;

    /// <summary>The commands that go to its database.</summary>
    internal CommandCounter Commands { get; } = new();

    public async ValueTask InitializeAsync() => await StartAsync();

    /// <summary>A folder as it is after the first start, made once and copied: the demo is the same every time.</summary>
    private static readonly Lazy<Task<string>> Seeded = new(async () =>
    {
        var first = new Installation();
        await first.StartInAsync();
        await first.WithAsync<TallyDb, int>(ShortenAsync);
        await first.StopAsync();
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(first._folder, recursive: true);
        return first._folder;
    });

    /// <summary>What most tests are of is a practice of three drills, and no other; with nothing written down of what there is.</summary>
    private static async Task<int> ShortenAsync(TallyDb db)
    {
        await db.Practices.Where(practice => practice.Date > db.Practices.Min(each => each.Date)).ExecuteDeleteAsync();
        await db.Blocks.Where(block => block.Order > 2).ExecuteDeleteAsync();
        await db.Gear.ExecuteDeleteAsync();
        return await db.Practices.ExecuteUpdateAsync(set =>
            set.SetProperty(practice => practice.Minutes, 30)
                .SetProperty(practice => practice.Reserve, "")
                .SetProperty(practice => practice.Place, "")
        );
    }

    public async Task StartAsync()
    {
        if (_demo && !_whole && !File.Exists(Path.Combine(_folder, Database)))
        {
            File.Copy(Path.Combine(await Seeded.Value, Database), Path.Combine(_folder, Database));
        }

        await StartInAsync();
    }

    private async Task StartInAsync()
    {
        Clock.SetLocalTimeZone(TimeZoneInfo.Utc);
        var folder = new DataFolder(_folder);
        folder.Prepare();
        var builder = WebApplication.CreateBuilder(
            new WebApplicationOptions { ApplicationName = "KeepTally.Web", ContentRootPath = AppContext.BaseDirectory }
        );
        builder.WebHost.UseTestServer();
        builder.Logging.ClearProviders();
        builder.Logging.AddProvider(Commands);
        builder.Logging.AddFilter<CommandCounter>((category, _) => category == DbLoggerCategory.Database.Command.Name);
        builder.Services.AddSingleton<TimeProvider>(Clock);
        Application.AddServices(builder.Services, new Running(folder, _demo, FirstKey));
        // A password is a tenth of a second's work by design (PasswordHashTests holds that); here it is typed hundreds of times.
        builder.Services.Configure<PasswordHasherOptions>(options => options.IterationCount = 100);
        _app = builder.Build();
        Application.Use(_app);
        await Application.PrepareAsync(_app.Services, _demo);
        await _app.StartAsync();
    }

    public async Task StopAsync()
    {
        await _app!.DisposeAsync();
        // Its own alone: others of this process are in the middle of something.
        new DataFolder(_folder).CloseConnections();
    }

    /// <summary>
    /// The head coach with a browser without scripts: it keeps cookies and does not follow redirects by itself.
    /// </summary>
    public Visitor Visit() => VisitAs("Robin Teal");

    /// <summary>One of the made-up coaches of the demo.</summary>
    public Visitor VisitAs(string coach)
    {
        lock (_tickets)
        {
            // Signed in once by the page; anyone who comes later as the same coach comes with that ticket.
            if (!_tickets.TryGetValue(coach, out var ticket))
            {
                ticket = new Lazy<Task<IReadOnlyDictionary<string, string>>>(() => VisitAsNobody().SignInAsync(coach));
                _tickets[coach] = ticket;
            }

            return new Visitor(_app!.GetTestServer(), ticket);
        }
    }

    /// <summary>A player who has not signed in.</summary>
    public Visitor VisitAsNobody() => new(_app!.GetTestServer(), null);

    public async Task<T> WithAsync<TService, T>(Func<TService, Task<T>> use)
        where TService : notnull
    {
        await using var scope = Services.CreateAsyncScope();
        return await use(scope.ServiceProvider.GetRequiredService<TService>());
    }

    public Task<int> PracticeAsync() => WithAsync<TallyDb, int>(db => db.Practices.Select(practice => practice.Id).SingleAsync());

    /// <summary>Begins today's practice; the ids of its sheets in order.</summary>
    public async Task<IReadOnlyList<string>> BegunAsync()
    {
        var practice = await PracticeAsync();
        Assert.Null(await WithAsync<PracticeStart, Fault?>(async start => (await start.BeginAsync(practice)).FirstFault));
        return await WithAsync<TallyDb, List<string>>(db =>
            db.Sheets.OrderBy(sheet => sheet.RunId).ThenBy(sheet => sheet.Order).Select(sheet => sheet.Id).ToListAsync()
        );
    }

    public async ValueTask DisposeAsync()
    {
        await StopAsync();
        Directory.Delete(_folder, recursive: true);
    }
}
