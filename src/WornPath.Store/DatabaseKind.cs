using Microsoft.EntityFrameworkCore;
using WornPath.Store.Entities;

namespace WornPath.Store;

/// <summary>
/// Whether a database was made as a demo, with people whose password everybody can read. It is settled when the database is made and
/// never changes: a real one cannot become a demo.
/// </summary>
public static class DatabaseKind
{
    private const string Name = "kind";
    private const string Demo = "demo";
    private const string Real = "real";

    /// <summary>
    /// Whether the database is a demo, and whether that was settled just now. One that has not been settled yet is settled now: an empty
    /// one as it is wanted, and one of before there was this mark as a demo where it holds the demo's people and nobody else.
    /// </summary>
    public static async Task<(bool IsDemo, bool IsNew)> OfAsync(WornPathDb db, bool isWanted, IReadOnlyCollection<string> demoAccounts)
    {
        if (await db.Facts.AsNoTracking().FirstOrDefaultAsync(f => f.Name == Name) is { } fact) return (fact.Value == Demo, false);
        var accounts = await db.Users.Select(u => u.UserName!).ToListAsync();
        var isDemo = accounts.Count == 0 ? isWanted && !await db.Procedures.AnyAsync() : accounts.ToHashSet().SetEquals(demoAccounts);
        db.Facts.Add(new Fact { Name = Name, Value = isDemo ? Demo : Real });
        await db.SaveChangesAsync();
        return (isDemo, true);
    }
}
