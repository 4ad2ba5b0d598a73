using WornPath.Core.Revisions;
using WornPath.Core.Sheets;

namespace WornPath.Store.Entities;

/// <summary>A thread of comments on something of a procedure: what it is about, as a <see cref="CommentAnchor"/> says it. Rows are only ever added.</summary>
public sealed class Comment
{
    public int Id { get; set; }

    public int ProcedureId { get; set; }

    /// <summary>The revision it was begun on.</summary>
    public int RevisionId { get; set; }

    /// <summary>True where that was one people work from: then they see it, too.</summary>
    public bool OnReleased { get; set; }

    public AnchorKind Kind { get; set; }

    /// <summary>Id of the step, thing or figure, key of the finding; empty for the sheet.</summary>
    public string Target { get; set; } = "";

    public int Start { get; set; }

    public int Length { get; set; }

    /// <summary>What stood there when it was begun.</summary>
    public string Then { get; set; } = "";

    public List<CommentEntry> Entries { get; } = [];

    /// <summary>What it is about.</summary>
    public CommentAnchor Anchor => new() { Kind = Kind, Id = Target, At = new Span(Start, Length), Then = Then };
}

/// <summary>What an entry of a thread does.</summary>
public enum CommentEntryKind
{
    /// <summary>Something is said; an edit may be suggested with it.</summary>
    Said,

    /// <summary>What was suggested is taken: it is an edit of the draft now.</summary>
    Taken,

    /// <summary>The thread is settled.</summary>
    Settled,

    /// <summary>It is open again.</summary>
    Reopened,
}

/// <summary>One entry of a thread, with who and when. Rows are only ever added.</summary>
public sealed class CommentEntry
{
    public int Id { get; set; }

    public int CommentId { get; set; }

    /// <summary>The revision that stood open when it was written.</summary>
    public int RevisionId { get; set; }

    public CommentEntryKind Kind { get; set; }

    public required string PersonId { get; set; }

    /// <summary>Name and account of the person, as they were then.</summary>
    public required string Who { get; set; }

    public DateTime At { get; set; }

    public string Text { get; set; } = "";

    /// <summary>The edit that is suggested, as JSON; null for none.</summary>
    public string? Suggested { get; set; }

    /// <summary>What the edit does, in words.</summary>
    public string SuggestedSays { get; set; } = "";

    /// <summary>The entry whose suggestion is taken.</summary>
    public int? OfEntry { get; set; }

    /// <summary>Given by the client, so that one sent twice is taken once.</summary>
    public required string ClientId { get; set; }

    public List<CommentMention> Mentions { get; } = [];
}

/// <summary>Somebody an entry speaks to by name.</summary>
public sealed class CommentMention
{
    public int EntryId { get; set; }

    public required string PersonId { get; set; }
}

/// <summary>Somebody who is asked to look at a revision that is sent for review.</summary>
public sealed class ReviewAsk
{
    /// <summary>The event with which it was sent.</summary>
    public int EventId { get; set; }

    public required string PersonId { get; set; }

    /// <summary>Name and account of the person, as they were then.</summary>
    public required string Who { get; set; }
}
