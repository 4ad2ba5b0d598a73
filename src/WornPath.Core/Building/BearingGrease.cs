using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Building;

/// <summary>What a bearing is packed with before it goes in. Common practice, no source.</summary>
internal static class BearingGrease
{
    /// <summary>
    /// The grease a part is packed with before it goes in: a bearing, where the sheet has grease for bearings; null for a sealed one and
    /// for all else.
    /// </summary>
    public static Consumable? For(Walk walk, Part part) =>
        !Natures.Is(part, Trait.Bearing) || part.Note.Contains("sealed", StringComparison.OrdinalIgnoreCase) ? null
        : walk.Sheet.Consumables.FirstOrDefault(c => c.Name.Contains("bearing grease", StringComparison.OrdinalIgnoreCase));
}
