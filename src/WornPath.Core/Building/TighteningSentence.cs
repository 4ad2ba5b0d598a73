using WornPath.Core.Quantities;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Building;

/// <summary>The sentences the program writes itself about a joint: read like any other, so they stand in words the lexicon knows.</summary>
public static class TighteningSentence
{
    /// <summary>Brings a joint to what it is specified to: the value, a bearing seated and backed off, the next slot, or snug.</summary>
    public static string Of(Joint joint)
    {
        var text = joint switch
        {
            { Untorqued: { } without } => without == Untorqued.Snug ? $"Snug the {joint.Name}." : $"Snug the {joint.Name} {without}.",
            { Torque: null } or { Variants.Length: > 0 } => $"Torque the {joint.Name}.",
            { Torque: { Seat: { } seat, Back: { } back } spec } => $"Torque the {joint.Name} to {seat} in the first pass while you turn it. Back off the {joint.Name} {new Angle(back)}. Torque the {joint.Name} to {spec.Target}.",
            { Torque: { Back: { } back } spec } => $"Torque the {joint.Name} to {spec.Target}. Back off the {joint.Name} {new Angle(back)}.",
            _ => $"Torque the {joint.Name} to {ValueOf(joint.Torque)}.",
        };
        return joint.Torque is { ToNextSlot: true } ? text + $" Turn the {joint.Name} on to the next slot, never back." : text;
    }

    /// <summary>Torques it again after it was used, when the house rules say so.</summary>
    public static string Again(Joint joint, HouseRules rules) => $"After {rules.RetorqueWords}, retorque the {joint.Name}{(joint.Torque is { } value && joint.Variants.IsEmpty ? $" to {value.Target}" : "")}.";

    /// <summary>Has what keeps people alive checked before it is used, all of it by name; whoever checks a part checks what holds it.</summary>
    public static string HaveChecked(IReadOnlyCollection<Thing> things) => string.Join(' ', things
        .Where(t => t is not Joint joint || !things.Any(p => joint.Holds.Contains(p.Id))).Select(t => $"the {t.Name}").Distinct().Chunk(MostAtOnce)
        .Select(names => $"Have a qualified person check {Sentences.Listed(names)} before the vehicle is used."));

    // So many names a sentence bears.
    private const int MostAtOnce = 4;

    /// <summary>Has the alignment looked at after steering or suspension came apart.</summary>
    public const string CheckAlignment = "Have the wheel alignment checked.";

    /// <summary>Locks it with what its specification names.</summary>
    public static string Lock(Joint joint) => $"Lock the {joint.Name} with {(joint.Locking == Locking.Wire ? "new locking wire" : joint.Or("a new lock plate", "new lock plates"))}.";

    /// <summary>A pin goes into it: a new one for each.</summary>
    public static string Pin(Joint joint) => $"Insert {joint.Or("a new cotter pin", "new cotter pins")} in the {joint.Name}.";

    /// <summary>Stakes it.</summary>
    public static string Stake(Joint joint) => $"Stake the {joint.Name}.";

    /// <summary>Puts the witness mark on.</summary>
    public static string Mark(Joint joint) => $"Mark the {joint.Name}.";

    /// <summary>What its specification asks for behind the final torque: pin, stake, lock and witness mark.</summary>
    public static IEnumerable<string> Behind(Joint joint)
    {
        if (joint.Locking == Locking.CotterPin) yield return Pin(joint);
        else if (joint.Locking == Locking.Stake) yield return Stake(joint);
        else if (joint.HasTabOrWire) yield return Lock(joint);
        if (joint.Mark) yield return Mark(joint);
    }

    /// <summary>Puts the joint's treatment on.</summary>
    public static string Apply(Joint joint) => $"Apply {TreatmentWords(joint)} to the {joint.Name}.";

    /// <summary>The treatment as a sentence says it: "medium threadlocker" for "threadlocker, medium".</summary>
    public static string TreatmentWords(Joint joint) => string.Join(' ', EnumWord.Of(joint.Treatment).Split(", ").Reverse());

    /// <summary>A value as a sentence says it.</summary>
    internal static string ValueOf(TorqueSpec spec) => spec switch
    {
        { ThenAngle: { } angle } => $"{spec.Target} + {new Angle(angle)}",
        { IsRange: true, IsTolerance: false } => TorqueSpec.Create(spec.Low, spec.High, spec.Unit).Value.ToString(),
        _ => spec.Target.ToString(),
    };
}
