using KeepTally.Core.Events;
using KeepTally.Core.Time;
using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Database;

/// <summary>How what was run is stored: the sheets of a block, and the events of each.</summary>
internal static class RunTables
{
    internal static void Map(ModelBuilder model)
    {
        model.Entity<SheetRow>().Ignore(sheet => sheet.Stop);
        model.Entity<Block>().HasOne(block => block.Run).WithOne(run => run.Block).HasForeignKey<Run>(run => run.BlockId);
        model
            .Entity<Run>()
            .Property(run => run.Origin)
            .HasConversion(origin => origin.UnixMilliseconds, stored => new RunOrigin(stored));
        model.Entity<EventRow>(row =>
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
}
