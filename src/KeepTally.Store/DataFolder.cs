using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;

namespace KeepTally.Store;

/// <summary>The folder in which an installation keeps everything it must not lose.</summary>
public sealed class DataFolder(string path)
{
    public string Path { get; } = System.IO.Path.GetFullPath(path);

    public string Database => System.IO.Path.Combine(Path, "tally.db");

    /// <summary>Where the keys lie that sign forms.</summary>
    public string Keys => System.IO.Path.Combine(Path, "keys");

    /// <summary>Makes the folder and proves that it can be written.</summary>
    /// <exception cref="DataFolderException">It cannot be made or written.</exception>
    public void Prepare()
    {
        try
        {
            Directory.CreateDirectory(Path);
            var probe = System.IO.Path.Combine(Path, ".writable");
            File.WriteAllText(probe, "");
            File.Delete(probe);
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            throw new DataFolderException(
                $"The data folder {Path} cannot be written. Give another with --data DIR, or mend its permissions.",
                failure
            );
        }
    }

    /// <summary>
    /// Brings the database up to the model. Writes go through a write-ahead log and reach the disk before they are
    /// acknowledged.
    /// </summary>
    /// <exception cref="DataFolderException">The file is not a Keep Tally database.</exception>
    public static void Migrate(TallyDb db)
    {
        try
        {
            db.Database.Migrate();
            db.Database.ExecuteSqlRaw("PRAGMA journal_mode = WAL;");
        }
        catch (SqliteException failure)
        {
            throw new DataFolderException(
                $"The database {db.Database.GetDbConnection().DataSource} cannot be opened ({failure.Message.TrimEnd('.')}). Move it away, or give another folder with --data DIR.",
                failure
            );
        }
    }
}

/// <summary>The data folder cannot be used; the message is one line and says the mend.</summary>
public sealed class DataFolderException(string message, Exception inner) : Exception(message, inner);

/// <summary>Adds the store to an application.</summary>
public static class StoreServices
{
    public static IServiceCollection AddStore(this IServiceCollection services, DataFolder folder)
    {
        services.AddSingleton(folder);
        services.AddDbContextPool<TallyDb>(options =>
            options.UseSqlite($"Data Source={folder.Database}").AddInterceptors(new DurableConnection())
        );
        services.AddSingleton<Book.CardShelf>();
        services.AddScoped<Book.DrillBook>();
        services.AddScoped<Book.CardDesk>();
        services.AddScoped<Squads.SquadBook>();
        services.AddScoped<Squads.PlayerErasure>();
        services.AddScoped<Practices.PracticeBook>();
        services.AddScoped<Practices.TimingSheet>();
        services.AddScoped<Practices.CircuitSheet>();
        services.AddScoped<Practices.PartnerMemory>();
        services.AddScoped<Practices.PlayerLevels>();
        services.AddScoped<Practices.GroupPlan>();
        services.AddScoped<Practices.GroupDesk>();
        services.AddScoped<Squads.PairBook>();
        services.AddScoped<Practices.PracticeStart>();
        services.AddScoped<Practices.LiveRecord>();
        services.AddScoped<Events.EventJournal>();
        services.AddScoped<Results.PracticeResults>();
        services.AddScoped<Demo.DemoClub>();
        services.AddScoped<Demo.DemoPast>();
        return services;
    }
}
