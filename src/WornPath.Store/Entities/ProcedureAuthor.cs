namespace WornPath.Store.Entities;

/// <summary>Somebody who writes on a procedure: its owner, or a co-author.</summary>
public sealed class ProcedureAuthor
{
    public int ProcedureId { get; set; }

    public required string PersonId { get; set; }

    public Person Person { get; set; } = null!;

    /// <summary>True for the one owner.</summary>
    public bool IsOwner { get; set; }

    /// <summary>Who gave it.</summary>
    public required string GivenById { get; set; }

    public DateTime At { get; set; }
}

/// <summary>Somebody asks to write along.</summary>
public sealed class AskToWrite
{
    public int ProcedureId { get; set; }

    public required string PersonId { get; set; }

    public Person Person { get; set; } = null!;

    public DateTime At { get; set; }
}
