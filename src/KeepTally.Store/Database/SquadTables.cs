using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Database;

/// <summary>How squads are stored: teams, their players, seasons and the pairs kept together or apart.</summary>
internal static class SquadTables
{
    internal static void Map(ModelBuilder model)
    {
        model.Entity<Team>().Property(team => team.Name).HasMaxLength(80);
        model.Entity<Team>().Property(team => team.StopReasons).HasDefaultValue("");
        model.Entity<Team>().Property(team => team.DailyCard).HasDefaultValue("");
        model.Entity<Team>().Property(team => team.CalendarToken).HasDefaultValue("");
        model.Entity<Team>().HasIndex(team => team.CalendarToken);
        model.Entity<Team>().Property(team => team.DailyMinutes).HasDefaultValue(5.0);
        model.Entity<ClosedSeason>(season =>
        {
            season.HasOne<Team>().WithMany().HasForeignKey(each => each.TeamId);
            season.HasIndex(each => new { each.TeamId, each.LastDay }).IsUnique();
            season.Property(each => each.Name).HasMaxLength(40);
        });
        model.Entity<Player>(player =>
        {
            player.HasOne<Team>().WithMany().HasForeignKey(each => each.TeamId);
            player.Ignore(each => each.UnitId);
            player.Property(each => each.Hand).HasConversion<string>();
        });
        model.Entity<KeptPair>(pair =>
        {
            pair.HasOne<Team>().WithMany().HasForeignKey(each => each.TeamId);
            pair.HasOne<Player>().WithMany().HasForeignKey(each => each.OneId);
            pair.HasOne<Player>().WithMany().HasForeignKey(each => each.OtherId);
            pair.HasIndex(each => new { each.OneId, each.OtherId }).IsUnique();
        });
    }
}
