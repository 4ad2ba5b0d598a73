namespace WornPath.Store.Entities;

/// <summary>A value as a second person read it from its source. Rows are only ever added.</summary>
public sealed class ValueCheckEntry
{
    public int Id { get; set; }

    public int RevisionId { get; set; }

    /// <summary>Id of the joint, the fluid or the step it is of; the column's name is from when there were joints alone.</summary>
    public required string Joint { get; set; }

    /// <summary>What it was given for, as it stood then.</summary>
    public required string Seal { get; set; }

    /// <summary>What was read.</summary>
    public required string Read { get; set; }

    /// <summary>Whether it was the sheet's value.</summary>
    public bool Agrees { get; set; }

    public required string PersonId { get; set; }

    public Person Person { get; set; } = null!;

    /// <summary>Name and account of the person, as they were then.</summary>
    public required string Who { get; set; }

    public DateTime At { get; set; }
}
