using WornPath.Core.Revisions;

namespace WornPath.Store.Entities;

/// <summary>What of a revision the shelf's words hold: as it was after an edit, by a version of the program that wrote them.</summary>
public sealed class ShelfEntry
{
    public int RevisionId { get; set; }

    /// <summary>Number of the last edit that is in it.</summary>
    public int Seq { get; set; }

    /// <summary>The state it was in: what is superseded or withdrawn uses nothing any more.</summary>
    public RevisionState State { get; set; }

    /// <summary>Which program wrote it (<see cref="ShelfWords.Version"/>).</summary>
    public int Version { get; set; }
}
