using KeepTally.Store.Backups;
using KeepTally.Store.Book;
using KeepTally.Store.Database;
using KeepTally.Store.Demo;
using KeepTally.Store.Events;
using KeepTally.Store.Files;
using KeepTally.Store.People;
using KeepTally.Store.Planning;
using KeepTally.Store.Practices;
using KeepTally.Store.Results;
using KeepTally.Store.Seasons;
using KeepTally.Store.Squads;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using Microsoft.Extensions.DependencyInjection;

namespace KeepTally.Store;

/// <summary>Adds the store to an application.</summary>
public static class StoreServices
{
    public static IServiceCollection AddStore(this IServiceCollection services, DataFolder folder)
    {
        services.AddSingleton(folder);
        services.AddDbContext<TallyDb>(options =>
            options
                .UseSqlite(folder.ConnectionString)
                .AddInterceptors(new DurableConnection())
                // Of an account less is kept than it could hold.
                .ConfigureWarnings(warnings => warnings.Ignore(CoreEventId.MappedPropertyIgnoredWarning))
        );
        services.AddBackups();
        services.AddEvents();
        services.AddResults();
        services.AddBook();
        services.AddPractices();
        services.AddSquads();
        services.AddPlanning();
        services.AddSeasons();
        services.AddDemo();
        services.AddPeople();
        return services;
    }

    private static void AddBackups(this IServiceCollection services)
    {
        services.AddSingleton<BackupShelf>();
        services.AddSingleton<BackupRestore>();
        services.AddSingleton<BackupHealth>();
        services.AddScoped<RestoreFollowUp>();
        services.AddSingleton<SpareSpace>();
    }

    private static void AddEvents(this IServiceCollection services)
    {
        services.AddSingleton<JournalMeter>();
        services.AddSingleton<JournalWriter>();
        services.AddScoped<EventStaging>();
        services.AddScoped<EventJournal>();
    }

    private static void AddResults(this IServiceCollection services)
    {
        services.AddSingleton<ImportTurn>();
        services.AddScoped<PracticeResults>();
        services.AddScoped<BestBook>();
        services.AddScoped<LoadBook>();
        services.AddScoped<PracticeExport>();
        services.AddScoped<SeasonExport>();
        services.AddScoped<PracticeImport>();
        services.AddScoped<PastBook>();
        services.AddScoped<Rescore>();
        services.AddScoped<ResultCorrection>();
    }

    private static void AddBook(this IServiceCollection services)
    {
        services.AddSingleton<CardCache>();
        services.AddSingleton<TextCache>();
        services.AddScoped<CardWriter>();
        services.AddScoped<DrillBook>();
    }

    private static void AddPractices(this IServiceCollection services)
    {
        services.AddScoped<ScoredRuns>();
        services.AddSingleton<PracticeClock>();
        services.AddScoped<PracticeBook>();
        services.AddScoped<PracticeRemoval>();
        services.AddScoped<PartnerMemory>();
        services.AddScoped<PlayerLevels>();
        services.AddScoped<GroupPlan>();
        services.AddScoped<GroupWriter>();
        services.AddScoped<PracticeStart>();
        services.AddScoped<RunStore>();
        services.AddScoped<GuestBook>();
    }

    private static void AddSquads(this IServiceCollection services)
    {
        services.AddScoped<SquadBook>();
        services.AddSingleton<LastImport>();
        services.AddSingleton<LastErasure>();
        services.AddScoped<PlayerErasure>();
        services.AddScoped<PlayerFile>();
        services.AddScoped<PairBook>();
    }

    private static void AddPlanning(this IServiceCollection services)
    {
        services.AddScoped<GearBook>();
        services.AddScoped<PlanRowWriter>();
        services.AddScoped<PlanBook>();
        services.AddScoped<TemplateBook>();
        services.AddScoped<PracticeList>();
        services.AddScoped<CalendarImport>();
        services.AddScoped<CalendarFeed>();
        services.AddScoped<LinkBook>();
        services.AddScoped<NewPractices>();
        services.AddScoped<DailyDrill>();
        services.AddScoped<SheetOfferer>();
        services.AddScoped<BlockWriter>();
        services.AddScoped<ReadyPracticeWriter>();
        services.AddScoped<UnreachedDrills>();
        services.AddScoped<CircuitWriter>();
    }

    private static void AddSeasons(this IServiceCollection services)
    {
        services.AddScoped<SeasonBook>();
    }

    private static void AddDemo(this IServiceCollection services)
    {
        services.AddScoped<DemoClub>();
        services.AddScoped<DemoPast>();
        services.AddScoped<DemoPlay>();
        services.AddScoped<DemoUnderWay>();
    }
}
