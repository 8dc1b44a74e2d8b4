using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Database;

/// <summary>How people are stored: of what an account can hold, only what is needed.</summary>
internal static class PeopleTables
{
    internal static void Map(ModelBuilder model)
    {
        model.Entity<Coach>(coach =>
        {
            coach.ToTable("Coaches");
            foreach (
                var index in coach
                    .Metadata.GetIndexes()
                    .Where(each => each.Properties[0].Name == nameof(Coach.NormalizedEmail))
                    .ToList()
            )
            {
                coach.Metadata.RemoveIndex(index);
            }

            coach.Ignore(each => each.Email);
            coach.Ignore(each => each.NormalizedEmail);
            coach.Ignore(each => each.EmailConfirmed);
            coach.Ignore(each => each.PhoneNumber);
            coach.Ignore(each => each.PhoneNumberConfirmed);
            coach.Ignore(each => each.TwoFactorEnabled);
            coach.HasMany(each => each.Teams).WithOne().HasForeignKey(team => team.CoachId);
        });
        model.Entity<CoachTeam>(team =>
        {
            team.ToTable("CoachTeams");
            team.HasKey(each => new { each.CoachId, each.TeamId });
            team.HasOne<Tables.Team>().WithMany().HasForeignKey(each => each.TeamId);
        });
        model.Entity<PracticeDoor>(door =>
        {
            door.ToTable("Doors");
            door.HasKey(each => each.PracticeId);
            door.HasOne<Tables.Practice>().WithOne().HasForeignKey<PracticeDoor>(each => each.PracticeId);
            door.HasIndex(each => each.JoinCode);
            door.HasIndex(each => each.BoardToken);
        });
        model.Entity<Joiner>().HasOne<Tables.Practice>().WithMany().HasForeignKey(each => each.PracticeId);
        model.Entity<DeviceKey>(key =>
        {
            key.HasOne<Tables.Team>().WithMany().HasForeignKey(each => each.TeamId);
            key.HasIndex(each => each.Hash).IsUnique();
        });
        model.Entity<ClaimedDevice>().HasKey(each => each.Device);
        model.Entity<AuditEntry>(entry =>
        {
            entry.ToTable("Audit");
            entry.Property(each => each.Act).HasConversion<string>();
        });
    }
}
