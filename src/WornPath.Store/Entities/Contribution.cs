namespace WornPath.Store.Entities;

/// <summary>
/// Somebody has written on something that stands in a revision: in this one, or in an earlier one it was carried over from.
/// Rows are only ever added.
/// </summary>
public sealed class Contribution
{
    /// <summary>The element of who has written on the whole, as far as anybody knows.</summary>
    public const string Whole = "*";

    public int RevisionId { get; set; }

    /// <summary>What was written on, as a delta names it ("step:s4", "joint:J3"), or <see cref="Whole"/>.</summary>
    public required string Element { get; set; }

    public required string PersonId { get; set; }
}
