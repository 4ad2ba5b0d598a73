using WornPath.Core.Revisions;

namespace WornPath.Store.Entities;

/// <summary>A revision: its sheet is its last <see cref="SheetSnapshot"/> and the edits since in <see cref="EditEntry"/> rows.</summary>
public sealed class Revision
{
    public int Id { get; set; }

    public int ProcedureId { get; set; }

    public Procedure Procedure { get; set; } = null!;

    public required string Letter { get; set; }

    public RevisionState State { get; set; }

    /// <summary>Who began it.</summary>
    public required string AuthorId { get; set; }

    public Person Author { get; set; } = null!;

    public required SheetSnapshot Snapshot { get; set; }

    /// <summary>Number of the last edit.</summary>
    public int Seq { get; set; }

    /// <summary>Findings that stop a release, as last walked: for the shelf.</summary>
    public int Stops { get; set; }

    /// <summary>Other findings, as last walked.</summary>
    public int Warnings { get; set; }

    public int StepCount { get; set; }

    public DateTime ChangedAt { get; set; }

    /// <summary>Version of the workshop's settings it was released under, whose house rules it keeps; null until then.</summary>
    public int? WorkshopVersion { get; set; }

    /// <summary>The day by which it is to be looked at again, once it is released; null where none is set.</summary>
    public DateOnly? LookAgainBy { get; set; }

    /// <summary>Another with each change: whoever changes it from an older one is refused.</summary>
    public long Stamp { get; set; }

    public List<EditEntry> Edits { get; } = [];

    public List<ReviewEvent> Events { get; } = [];
}
