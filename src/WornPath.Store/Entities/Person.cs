using Microsoft.AspNetCore.Identity;

namespace WornPath.Store.Entities;

/// <summary>Somebody who signs in.</summary>
public sealed class Person : IdentityUser
{
    /// <summary>The name others see.</summary>
    public string DisplayName { get; set; } = "";
}
