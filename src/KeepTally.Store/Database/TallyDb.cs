using KeepTally.Core.Events;
using KeepTally.Core.Time;
using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Database;

/// <summary>The SQLite database of one installation, as far as the caller may see: what belongs to another team is not there.</summary>
public sealed class TallyDb(DbContextOptions<TallyDb> options, TenantScope scope) : IdentityUserContext<Coach, int>(options)
{
    private bool Everything => scope.Everything;

    private IReadOnlyList<int> Within => scope.Teams;

    private int? Only => scope.Practice;

    public DbSet<Team> Teams => Set<Team>();

    public DbSet<Player> Players => Set<Player>();

    public DbSet<Card> Cards => Set<Card>();

    public DbSet<CardChange> CardChanges => Set<CardChange>();

    public DbSet<CardVersion> CardVersions => Set<CardVersion>();

    public DbSet<Practice> Practices => Set<Practice>();

    public DbSet<Gear> Gear => Set<Gear>();

    public DbSet<ClubLoads> ClubLoads => Set<ClubLoads>();

    public DbSet<SheetTemplate> Templates => Set<SheetTemplate>();

    public DbSet<Block> Blocks => Set<Block>();

    public DbSet<Station> Stations => Set<Station>();

    public DbSet<KeptPair> KeptPairs => Set<KeptPair>();

    public DbSet<Attendance> Attendance => Set<Attendance>();

    public DbSet<Run> Runs => Set<Run>();

    public DbSet<SheetRow> Sheets => Set<SheetRow>();

    public DbSet<EventRow> Events => Set<EventRow>();

    public DbSet<PracticeDoor> Doors => Set<PracticeDoor>();

    public DbSet<Joiner> Joiners => Set<Joiner>();

    public DbSet<DeviceKey> DeviceKeys => Set<DeviceKey>();

    public DbSet<EndedSession> EndedSessions => Set<EndedSession>();

    public DbSet<ClaimedDevice> ClaimedDevices => Set<ClaimedDevice>();

    public DbSet<ClosedSeason> Seasons => Set<ClosedSeason>();

    public DbSet<AuditEntry> Audit => Set<AuditEntry>();

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<IdentityUserClaim<int>>().ToTable("CoachClaims");
        builder.Entity<IdentityUserLogin<int>>().ToTable("CoachLogins");
        builder.Entity<IdentityUserToken<int>>().ToTable("CoachTokens");
        PeopleTables.Map(builder);
        SetWalls(builder);
        builder.Entity<Team>().Property(team => team.Name).HasMaxLength(80);
        builder.Entity<Team>().Property(team => team.StopReasons).HasDefaultValue("");
        builder.Entity<Team>().Property(team => team.DailyCard).HasDefaultValue("");
        builder.Entity<Team>().Property(team => team.CalendarToken).HasDefaultValue("");
        builder.Entity<Team>().HasIndex(team => team.CalendarToken);
        builder.Entity<Team>().Property(team => team.DailyMinutes).HasDefaultValue(5.0);
        builder.Entity<ClosedSeason>(season =>
        {
            season.HasOne<Team>().WithMany().HasForeignKey(each => each.TeamId);
            season.HasIndex(each => new { each.TeamId, each.LastDay }).IsUnique();
            season.Property(each => each.Name).HasMaxLength(40);
        });
        builder.Entity<Gear>().HasKey(each => each.Item);
        builder.Entity<Player>(player =>
        {
            player.HasOne<Team>().WithMany().HasForeignKey(each => each.TeamId);
            player.Ignore(each => each.UnitId);
            player.Property(each => each.Hand).HasConversion<string>();
        });
        builder.Entity<CardVersion>().HasIndex(card => new { card.CardId, card.Version }).IsUnique();
        builder.Entity<Card>(card =>
        {
            card.Property(each => each.Revision).IsConcurrencyToken();
            card.HasMany(each => each.Versions).WithOne().HasForeignKey(version => version.CardId);
            card.HasMany(each => each.Changes).WithOne().HasForeignKey(change => change.CardId);
        });
        builder.Entity<Practice>(practice =>
        {
            practice.HasIndex(each => each.Date);
            practice.Ignore(each => each.InRecord);
            practice.Property(each => each.Split).HasConversion<string>();
            practice.Property(each => each.Place).HasDefaultValue("");
            practice.Property(each => each.Reserve).HasDefaultValue("");
            practice.Property(each => each.BroughtJson).HasDefaultValue("{}");
            practice.Property(each => each.Series).HasDefaultValue("");
            practice.Property(each => each.CalendarUid).HasDefaultValue("");
        });
        builder.Entity<Block>(block =>
        {
            block.Ignore(each => each.Title);
            block.Ignore(each => each.IsPause);
            block.Property(each => each.Pause).HasConversion<string>();
            block.Property(each => each.PauseName).HasDefaultValue("");
            block.Property(each => each.Takes).HasDefaultValue("");
            block.Property(each => each.GroupsBy).HasConversion<string>();
            block.HasOne(each => each.Circuit).WithOne().HasForeignKey<CircuitBlock>(circuit => circuit.BlockId);
        });
        builder.Entity<CircuitBlock>(circuit =>
        {
            circuit.ToTable("Circuits");
            circuit.HasKey(each => each.BlockId);
            circuit.HasMany(each => each.Stations).WithOne().HasForeignKey(station => station.BlockId);
        });
        builder.Entity<Station>().HasOne(station => station.CardVersion).WithMany().OnDelete(DeleteBehavior.Restrict);
        builder.Entity<KeptPair>(pair =>
        {
            pair.HasOne<Team>().WithMany().HasForeignKey(each => each.TeamId);
            pair.HasOne<Player>().WithMany().HasForeignKey(each => each.OneId);
            pair.HasOne<Player>().WithMany().HasForeignKey(each => each.OtherId);
            pair.HasIndex(each => new { each.OneId, each.OtherId }).IsUnique();
        });
        builder.Entity<SheetRow>().Ignore(sheet => sheet.Stop);
        builder.Entity<Block>().HasOne(block => block.CardVersion).WithMany().OnDelete(DeleteBehavior.Restrict);
        builder.Entity<Block>().HasOne(block => block.Run).WithOne(run => run.Block).HasForeignKey<Run>(run => run.BlockId);
        builder.Entity<Attendance>(attendance =>
        {
            attendance.HasKey(each => new { each.PracticeId, each.PlayerId });
            attendance.HasOne<Player>().WithMany().HasForeignKey(each => each.PlayerId);
            attendance.Property(each => each.Presence).HasConversion<string>();
            attendance.Property(each => each.Limits).HasConversion<int>();
        });
        builder
            .Entity<Run>()
            .Property(run => run.Origin)
            .HasConversion(origin => origin.UnixMilliseconds, stored => new RunOrigin(stored));
        builder.Entity<EventRow>(row =>
        {
            row.ToTable("Events");
            row.HasKey(each => each.Sequence);
            row.Ignore(each => each.IsUndo);
            row.Ignore(each => each.IsStart);
            row.HasIndex(each => new
                {
                    each.SheetId,
                    each.Device,
                    each.N,
                })
                .IsUnique();
            // Of the few that are looked for by their type; taps are many and never are.
            row.HasIndex(each => each.SheetId, "IX_Events_Start").HasFilter($"\"Type\" = '{RunEvent.Start.TypeName}'");
            row.HasIndex(each => each.SheetId, "IX_Events_End").HasFilter($"\"Type\" = '{RunEvent.End.TypeName}'");
            row.HasOne<SheetRow>().WithMany().HasForeignKey(each => each.SheetId);
        });
    }

    /// <summary>
    /// Teams are walls. Each table of a team is read through here, for every caller and in every way; what hangs on a practice
    /// is there where the practice is.
    /// </summary>
    private void SetWalls(ModelBuilder builder)
    {
        builder.Entity<Team>().HasQueryFilter(team => Everything || Within.Contains(team.Id));
        builder.Entity<Player>().HasQueryFilter(player => Everything || Within.Contains(player.TeamId));
        builder.Entity<KeptPair>().HasQueryFilter(pair => Everything || Within.Contains(pair.TeamId));
        builder.Entity<ClosedSeason>().HasQueryFilter(season => Everything || Within.Contains(season.TeamId));
        builder.Entity<DeviceKey>().HasQueryFilter(key => Everything || Within.Contains(key.TeamId));
        builder
            .Entity<Practice>()
            .HasQueryFilter(practice => Everything || (Within.Contains(practice.TeamId) && (Only == null || Only == practice.Id)));
        builder.Entity<Block>().HasQueryFilter(block => Everything || Practices.Any(practice => practice.Id == block.PracticeId));
        builder
            .Entity<Attendance>()
            .HasQueryFilter(entry => Everything || Practices.Any(practice => practice.Id == entry.PracticeId));
        builder
            .Entity<Joiner>()
            .HasQueryFilter(joiner => Everything || Practices.Any(practice => practice.Id == joiner.PracticeId));
        builder
            .Entity<PracticeDoor>()
            .HasQueryFilter(door => Everything || Practices.Any(practice => practice.Id == door.PracticeId));
        builder.Entity<Run>().HasQueryFilter(run => Everything || Blocks.Any(block => block.Id == run.BlockId));
        builder.Entity<SheetRow>().HasQueryFilter(sheet => Everything || Runs.Any(run => run.Id == sheet.RunId));
        builder.Entity<EventRow>().HasQueryFilter(row => Everything || Sheets.Any(sheet => sheet.Id == row.SheetId));
    }
}
