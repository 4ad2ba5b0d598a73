using System.Runtime.CompilerServices;

namespace WornPath.Core.Sheets;

/// <summary>What a thing is by its name, where nobody has said it outright. Common practice, no source: the trade names things by what they do.</summary>
public static class Natures
{
    // Things are immutable and live on from sheet to sheet: what a name tells is found once.
    private static readonly ConditionalWeakTable<Thing, object> Known = [];

    private static readonly string[] BrakeWords = ["caliper", "calliper", "brake cylinder", "wheel cylinder", "master cylinder", "brake hose", "brake line", "brake pad", "brake pads"];

    private static readonly string[] WheelWords = ["wheel", "wheels"];

    private static readonly string[] WheelFasteners = ["wheel nuts", "wheel bolts", "wheel nut", "wheel bolt", "wheel screws"];

    /// <summary>The part's nature: as the author set it, else by its name.</summary>
    public static PartNature Of(Part part) => part.Nature ?? (PartNature)Known.GetValue(part, static p => ByName(p.Name));

    private static PartNature ByName(string name)
    {
        if (Array.Exists(BrakeWords, w => name.EndsWith(w, StringComparison.OrdinalIgnoreCase))) return PartNature.Brake;
        return Array.Exists(WheelWords, w => name.EndsWith(" " + w, StringComparison.OrdinalIgnoreCase) || name.Equals(w, StringComparison.OrdinalIgnoreCase)) ? PartNature.Wheel : PartNature.Plain;
    }

    /// <summary>True for the fasteners that hold a road wheel: by the wheel they hold, else by their name.</summary>
    public static bool HoldsAWheel(Joint joint, IReadOnlyDictionary<string, Thing> things)
    {
        foreach (var id in joint.Holds)
            if (things.GetValueOrDefault(id) is Part part && Of(part) == PartNature.Wheel) return true;
        return (bool)Known.GetValue(joint, static j => Array.Exists(WheelFasteners, w => j.Name.EndsWith(w, StringComparison.OrdinalIgnoreCase)));
    }

    private static readonly string[] ProtectiveWords = ["roll-over", "rollover", "roll bar"];

    private static readonly string[] SteeringAndTowing = ["steering", "tie rod", "drag link", "tow hook", "drawbar", "hitch"];

    /// <summary>True where the name is of a structure that protects in a roll-over.</summary>
    public static bool IsProtective(string name) => Array.Exists(ProtectiveWords, w => name.Contains(w, StringComparison.OrdinalIgnoreCase));

    /// <summary>True for what keeps people alive: brakes, steering, roll-over and towing structures, and the joints that hold them.</summary>
    public static bool IsLifeCritical(Thing thing, IReadOnlyDictionary<string, Thing> things)
    {
        bool Named(string name) => IsProtective(name) || Array.Exists(SteeringAndTowing, w => name.Contains(w, StringComparison.OrdinalIgnoreCase));
        return thing switch
        {
            Part part => Of(part) == PartNature.Brake || Named(part.Name),
            Joint joint => Named(joint.Name) || joint.Holds.Any(id => things.GetValueOrDefault(id) is Part part && IsLifeCritical(part, things)),
            _ => false,
        };
    }
}
