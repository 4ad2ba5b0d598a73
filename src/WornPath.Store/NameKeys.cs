using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;

namespace WornPath.Store;

/// <summary>Gives people from before names had to differ a name of their own: the second of two who look alike is shown with the account.</summary>
internal static class NameKeys
{
    public static async Task FillAsync(WornPathDb db, CancellationToken cancel)
    {
        // A migration cannot work keys out: it leaves the id in their place.
        var people = await db.Users.Where(p => p.NameKey == "" || p.NameKey == p.Id).OrderBy(p => p.Id).ToListAsync(cancel);
        if (people.Count == 0) return;
        var taken = (await db.Users.Where(p => p.NameKey != "" && p.NameKey != p.Id).Select(p => p.NameKey).ToListAsync(cancel)).ToHashSet();
        foreach (var person in people)
        {
            var shown = PersonName.Check(person.DisplayName) is { IsGood: true } good ? good.Value : person.UserName!;
            if (taken.Contains(PersonName.Key(shown))) shown = $"{shown} ({person.UserName})";
            // Accounts differ, so that a number is hardly ever needed.
            for (var n = 2; taken.Contains(PersonName.Key(shown)); n++) shown = $"{person.UserName} {n}";
            (person.DisplayName, person.NameKey) = (shown, PersonName.Key(shown));
            taken.Add(person.NameKey);
        }

        await db.SaveChangesAsync(cancel);
    }
}
