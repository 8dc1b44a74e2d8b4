using KeepTally.Core.Time;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Database;

/// <summary>The SQLite database of one installation.</summary>
public sealed class TallyDb(DbContextOptions<TallyDb> options) : DbContext(options)
{
    public DbSet<Team> Teams => Set<Team>();

    public DbSet<Player> Players => Set<Player>();

    public DbSet<Card> Cards => Set<Card>();

    public DbSet<CardChange> CardChanges => Set<CardChange>();

    public DbSet<CardVersion> CardVersions => Set<CardVersion>();

    public DbSet<Practice> Practices => Set<Practice>();

    public DbSet<Block> Blocks => Set<Block>();

    public DbSet<Station> Stations => Set<Station>();

    public DbSet<KeptPair> KeptPairs => Set<KeptPair>();

    public DbSet<Attendance> Attendance => Set<Attendance>();

    public DbSet<Run> Runs => Set<Run>();

    public DbSet<SheetRow> Sheets => Set<SheetRow>();

    public DbSet<EventRow> Events => Set<EventRow>();

    protected override void OnModelCreating(ModelBuilder modelBuilder)
    {
        modelBuilder.Entity<Team>().Property(team => team.Name).HasMaxLength(80);
        modelBuilder.Entity<Team>().Property(team => team.StopReasons).HasDefaultValue("");
        modelBuilder.Entity<Player>(player =>
        {
            player.HasOne<Team>().WithMany().HasForeignKey(each => each.TeamId);
            player.Ignore(each => each.UnitId);
            player.Property(each => each.Hand).HasConversion<string>();
        });
        modelBuilder.Entity<CardVersion>().HasIndex(card => new { card.CardId, card.Version }).IsUnique();
        modelBuilder.Entity<Card>(card =>
        {
            card.Property(each => each.Revision).IsConcurrencyToken();
            card.HasMany(each => each.Versions).WithOne().HasForeignKey(version => version.CardId);
            card.HasMany(each => each.Changes).WithOne().HasForeignKey(change => change.CardId);
        });
        modelBuilder.Entity<Practice>(practice =>
        {
            practice.HasIndex(each => each.Date);
            practice.Property(each => each.Split).HasConversion<string>();
        });
        modelBuilder.Entity<Block>(block =>
        {
            block.Ignore(each => each.Title);
            block.Property(each => each.GroupsBy).HasConversion<string>();
            block.HasOne(each => each.Circuit).WithOne().HasForeignKey<CircuitBlock>(circuit => circuit.BlockId);
        });
        modelBuilder.Entity<CircuitBlock>(circuit =>
        {
            circuit.ToTable("Circuits");
            circuit.HasKey(each => each.BlockId);
            circuit.HasMany(each => each.Stations).WithOne().HasForeignKey(station => station.BlockId);
        });
        modelBuilder.Entity<Station>().HasOne(station => station.CardVersion).WithMany().OnDelete(DeleteBehavior.Restrict);
        modelBuilder.Entity<KeptPair>(pair =>
        {
            pair.HasOne<Team>().WithMany().HasForeignKey(each => each.TeamId);
            pair.HasOne<Player>().WithMany().HasForeignKey(each => each.OneId);
            pair.HasOne<Player>().WithMany().HasForeignKey(each => each.OtherId);
            pair.HasIndex(each => new { each.OneId, each.OtherId }).IsUnique();
        });
        modelBuilder.Entity<SheetRow>().Ignore(sheet => sheet.Stop);
        modelBuilder.Entity<Block>().HasOne(block => block.CardVersion).WithMany().OnDelete(DeleteBehavior.Restrict);
        modelBuilder.Entity<Block>().HasOne(block => block.Run).WithOne(run => run.Block).HasForeignKey<Run>(run => run.BlockId);
        modelBuilder.Entity<Attendance>(attendance =>
        {
            attendance.HasKey(each => new { each.PracticeId, each.PlayerId });
            attendance.HasOne<Player>().WithMany().HasForeignKey(each => each.PlayerId);
            attendance.Property(each => each.Presence).HasConversion<string>();
            attendance.Property(each => each.Limits).HasConversion<int>();
        });
        modelBuilder
            .Entity<Run>()
            .Property(run => run.Origin)
            .HasConversion(origin => origin.UnixMilliseconds, stored => new RunOrigin(stored));
        modelBuilder.Entity<EventRow>(row =>
        {
            row.ToTable("Events");
            row.HasKey(each => each.Sequence);
            row.HasIndex(each => new
                {
                    each.SheetId,
                    each.Device,
                    each.N,
                })
                .IsUnique();
            row.HasOne<SheetRow>().WithMany().HasForeignKey(each => each.SheetId);
        });
    }
}
