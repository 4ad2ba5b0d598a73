using Microsoft.EntityFrameworkCore.Design;

namespace WornPath.Store;

/// <summary>Lets the migrations tool make a context without the web application.</summary>
internal sealed class DesignTimeDb : IDesignTimeDbContextFactory<WornPathDb>
{
    public WornPathDb CreateDbContext(string[] args) => StoreSetup.Open("design.db");
}
