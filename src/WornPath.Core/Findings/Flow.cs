using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Findings;

/// <summary>What a fluid is in, and what closes it.</summary>
internal static class Flow
{
    /// <summary>True for what a fluid runs out of when it is opened: a plug, a fitting, a hose, a line, and what holds one.</summary>
    public static bool Contains(Thing thing, IReadOnlyDictionary<string, Thing> things) => thing is Joint && Natures.Is(thing, Trait.DrainPlug)
        || thing is Joint or Connection && (Natures.Is(thing, Trait.CarriesFluid)
            || thing is Joint joint && joint.Holds.Any(id => Natures.Is(things.GetValueOrDefault(id), Trait.CarriesFluid)));
}
