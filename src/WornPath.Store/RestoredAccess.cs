using Microsoft.EntityFrameworkCore;
using WornPath.Store.Entities;

namespace WornPath.Store;

/// <summary>After a restore everybody signs in again, and no link of before opens: either may have been ended since the backup was taken.</summary>
public static class RestoredAccess
{
    public static async Task EndSessionsAsync(this WornPathDb db, DateTime at)
    {
        await db.Sessions.Where(s => s.EndedAt == null).ExecuteUpdateAsync(s => s.SetProperty(x => x.EndedAt, at)
            .SetProperty(x => x.Why, SessionEnd.Expired));
        await db.Invitations.Where(i => i.UsedAt == null).ExecuteUpdateAsync(i => i.SetProperty(x => x.UsedAt, at));
        await db.Users.Where(p => p.CalendarKeyHash != null).ExecuteUpdateAsync(p => p.SetProperty(x => x.CalendarKeyHash, (string?)null));
    }
}
