namespace WornPath.Store.Entities;

/// <summary>Something the database knows of itself.</summary>
public sealed class Fact
{
    /// <summary>What: one of <see cref="DatabaseKind"/>'s names, or the mark that readiness writes.</summary>
    public required string Name { get; set; }

    public required string Value { get; set; }
}
