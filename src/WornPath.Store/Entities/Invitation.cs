namespace WornPath.Store.Entities;

/// <summary>A link with which a person chooses a password, once. The link holds the token; here is its hash alone.</summary>
public sealed class Invitation
{
    public int Id { get; set; }

    /// <summary>SHA-256 of the token.</summary>
    public required string TokenHash { get; set; }

    public required string PersonId { get; set; }

    public Person Person { get; set; } = null!;

    public DateTime At { get; set; }

    public DateTime EndsAt { get; set; }

    /// <summary>When it was used, or another took its place.</summary>
    public DateTime? UsedAt { get; set; }
}

/// <summary>A code that opens once in place of the second factor. The person has it on paper; here is its hash alone.</summary>
public sealed class RecoveryCode
{
    public int Id { get; set; }

    public required string PersonId { get; set; }

    public Person Person { get; set; } = null!;

    /// <summary>SHA-256 of the person's id and the code: the code has 80 random bits.</summary>
    public required string CodeHash { get; set; }

    public DateTime? UsedAt { get; set; }
}
