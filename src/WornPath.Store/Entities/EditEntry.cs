namespace WornPath.Store.Entities;

/// <summary>What an entry of the log is.</summary>
public enum EntryKind
{
    Edit,
    Undo,
    Redo,
}

/// <summary>One edit in a draft's log. Rows are only ever added.</summary>
public sealed class EditEntry
{
    public long Id { get; set; }

    public int RevisionId { get; set; }

    /// <summary>Its place in the revision's log, from 1.</summary>
    public int Seq { get; set; }

    public required string PersonId { get; set; }

    public DateTime At { get; set; }

    public EntryKind Kind { get; set; }

    /// <summary>The entry an undo or redo is of.</summary>
    public int? OfSeq { get; set; }

    /// <summary>Given by the client, so that an edit sent twice is taken once.</summary>
    public required string ClientId { get; set; }

    public required string Label { get; set; }

    /// <summary>Version of the form the delta is written in.</summary>
    public int Format { get; set; } = WornPath.Core.Sheets.SheetFormat.Newest;

    /// <summary>What it changed, as JSON (a delta).</summary>
    public required byte[] Delta { get; set; }
}
