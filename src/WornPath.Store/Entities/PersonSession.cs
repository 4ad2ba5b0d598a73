namespace WornPath.Store.Entities;

/// <summary>Why a session ended.</summary>
public enum SessionEnd
{
    /// <summary>The person signed out.</summary>
    SignedOut,

    /// <summary>The person ended it from another session.</summary>
    EndedElsewhere,

    /// <summary>Its time was over, or nothing was done in it for too long.</summary>
    Expired,

    /// <summary>The person changed the password or the second factor elsewhere.</summary>
    Changed,

    /// <summary>An administrator disabled the person.</summary>
    Disabled,

    /// <summary>An administrator had the person choose a new password.</summary>
    Reset,
}

/// <summary>Somebody signed in with one browser. The browser holds the key; here is its hash alone.</summary>
public sealed class PersonSession
{
    public int Id { get; set; }

    /// <summary>SHA-256 of the key.</summary>
    public required string KeyHash { get; set; }

    public required string PersonId { get; set; }

    public Person Person { get; set; } = null!;

    public DateTime BegunAt { get; set; }

    /// <summary>When something was last done in it, to the minute.</summary>
    public DateTime SeenAt { get; set; }

    /// <summary>When it ends whatever is done in it.</summary>
    public DateTime EndsAt { get; set; }

    public DateTime? EndedAt { get; set; }

    public SessionEnd? Why { get; set; }

    /// <summary>Where from.</summary>
    public string Address { get; set; } = "";

    /// <summary>What the browser says of itself.</summary>
    public string Browser { get; set; } = "";

    /// <summary>True where a second factor was given.</summary>
    public bool WithFactor { get; set; }
}
