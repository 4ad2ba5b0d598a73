namespace WornPath.Store.Entities;

/// <summary>Where on a revision something is used. Of what is superseded or withdrawn there are none.</summary>
public sealed class UsedOn
{
    public int NameId { get; set; }

    public int RevisionId { get; set; }

    /// <summary>Id of the first step it comes up in; empty where none does.</summary>
    public required string At { get; set; }

    /// <summary>Where, in words.</summary>
    public required string Says { get; set; }
}
