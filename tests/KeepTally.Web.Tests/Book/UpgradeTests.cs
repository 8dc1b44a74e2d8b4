using KeepTally.Core.Live;
using KeepTally.Store.Database;
using KeepTally.Store.People;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace KeepTally.Web.Tests.Book;

/// <summary>A database from before the drill book is brought up to it and loses nothing.</summary>
public sealed class UpgradeTests
{
    [Fact]
    public void Cards_of_an_older_database_become_cards_of_the_book()
    {
        using var connection = new SqliteConnection("Data Source=:memory:");
        connection.Open();
        using var db = new TallyDb(new DbContextOptionsBuilder<TallyDb>().UseSqlite(connection).Options, new TenantScope());
        db.GetService<IMigrator>().Migrate("Beginning");
        db.Database.ExecuteSqlRaw(
            """INSERT INTO CardVersions (CardId, Version, Name, Json) VALUES ('old', 1, 'Old', '{{}}'), ('old', 2, 'Old', '{{}}'), ('older', 1, 'Older', '{{}}')"""
        );
        db.Database.ExecuteSqlRaw("INSERT INTO Teams (Name) VALUES ('Terns')");
        db.Database.ExecuteSqlRaw(
            "INSERT INTO Practices (TeamId, Title, Date, Start, Minutes) VALUES (1, 'P', '2026-09-03', '17:30:00', 30)"
        );
        db.Database.ExecuteSqlRaw(
            "INSERT INTO Blocks (PracticeId, \"Order\", CardVersionId, Stage, Minutes, Groups, ChangeSeconds) VALUES (1, 0, 2, 0, 8, 1, 0)"
        );

        db.Database.Migrate();

        // A line of a sheet may be no drill from then on; what was there is there, and the file is sound.
        db.Database.ExecuteSqlRaw(
            "INSERT INTO Blocks (PracticeId, \"Order\", Pause, PauseName, Stage, Minutes, Groups, ChangeSeconds, GroupsBy) VALUES (1, 1, 'Break', 'Water', 0, 2, 1, 0, 'Number')"
        );
        Assert.Equal(
            ["Old", "Water"],
            db.Blocks.Include(block => block.CardVersion).OrderBy(block => block.Order).AsEnumerable().Select(block => block.Title)
        );
        Assert.Equal("ok", db.Database.SqlQueryRaw<string>("SELECT integrity_check AS Value FROM pragma_integrity_check").Single());
        db.Blocks.Where(block => block.Pause != null).ExecuteDelete();

        Assert.Equal(CoachList.StopReasons.Usual, CoachList.StopReasons.Of(db.Teams.Select(team => team.StopReasons).Single()));
        Assert.Equal(["old", "older"], db.Cards.Select(card => card.Id).Order());
        Assert.Equal(
            ("{}", ""),
            db.Blocks.Select(block => new { block.OptionsJson, block.Part })
                .AsEnumerable()
                .Select(b => (b.OptionsJson, b.Part))
                .Single()
        );
        Assert.Equal("", db.Teams.Select(team => team.Sport).Single());
    }

    [Fact]
    public void Events_of_an_older_database_know_their_type_whatever_else_their_line_says()
    {
        using var connection = new SqliteConnection("Data Source=:memory:");
        connection.Open();
        using var db = new TallyDb(new DbContextOptionsBuilder<TallyDb>().UseSqlite(connection).Options, new TenantScope());
        db.GetService<IMigrator>().Migrate("Calendars");
        db.Database.ExecuteSqlRaw("PRAGMA foreign_keys = 0");
        foreach (
            var (n, line) in new[]
            {
                """{"device":"d","n":0,"at":0,"type":"start"}""",
                """{"device":"d","n":1,"at":5,"type":"tap","tags":{"type":"start"}}""",
            }.Index()
        )
        {
            db.Database.ExecuteSql($"INSERT INTO Events (SheetId, Device, N, At, Line) VALUES ('s', 'd', {n}, 0, {line})");
        }

        db.Database.Migrate();
        Assert.Equal(["start", "tap"], db.Events.OrderBy(row => row.N).Select(row => row.Type));
    }

    [Fact]
    public void Devices_of_an_older_database_are_nobodys_yet()
    {
        using var connection = new SqliteConnection("Data Source=:memory:");
        connection.Open();
        using var db = new TallyDb(new DbContextOptionsBuilder<TallyDb>().UseSqlite(connection).Options, new TenantScope());
        db.GetService<IMigrator>().Migrate("EventType");
        db.Database.Migrate();
        Assert.Empty(db.ClaimedDevices);
    }
}
