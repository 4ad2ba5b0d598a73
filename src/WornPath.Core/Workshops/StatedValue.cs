using System.Security.Cryptography;
using System.Text;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>A value of the sheet that a second person reads in the source it was taken from: a torque, the amount of a fluid, the limits a step measures against.</summary>
/// <param name="Id">Id of the joint, the fluid or the step it is of.</param>
/// <param name="Tag">What tells a person which one: "J3", "step 12".</param>
/// <param name="Name">The name of what it is of.</param>
/// <param name="Source">Where it is read.</param>
public abstract record StatedValue(string Id, string Tag, string Name, string Source)
{
    /// <summary>How a person is told which one is meant: "J3 caliper bolts", "step 12, disc thickness".</summary>
    public virtual string Label => $"{Tag} {Name}";

    /// <summary>What else is known of it, in words: the fastener, the pass, the variants.</summary>
    public virtual string About => "";

    /// <summary>The value as it stands on the sheet.</summary>
    public abstract string Stands { get; }

    /// <summary>What a check holds for. A check falls away as soon as the value, its source or what it hangs on is another.</summary>
    public abstract string Seal { get; }

    /// <summary>The seal that checks of before had, which hold for what was released under them; empty where there are none.</summary>
    public virtual string FormerSeal => "";

    /// <summary>True for what has always been read a second time; passes, amounts and limits have not.</summary>
    public virtual bool IsOfOld => false;

    /// <summary>What gives the value away in a text besides torques: each as it may be written.</summary>
    public virtual IEnumerable<string> Spellings => [];

    /// <summary>What was read there, as it is kept, and whether it is the value of the sheet.</summary>
    public abstract Outcome<(string Read, bool Agrees)> Hold(string read);

    /// <summary>Every value of a sheet that has a source to be read in: torques, amounts, limits, each in the order of the sheet.</summary>
    public static IEnumerable<StatedValue> All(Sheet sheet)
    {
        var passes = StatedTorque.PassesOf(sheet);
        return sheet.Joints.SelectMany(j => StatedTorque.Of(j, passes[j.Id])).Concat<StatedValue>(sheet.Fluids.SelectMany(StatedAmount.Of))
            .Concat(sheet.Steps.SelectMany((step, i) => StatedLimits.Of(step, i + 1, sheet.Find)));
    }

    /// <summary>True for a seal of before, which covers the value and its source alone.</summary>
    public static bool IsFormer(string seal) => !seal.StartsWith(Mark, StringComparison.Ordinal);

    /// <summary>Begins each seal of now.</summary>
    protected const string Mark = "2-";

    /// <summary>The seal of what these say.</summary>
    protected static string SealOf(params ReadOnlySpan<object?> parts) => Mark + Hash(string.Join('\n', parts))[Mark.Length..];

    protected static string Hash(string text) => Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(text)))[..32];
}
