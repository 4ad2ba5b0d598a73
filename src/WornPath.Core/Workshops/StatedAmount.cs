using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>How much of a fluid goes in, with the source it was taken from.</summary>
/// <param name="Fluid">The fluid.</param>
public sealed record StatedAmount(Fluid Fluid) : StatedValue(Fluid.SheetId, Fluid.SheetId, Fluid.Name, Fluid.Source ?? "")
{
    public override string About => "amount";

    public override string Stands => Fluid.Capacity;

    public override string Seal => SealOf(Fluid.SheetId, Fluid.Capacity, Fluid.Source);

    public override IEnumerable<string> Spellings => [Fluid.Capacity, .. VolumeText.Written(Fluid.Capacity)];

    public override Outcome<(string Read, bool Agrees)> Hold(string read)
    {
        ImmutableArray<Volume> amounts = [.. VolumeText.All(read)], stand = [.. VolumeText.All(Fluid.Capacity)];
        if (amounts.IsEmpty) return new Problem($"“{NumberText.Excerpt(read)}” is no amount of a fluid.", "Write it as it stands there, with its unit, such as 0.9 L.");
        return (read.Trim(), amounts.Length == stand.Length && stand.Zip(amounts).All(p => p.First.IsRead(p.Second)));
    }

    /// <summary>The amount of a fluid, where it is a number with a unit and has a source; a level in words is nothing to hold a number against.</summary>
    public static IEnumerable<StatedAmount> Of(Fluid fluid) => string.IsNullOrWhiteSpace(fluid.Source) || VolumeText.Find(fluid.Capacity) is null ? [] : [new(fluid)];
}
