using WornPath.Core.Revisions;
using WornPath.Core.Sheets;

namespace WornPath.Store.Entities;

/// <summary>
/// A notice against a revision people work from: something on it is wrong. It shows wherever that revision shows, until a later one is released
/// or it is taken back. Taken back, it stays as a row with who did it and why.
/// </summary>
public sealed class Bulletin
{
    public int Id { get; set; }

    public int RevisionId { get; set; }

    public AnchorKind Kind { get; set; }

    /// <summary>Id of the step or thing it is about; empty for the sheet.</summary>
    public string Target { get; set; } = "";

    /// <summary>What stood there when it was given out.</summary>
    public string Then { get; set; } = "";

    public required string Text { get; set; }

    public required string PersonId { get; set; }

    /// <summary>Name and account of the person, as they were then.</summary>
    public required string Who { get; set; }

    public DateTime At { get; set; }

    /// <summary>Name and account of who took it back; null while nobody has.</summary>
    public string? TakenBackBy { get; set; }

    public DateTime? TakenBackAt { get; set; }

    /// <summary>Why it was taken back.</summary>
    public string WhyTakenBack { get; set; } = "";

    /// <summary>What it is about.</summary>
    public CommentAnchor Anchor => new() { Kind = Kind, Id = Target, Then = Then };
}
