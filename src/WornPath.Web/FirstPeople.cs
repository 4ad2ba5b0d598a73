using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Store.Entities;

namespace WornPath.Web;

/// <summary>Makes the roles and, in an empty database, the first administrator, who then adds everybody else.</summary>
public static partial class FirstPeople
{
    public static async Task MakeAsync(IServiceProvider services, IConfiguration configuration, ILogger logger)
    {
        var roles = services.GetRequiredService<RoleManager<IdentityRole>>();
        foreach (var role in Roles.All)
            if (!await roles.RoleExistsAsync(role)) await roles.CreateAsync(new IdentityRole(role));
        var people = services.GetRequiredService<UserManager<Person>>();
        if (await people.Users.AnyAsync()) return;
        var (name, password) = (configuration["WornPath:AdminName"], configuration["WornPath:AdminPassword"]);
        if (name is null || password is null)
        {
            if (!services.GetRequiredService<Demo.DemoMode>().IsOn) NobodyYet(logger);
            return;
        }

        var shown = Core.Revisions.PersonName.Check(name);
        if (!shown.IsGood) throw new InvalidOperationException($"The first administrator was not made: {shown.Problem}");
        var person = new Person { UserName = name, DisplayName = shown.Value, NameKey = Core.Revisions.PersonName.Key(shown.Value) };
        var made = await people.CreateAsync(person, password);
        if (!made.Succeeded) throw new InvalidOperationException("The first administrator was not made: " + string.Join(" ", made.Errors.Select(e => e.Description)));
        await people.AddToRolesAsync(person, [Roles.Administrator]);
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "Nobody can sign in yet. Start once with WornPath__AdminName and WornPath__AdminPassword set.")]
    private static partial void NobodyYet(ILogger logger);
}
