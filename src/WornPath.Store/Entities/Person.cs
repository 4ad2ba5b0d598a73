using Microsoft.AspNetCore.Identity;

namespace WornPath.Store.Entities;

/// <summary>How it stands with somebody's access.</summary>
public enum PersonState
{
    /// <summary>Has a link and has not chosen a password yet.</summary>
    Invited,

    /// <summary>Signs in.</summary>
    Active,

    /// <summary>Signs in no more; what she did stays, signed as it was.</summary>
    Disabled,
}

/// <summary>Somebody who signs in.</summary>
public sealed class Person : IdentityUser
{
    /// <summary>The name others see.</summary>
    public string DisplayName { get; set; } = "";

    /// <summary>The same for names that look alike (<see cref="WornPath.Core.Revisions.PersonName.Key"/>); borne by no other.</summary>
    public string NameKey { get; set; } = "";

    /// <summary>Since when she signs in no more; null while she does.</summary>
    public DateTime? DisabledAt { get; set; }

    /// <summary>What the codes of her second factor are made from, readable with the keys of the data folder alone; null where she has none.</summary>
    public string? FactorSecret { get; set; }

    /// <summary>The time step of the last code taken: one code opens once.</summary>
    public long FactorStep { get; set; }

    /// <summary>SHA-256 of the key in the address of her calendar; null where she has none.</summary>
    public string? CalendarKeyHash { get; set; }

    /// <summary>How it stands with her access.</summary>
    public PersonState State => DisabledAt is not null ? PersonState.Disabled : PasswordHash is null ? PersonState.Invited : PersonState.Active;

    /// <summary>True where a second factor is asked of her.</summary>
    public bool HasFactor => FactorSecret is not null;
}
