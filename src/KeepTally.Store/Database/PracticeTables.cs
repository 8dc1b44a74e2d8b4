using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Database;

/// <summary>How practices are stored: their blocks and circuits, and who was there.</summary>
internal static class PracticeTables
{
    internal static void Map(ModelBuilder model)
    {
        model.Entity<Practice>(practice =>
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
        model.Entity<Block>(block =>
        {
            block.Ignore(each => each.Title);
            block.Ignore(each => each.IsPause);
            block.Property(each => each.Pause).HasConversion<string>();
            block.Property(each => each.PauseName).HasDefaultValue("");
            block.Property(each => each.Takes).HasDefaultValue("");
            block.Property(each => each.GroupsBy).HasConversion<string>();
            block.HasOne(each => each.Circuit).WithOne().HasForeignKey<CircuitBlock>(circuit => circuit.BlockId);
        });
        model.Entity<CircuitBlock>(circuit =>
        {
            circuit.ToTable("Circuits");
            circuit.HasKey(each => each.BlockId);
            circuit.HasMany(each => each.Stations).WithOne().HasForeignKey(station => station.BlockId);
        });
        model.Entity<Station>().HasOne(station => station.CardVersion).WithMany().OnDelete(DeleteBehavior.Restrict);
        model.Entity<Block>().HasOne(block => block.CardVersion).WithMany().OnDelete(DeleteBehavior.Restrict);
        model.Entity<Attendance>(attendance =>
        {
            attendance.HasKey(each => new { each.PracticeId, each.PlayerId });
            attendance.HasOne<Player>().WithMany().HasForeignKey(each => each.PlayerId);
            attendance.Property(each => each.Presence).HasConversion<string>();
            attendance.Property(each => each.Limits).HasConversion<int>();
        });
    }
}
