namespace WornPath.Store.Entities;

/// <summary>How somebody came to have a revision.</summary>
public enum HoldingKind
{
    /// <summary>Opened here.</summary>
    Opened,

    /// <summary>Printed, or taken as a PDF.</summary>
    Printed,

    /// <summary>Saved as a file, in whatever format.</summary>
    Saved,
}

/// <summary>
/// That somebody has had a released revision in her hands: so that it is known who has to be told where something on it turns out to be wrong. One
/// row a person and way, with the first and the last time.
/// </summary>
public sealed class Holding
{
    public int Id { get; set; }

    public int RevisionId { get; set; }

    public required string PersonId { get; set; }

    public HoldingKind Kind { get; set; }

    /// <summary>Name and account of the person, as they were the last time.</summary>
    public required string Who { get; set; }

    public DateTime First { get; set; }

    public DateTime Last { get; set; }
}
