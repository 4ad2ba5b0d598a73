using System.Collections.Immutable;

namespace WornPath.Core.Calculators;

/// <summary>Every calculator.</summary>
public static class CalculatorList
{
    /// <summary>All of them, in the order they are offered.</summary>
    public static readonly ImmutableArray<Calculator> All =
        [new PreloadSlip(), new UnitsSlip(), new AdapterSlip(), new StrippingSlip(), new SlotSlip(), new PatternSlip(), new SizesSlip()];

    /// <summary>The one with an id, or null.</summary>
    public static Calculator? Find(string id) => All.FirstOrDefault(c => c.Id == id);
}
