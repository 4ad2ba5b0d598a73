using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;
using WornPath.Web.Demo;

namespace WornPath.Web;

/// <summary>
/// Makes the roles; and where nobody can administrate, or the start names somebody who is to (<c>WornPath:Admit</c>), a link with which
/// she chooses a password. Whoever starts the server is trusted with it: it is told on the console alone.
/// </summary>
public static class FirstPeople
{
    /// <summary>Makes them. Returns what to tell whoever starts the server; null for nothing.</summary>
    public static async Task<string?> MakeAsync(IServiceProvider services, IConfiguration configuration, bool isDemo)
    {
        var roles = services.GetRequiredService<RoleManager<IdentityRole>>();
        foreach (var role in Roles.All)
            if (!await roles.RoleExistsAsync(role)) await roles.CreateAsync(new IdentityRole(role));
        if (isDemo) return null;
        var db = services.GetRequiredService<WornPathDb>();
        var admitted = configuration["WornPath:Admit"];
        if (admitted is null && await People.AdministratorsOf(db).AnyAsync()) return null;
        var (people, access, options) = (services.GetRequiredService<UserManager<Person>>(), services.GetRequiredService<People>(),
            services.GetRequiredService<AccessOptions>());
        var account = admitted ?? options.FirstAdministrator;
        var link = await LinkAsync(people, access, account);
        if (!link.IsGood) throw new InvalidOperationException($"No link was made for {account}: {link.Problem}");
        var site = options.PublicUrl?.ToString().TrimEnd('/') ?? configuration["urls"]?.Split(';')[0] ?? "the server’s address, and ";
        return $"{(admitted is null ? "Nobody can administrate the workshop yet." : $"{account} is to administrate the workshop.")} Open {site}{link.Value.Path} until {link.Value.EndsAt:d MMMM yyyy HH:mm} UTC, and choose a password for the account “{account}”. The link opens once.";
    }

    private static async Task<Core.Outcome<People.Link>> LinkAsync(UserManager<Person> people, People access, string account)
    {
        if (await people.FindByNameAsync(account) is not { } person) return await access.InviteAsync(null, account, account, null,
            [Roles.Administrator], null);
        if (!await people.IsInRoleAsync(person, Roles.Administrator)) await people.AddToRoleAsync(person, Roles.Administrator);
        person.DisabledAt = null;
        await people.UpdateAsync(person);
        return await access.ResetAsync(null, person, null);
    }

    /// <summary>
    /// Disables the demo's people where they were made in a real database, as a program of before let happen, and still have the password
    /// everybody can read. Returns whom.
    /// </summary>
    public static async Task<IReadOnlyList<string>> DisableDemoPeopleAsync(IServiceProvider services)
    {
        var (people, access) = (services.GetRequiredService<UserManager<Person>>(), services.GetRequiredService<People>());
        var disabled = new List<string>();
        foreach (var known in DemoPeople.All)
        {
            if (await people.FindByNameAsync(known.UserName) is not { State: PersonState.Active } person
                || !await people.CheckPasswordAsync(person, DemoPeople.Password)) continue;
            await access.DisableByServerAsync(person);
            disabled.Add(known.UserName);
        }

        return disabled;
    }
}
