using Microsoft.AspNetCore.Identity;

namespace WornPath.Store.Entities;

/// <summary>Somebody who signs in.</summary>
public sealed class Person : IdentityUser
{
    /// <summary>The name others see.</summary>
    public string DisplayName { get; set; } = "";

    /// <summary>The same for names that look alike (<see cref="WornPath.Core.Revisions.PersonName.Key"/>); borne by no other.</summary>
    public string NameKey { get; set; } = "";
}
