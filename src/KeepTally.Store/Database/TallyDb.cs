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
        SquadTables.Map(builder);
        BookTables.Map(builder);
        PracticeTables.Map(builder);
        RunTables.Map(builder);
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
