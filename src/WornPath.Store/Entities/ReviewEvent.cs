namespace WornPath.Store.Entities;

/// <summary>What happened to a revision.</summary>
public enum ReviewEventKind
{
    Begun,
    Sent,
    Returned,
    Released,
    Superseded,
    Withdrawn,

    /// <summary>Taken back from review by who wrote it.</summary>
    CalledBack,

    /// <summary>A value was read again by somebody who had read another one.</summary>
    ReadAgain,

    /// <summary>Somebody has looked at it: what there was to say is said.</summary>
    Looked,

    /// <summary>A bulletin was given out against it.</summary>
    Warned,

    /// <summary>A bulletin was taken back.</summary>
    WarningTakenBack,

    /// <summary>Somebody has signed it.</summary>
    Signed,

    /// <summary>It was said by when it is to be looked at again.</summary>
    LookAgainSet,
}

/// <summary>One event in a revision's life, with who and when. Rows are only ever added.</summary>
public sealed class ReviewEvent
{
    public int Id { get; set; }

    public int RevisionId { get; set; }

    public ReviewEventKind Kind { get; set; }

    public required string PersonId { get; set; }

    public Person Person { get; set; } = null!;

    /// <summary>Name and account of the person, as they were then.</summary>
    public required string Who { get; set; }

    public DateTime At { get; set; }

    /// <summary>The reason given, where one is asked for.</summary>
    public string Text { get; set; } = "";
}
