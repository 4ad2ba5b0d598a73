namespace WornPath.Store.Entities;

/// <summary>Something of the Ready face that somebody has ticked off as in hand.</summary>
public sealed class InHand
{
    public int RevisionId { get; set; }

    /// <summary>The item, as the core names it.</summary>
    public required string Key { get; set; }

    public required string PersonId { get; set; }

    public DateTime At { get; set; }
}
