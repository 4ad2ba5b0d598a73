namespace WornPath.Store.Entities;

/// <summary>Somebody's signature under the exact content of a revision. Rows are only ever added.</summary>
public sealed class Signature
{
    public int Id { get; set; }

    public int RevisionId { get; set; }

    /// <summary>SHA-256 of the content that was signed, which is kept in <see cref="SignedContent"/>.</summary>
    public required string Content { get; set; }

    public required string PersonId { get; set; }

    /// <summary>Name and account of the person, as they were then.</summary>
    public required string Who { get; set; }

    public DateTime At { get; set; }

    /// <summary>The signature as it goes out: a JSON Web Signature (RFC 7515), compact.</summary>
    public required string Jws { get; set; }
}

/// <summary>What was signed, to the letter: whatever form a later version of the program writes, this is what the signatures are of.</summary>
public sealed class SignedContent
{
    /// <summary>SHA-256 of <see cref="Json"/>, in hexadecimal digits.</summary>
    public required string Hash { get; set; }

    /// <summary>Canonical JSON (RFC 8785), in UTF-8.</summary>
    public required byte[] Json { get; set; }
}
