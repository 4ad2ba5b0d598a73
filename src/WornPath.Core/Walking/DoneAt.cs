using WornPath.Core.Fasteners;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>Where a joint that takes no torque is done. Common practice, no source.</summary>
internal static class DoneAt
{
    /// <summary>The stage: a clip is pushed in, a stud screwed in, a clamp done up; null for all that is torqued.</summary>
    public static JointStage? Of(Walk walk, Joint joint) =>
        joint.Untorqued is not null ? JointStage.Snug
        : joint.Torque is not null ? null
        : Natures.Is(joint, Trait.OwnClamp) ? JointStage.Snug
        : joint.Fastener is null && (Natures.Is(joint, Trait.PushedIn) || Natures.Is(joint, Trait.Stud)) ? JointStage.Started
        // A U-bolt: its nuts are what is turned, and they have their own line.
        : joint.Fastener?.Form == FastenerForm.Stud && joint.Holds.SelectMany(id => walk.HoldersOf(id)).Any(nuts => nuts != joint
            && (FastenerText.IsNut(nuts.Fastener?.Form) || Natures.Is(nuts, Trait.Nut))) ? JointStage.Started
        : null;

    /// <summary>True where a joint that takes no torque is as far as it goes.</summary>
    public static bool IsReached(Walk walk, Joint joint, JointState state) =>
        state.Stage is JointStage.Started or JointStage.Snug && Of(walk, joint) is { } done && state.Stage >= done;
}
