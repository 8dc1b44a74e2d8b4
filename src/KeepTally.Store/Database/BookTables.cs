using KeepTally.Store.Tables;
using Microsoft.EntityFrameworkCore;

namespace KeepTally.Store.Database;

/// <summary>How the drill book is stored: cards with their versions and changes, and the equipment of the club.</summary>
internal static class BookTables
{
    internal static void Map(ModelBuilder model)
    {
        model.Entity<Gear>().HasKey(each => each.Item);
        model.Entity<CardVersion>().HasIndex(card => new { card.CardId, card.Version }).IsUnique();
        model.Entity<Card>(card =>
        {
            card.Property(each => each.Revision).IsConcurrencyToken();
            card.HasMany(each => each.Versions).WithOne().HasForeignKey(version => version.CardId);
            card.HasMany(each => each.Changes).WithOne().HasForeignKey(change => change.CardId);
        });
    }
}
