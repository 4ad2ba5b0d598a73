using WornPath.Core.Revisions;

namespace WornPath.Store.Entities;

/// <summary>Something that sheets use: once, however many do. Made again from the sheets at any time (<see cref="WhereUsed"/>).</summary>
public sealed class UsedName
{
    public int Id { get; set; }

    public UseKind Kind { get; set; }

    public required string Name { get; set; }

    /// <summary>How many revisions that are worked on or worked from use it.</summary>
    public int Current { get; set; }

    /// <summary>How many of them are released.</summary>
    public int Released { get; set; }
}
