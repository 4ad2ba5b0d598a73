namespace WornPath.Core.Sheets;

/// <summary>What a thing is by its name, where nobody has said it outright. Common practice, no source: the trade names things by what they do.</summary>
public static class Natures
{
    private static readonly string[] BrakeWords = ["caliper", "calliper", "brake cylinder", "wheel cylinder", "master cylinder", "brake hose", "brake line", "brake pad", "brake pads"];

    /// <summary>The part's nature: as the author set it, else by its name.</summary>
    public static PartNature Of(Part part)
    {
        if (part.Nature is { } set) return set;
        var name = part.Name.ToLowerInvariant();
        if (BrakeWords.Any(name.EndsWith)) return PartNature.Brake;
        return name.EndsWith(" wheel") || name.EndsWith(" wheels") || name is "wheel" or "wheels" ? PartNature.Wheel : PartNature.Plain;
    }

    /// <summary>True for the fasteners that hold a road wheel: by the wheel they hold, else by their name.</summary>
    public static bool HoldsAWheel(Joint joint, IReadOnlyDictionary<string, Thing> things)
    {
        foreach (var id in joint.Holds)
            if (things.GetValueOrDefault(id) is Part part && Of(part) == PartNature.Wheel) return true;
        var name = joint.Name.ToLowerInvariant();
        return name.EndsWith("wheel nuts") || name.EndsWith("wheel bolts") || name.EndsWith("wheel nut") || name.EndsWith("wheel bolt") || name.EndsWith("wheel screws");
    }
}
