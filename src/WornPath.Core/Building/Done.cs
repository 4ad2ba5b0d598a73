using WornPath.Core.Fasteners;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Building;

/// <summary>What a thing needs beside a torque, by what it is. Common practice, no source.</summary>
internal static class Done
{
    /// <summary>Where a joint that takes no torque is done: a clip is pushed in, a stud screwed in, a clamp done up; null for all that is torqued.</summary>
    public static JointStage? At(Walk walk, Joint joint) =>
        joint.Untorqued is not null ? JointStage.Snug
        : joint.Torque is not null ? null
        : Natures.Is(joint, Trait.OwnClamp) ? JointStage.Snug
        : joint.Fastener is null && (Natures.Is(joint, Trait.PushedIn) || Natures.Is(joint, Trait.Stud)) ? JointStage.Started
        // A U-bolt: its nuts are what is turned, and they have their own line.
        : joint.Fastener?.Form == FastenerForm.Stud && joint.Holds.SelectMany(id => walk.HoldersOf(id)).Any(nuts => nuts != joint
            && (FastenerText.IsNut(nuts.Fastener?.Form) || Natures.Is(nuts, Trait.Nut))) ? JointStage.Started
        : null;

    /// <summary>
    /// The grease a part is packed with before it goes in: a bearing, where the sheet has grease for bearings; null for a sealed one and
    /// for all else.
    /// </summary>
    public static Consumable? GreaseFor(Walk walk, Part part) =>
        !Natures.Is(part, Trait.Bearing) || part.Note.Contains("sealed", StringComparison.OrdinalIgnoreCase) ? null
        : walk.Sheet.Consumables.FirstOrDefault(c => c.Name.Contains("bearing grease", StringComparison.OrdinalIgnoreCase));
}
