using System.Net.Sockets;
using System.Security.Cryptography;
using KeepTally.Store;
using KeepTally.Store.Backups;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Demo;
using KeepTally.Store.Events;
using KeepTally.Store.People;
using KeepTally.Store.Practices;
using KeepTally.Store.Squads;
using KeepTally.Store.Tables;
using KeepTally.Web.Access;
using KeepTally.Web.Api;
using KeepTally.Web.Api.Devices;
using KeepTally.Web.Lan;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Connections;
using Microsoft.AspNetCore.DataProtection;
using Microsoft.AspNetCore.HostFiltering;
using Microsoft.AspNetCore.HttpOverrides;
using Microsoft.Extensions.DependencyInjection.Extensions;
using Microsoft.Extensions.Options;

namespace KeepTally.Web.Hosting;

/// <summary>Puts the application together and runs it.</summary>
public static class Application
{
    private const int Unusable = 2;
    private const int FirstKeyBytes = 12;
    private const int LeastThreads = 16;

    /// <summary>Parsed cards, rules and folded sheets that are kept in memory at most.</summary>
    private const int MostCached = 20_000;

    /// <summary>Runs until it is stopped, by a signal or by who calls. What cannot be used is said in one line on standard error; the code is then not nought.</summary>
    /// <param name="args">The command line.</param>
    /// <param name="clock">The time of all that it does; the machine's where it is left out.</param>
    /// <param name="stopping">Stops the application.</param>
    public static async Task<int> RunAsync(string[] args, TimeProvider? clock = null, CancellationToken stopping = default)
    {
        var line = SettingsReader.Command().Parse(args);
        if (line is { Errors.Count: 0, Action: not null })
        {
            // Help or version is asked for.
            return await line.InvokeAsync(cancellationToken: stopping);
        }

        var read = SettingsReader.Read(line, Environment.GetEnvironmentVariable);
        if (!read.IsOk)
        {
            foreach (var fault in read.Faults)
            {
                await Console.Error.WriteLineAsync($"keep-tally: {fault}.");
            }

            return Unusable;
        }

        var settings = read.Value;

        // The framework begins with one thread a core and adds another only every half second: a tap would wait for whatever
        // calculates on them.
        ThreadPool.SetMinThreads(LeastThreads, LeastThreads);
        try
        {
            settings.Data.Prepare();
            using var held = settings.Data.Lock();
            while (await RunOnceAsync(settings, clock ?? TimeProvider.System, stopping))
            {
                // A restored database is opened as at any start: nothing may be left of the one before.
                settings.Data.CloseConnections();
                settings.Data.Prepare();
            }

            return 0;
        }
        catch (DataFolderException unusable)
        {
            await Console.Error.WriteLineAsync($"keep-tally: {unusable.Message}");
            return Unusable;
        }
        catch (IOException failure) when (failure.InnerException is AddressInUseException or SocketException)
        {
            await Console.Error.WriteLineAsync(
                $"keep-tally: Port {settings.Port} is in use. Stop what runs there, or give another with --port N."
            );
            return Unusable;
        }
    }

    /// <summary>Runs until it stops; true where it is to start anew.</summary>
    private static async Task<bool> RunOnceAsync(Settings settings, TimeProvider clock, CancellationToken stopping)
    {
        await using var app = Build(settings, clock);
        await PrepareAsync(app.Services, settings.Demo);
        await app.StartAsync(stopping);
        var log = app.Services.GetRequiredService<OperatorLog>();
        log.Started(settings.Data.Path);
        await Welcome.SayAsync(app.Services, settings);
        if (settings is { Demo: true, Data.IsFull: false })
        {
            await AddPastAsync(app);
        }

        await app.WaitForShutdownAsync(stopping);
        log.Stopped();
        return app.Services.GetRequiredService<Restarts>().Asked;
    }

    /// <summary>The demo's past comes in while it can be used already: nobody waits for what they look at later.</summary>
    private static async Task AddPastAsync(WebApplication app)
    {
        try
        {
            await using var scope = app.Services.CreateAsyncScope();
            await scope.ServiceProvider.GetRequiredService<DemoUnderWay>().SeedAsync(app.Lifetime.ApplicationStopping);
            await scope.ServiceProvider.GetRequiredService<DemoPast>().SeedAsync(app.Lifetime.ApplicationStopping);
        }
        catch (OperationCanceledException)
        {
            // Stopped meanwhile: all of it or nothing is written, and the next start tries again.
        }
    }

    private static WebApplication Build(Settings settings, TimeProvider clock)
    {
        var builder = WebApplication.CreateBuilder(
            new WebApplicationOptions { ContentRootPath = AppContext.BaseDirectory, WebRootPath = Settings.WebRoot }
        );
        // Built but not published, the files of the pages still lie in their projects.
        builder.WebHost.UseStaticWebAssets();
        var running = new Running(
            settings.Data,
            settings.Demo,
            Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(FirstKeyBytes))
        )
        {
            Address = settings.Address,
            BehindProxy = settings.BehindProxy,
            Lan = settings is { Lan: true, Certificate: null }
                ? new LanSite(settings.Data.Authority, settings.PhonePort, settings.TrustPort, clock)
                : null,
        };
        builder.WebHost.ConfigureKestrel(kestrel => Listening.Set(kestrel, settings, running));
        builder.Logging.AddSimpleConsole(options =>
        {
            options.SingleLine = true;
            options.TimestampFormat = "yyyy-MM-ddTHH:mm:ss ";
        });
        builder.Logging.AddFilter("Microsoft", LogLevel.Warning);
        builder.Logging.AddFilter("Microsoft.Extensions.Hosting", LogLevel.None);
        // What fails there is thrown as well, and told where it is caught.
        builder.Logging.AddFilter("Microsoft.EntityFrameworkCore", LogLevel.None);
        builder.Logging.AddFilter("Microsoft.AspNetCore.DataProtection", LogLevel.Error);
        builder.Services.AddSingleton(clock);
        builder.Services.AddHostedService<DailyBackup>();
        builder.Services.AddTelemetry(builder.Configuration);
        AddServices(builder.Services, running);
        var app = builder.Build();
        Use(app);
        return app;
    }

    public static void AddServices(IServiceCollection services, Running running)
    {
        services.AddSingleton(running);
        services.AddSingleton<Restarts>();
        services.AddSingleton<OperatorLog>();
        services.AddSingleton<OperatingMeter>();
        services.AddSingleton<SimulationQueue>();
        services.AddSingleton<OneAtATime>();
        services.AddStore(running.Data);
        services.AddDataProtection().SetApplicationName("keep-tally").PersistKeysToFileSystem(new DirectoryInfo(running.Data.Keys));
        services.AddHttpContextAccessor();
        services.AddAccess();
        services.AddAntiforgery(options => options.Cookie.SecurePolicy = CookieSecurePolicy.SameAsRequest);
        services.TryAddSingleton(TimeProvider.System);
        services
            .AddRazorPages()
            .AddMvcOptions(options =>
            {
                options.Filters.Add<KnownHandlersOnly>();
                options.Filters.Add<WholeFormsOnly>();
                options.Filters.Add<HeadUnlessSaid>();
            });
        services.AddHostFiltering(options =>
            options.AllowedHosts = [
                "127.0.0.1",
                "localhost",
                "[::1]",
                .. running.Address is { } own ? [own.Host] : Array.Empty<string>(),
            ]
        );
        if (running.Lan is { } site)
        {
            services.AddSingleton<IConfigureOptions<HostFilteringOptions>>(site);
            services.AddSingleton<IOptionsChangeTokenSource<HostFilteringOptions>>(site);
        }

        // Taken from a proxy on this machine alone, which is the framework's default.
        services.Configure<ForwardedHeadersOptions>(options =>
            options.ForwardedHeaders = ForwardedHeaders.XForwardedFor | ForwardedHeaders.XForwardedProto
        );
        services.AddMemoryCache(options => options.SizeLimit = MostCached);
        services.AddProblemDetails();
        services.AddSingleton<EventFeed>();
        services.AddSingleton<IJournalListener>(provider => provider.GetRequiredService<EventFeed>());
        services.AddSingleton<WhoIsHere>();
        services.AddSingleton<PracticeNews>();
        services.AddSingleton<PlanNews>();
        services.AddSingleton<AppendGuards>();
        services.AddSingleton<DeviceOwners>();
        services.AddScoped<DeviceDesk>();
        services.AddApiDescription();
        services.AddResponseCompression(options => options.EnableForHttps = true);
    }

    public static void Use(WebApplication app)
    {
        var running = app.Services.GetRequiredService<Running>();
        if (running.BehindProxy)
        {
            app.UseForwardedHeaders();
        }

        app.UseHostFiltering();
        if (running.Lan is { } site)
        {
            app.UseTrustOnly(site);
        }

        app.UseErrors();
        app.UseResponseCompression();
        app.UseMiddleware<SecurityHeaders>();
        app.UseReleases();
        app.UseRewriter(OldLinks.Redirects());
        app.UseRouting();
        app.UseAccess();
        app.UseAntiforgery();
        app.MapStaticAssets().AllowAnonymous();
        app.MapRazorPages().WithStaticAssets();
        app.MapApi();
        app.MapDevices();
        app.MapApiDescription();
        app.MapHealth();
    }

    /// <summary>
    /// Brings the database up to date and, where asked, fills it with demo data. On a full disk nothing is written: what is stored
    /// can be read.
    /// </summary>
    /// <exception cref="DataFolderException">The folder cannot be used as it is.</exception>
    public static async Task PrepareAsync(IServiceProvider services, bool demo)
    {
        await using var scope = services.CreateAsyncScope();
        var data = services.GetRequiredService<DataFolder>();
        try
        {
            await OpenAsync(services, scope.ServiceProvider);
            if (demo && !await scope.ServiceProvider.GetRequiredService<DemoClub>().MaySeedAsync())
            {
                throw new DataFolderException(
                    "This data folder is a real club's, and the demo lets anyone in. Start without --demo, or give another folder with --data DIR."
                );
            }

            if (data.IsFull)
            {
                services.GetRequiredService<OperatorLog>().StartedFull(data.Path);
                return;
            }

            services.GetRequiredService<SpareSpace>().Hold();
            await TidyAsync(services, scope.ServiceProvider);
            if (demo)
            {
                await scope.ServiceProvider.GetRequiredService<DemoClub>().SeedAsync();
            }
        }
        catch (Exception full) when (DiskSpace.IsFull(full))
        {
            throw DiskSpace.Needed(data.Path, full);
        }
    }

    /// <summary>Restores what lies ready, brings the database up to date and reads what is asked with every request.</summary>
    private static async Task OpenAsync(IServiceProvider services, IServiceProvider scoped)
    {
        var now = services.GetRequiredService<TimeProvider>().GetLocalNow().DateTime;
        var log = services.GetRequiredService<OperatorLog>();
        if (services.GetRequiredService<BackupRestore>().Apply(now))
        {
            log.Restoring();
        }

        Schema.Migrate(
            scoped.GetRequiredService<TallyDb>(),
            beforeChange: () => log.Updating(services.GetRequiredService<BackupShelf>().Make(BackupKind.BeforeUpdate, now).Name)
        );
        await services.GetRequiredService<SessionBook>().LoadAsync();
        await services.GetRequiredService<DeviceBook>().LoadAsync();
        await scoped.GetRequiredService<RestoreFollowUp>().RunAsync();
        if (await scoped.GetRequiredService<PracticeBook>().LatestMomentAsync() is { } latest)
        {
            services.GetRequiredService<PracticeClock>().GoOnFrom(latest);
        }

        scoped.GetRequiredService<LastErasure>().At = await scoped.GetRequiredService<AuditLog>().LastAsync(AuditAct.Erasure);
    }

    /// <summary>Adds the cards that are new with this release, and removes what need not be kept any more.</summary>
    private static async Task TidyAsync(IServiceProvider services, IServiceProvider scoped)
    {
        await scoped.GetRequiredService<CardWriter>().ShipAsync();
        await scoped.GetRequiredService<EventStaging>().TidyAsync();
        await services.GetRequiredService<SessionBook>().TidyAsync();
        await services.GetRequiredService<DeviceBook>().TidyAsync();
        await scoped.GetRequiredService<AuditLog>().TidyAsync();
        await scoped.GetRequiredService<DoorBook>().TidyAsync();
    }
}
