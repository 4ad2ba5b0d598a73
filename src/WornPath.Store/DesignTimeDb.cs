using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace WornPath.Store;

/// <summary>Lets the migrations tool make a context without the web application.</summary>
internal sealed class DesignTimeDb : IDesignTimeDbContextFactory<WornPathDb>
{
    public WornPathDb CreateDbContext(string[] args)
    {
        var options = new DbContextOptionsBuilder<WornPathDb>();
        StoreSetup.Configure(options, "design.db");
        return new WornPathDb(options.Options);
    }
}
