using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace KeepTally.Store.Database;

/// <summary>Lets the migration tool look at the model without an application.</summary>
internal sealed class DesignTimeDb : IDesignTimeDbContextFactory<TallyDb>
{
    public TallyDb CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<TallyDb>().UseSqlite("Data Source=:memory:").Options, new TenantScope());
}
