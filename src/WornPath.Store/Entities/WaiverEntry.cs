namespace WornPath.Store.Entities;

/// <summary>A waiver of a warning. Taken back, it stays as a row with who did it.</summary>
public sealed class WaiverEntry
{
    public int Id { get; set; }

    public int RevisionId { get; set; }

    /// <summary>The finding, as the core names it.</summary>
    public required string Key { get; set; }

    /// <summary>What it was given for, as it stood then.</summary>
    public required string Seal { get; set; }

    public required string PersonId { get; set; }

    public Person Person { get; set; } = null!;

    /// <summary>Name and account of the person, as they were then.</summary>
    public required string Who { get; set; }

    public DateTime At { get; set; }

    public required string Reason { get; set; }

    /// <summary>Who took it back; null while nobody has.</summary>
    public string? TakenBackBy { get; set; }
}
