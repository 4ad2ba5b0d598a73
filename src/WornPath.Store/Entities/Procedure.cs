namespace WornPath.Store.Entities;

/// <summary>A procedure on the shelf: what stays the same through its revisions.</summary>
public sealed class Procedure
{
    public int Id { get; set; }

    /// <summary>The number the workshop files it under; borne by no other.</summary>
    public required string Number { get; set; }

    public required string Title { get; set; }

    public string Platform { get; set; } = "";

    public DateTime CreatedAt { get; set; }

    public List<Revision> Revisions { get; } = [];

    /// <summary>Who writes on it: one owner, and the co-authors.</summary>
    public List<ProcedureAuthor> Authors { get; } = [];
}
