namespace WornPath.Store.Entities;

/// <summary>
/// A link of a procedure's record: an edit or an event of it, and the hash over it and the link before
/// (<see cref="WornPath.Core.Revisions.RecordChain"/>). Rows are only ever added.
/// </summary>
public sealed class RecordLink
{
    public int ProcedureId { get; set; }

    /// <summary>Its place in the record, from 1.</summary>
    public int Number { get; set; }

    /// <summary>The edit it is of; null where it is of an event.</summary>
    public long? EditId { get; set; }

    /// <summary>The event it is of; null where it is of an edit.</summary>
    public int? EventId { get; set; }

    public required string Hash { get; set; }
}
