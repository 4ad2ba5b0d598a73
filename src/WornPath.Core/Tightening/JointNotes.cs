using System.Globalization;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tightening;

/// <summary>What the arithmetic says of a joint, in sentences: what stands beside its row.</summary>
public static class JointNotes
{
    /// <summary>The sentences, the weightiest first.</summary>
    public static IEnumerable<string> Of(Joint joint, JointJudgement judgement, TreatmentAdvice advice, HouseRules rules)
    {
        if (judgement.Preload is { } preload)
        {
            yield return string.Create(CultureInfo.InvariantCulture, $"At {judgement.Target} it pulls {preload.TargetKn:0.0} kN, {preload.Utilisation * 100:0} % of its proof load of {preload.ProofKn:0.0} kN; {preload.Low * 100:0} to {preload.High * 100:0} % with the scatter of a hand wrench (K = {preload.NutFactor:0.00}).");
        }
        else if (joint.Torque is { ThenAngle: not null })
        {
            yield return "Not judged: its preload comes from the angle.";
        }
        else if (joint.Torque is { IsAdjustment: true })
        {
            yield return "Not judged: the value sets a bearing, it makes no preload.";
        }
        else if (joint.Torque is not null)
        {
            yield return "Not judged: thread and class are not both known.";
        }

        if (joint.Fastener is { LeftHand: true }) yield return "Left-hand thread: it is tightened counterclockwise and comes undone clockwise.";
        if (joint.Torque is { IsRange: true } range) yield return $"Set to {judgement.Target}, the {(range.IsTolerance ? "value" : EnumWord.Of(rules.Target))} of {range}.";
        if (judgement.IsReduced) yield return $"Reduced by the house rule from {joint.Torque} dry, by the ratio of the nut factors {judgement.DryRatio:0.00}.";
        else if (judgement.DryRatio is { } ratio) yield return string.Create(CultureInfo.InvariantCulture, $"Stated for dry threads and treated: kept as it is; by the ratio of the nut factors it would be {ratio:0.00} of that.");
        if (judgement.Stripping is { } weaker) yield return string.Create(CultureInfo.InvariantCulture, $"The weaker thread is {weaker.What}: it bears {weaker.LoadKn:0.0} kN. {weaker.Advice}").TrimEnd();
        if (judgement.SlotPitch is { } pitch)
        {
            var most = joint.Torque!.SlotWithin is { } within && (double)within < pitch ? (double)within : pitch;
            yield return string.Create(CultureInfo.InvariantCulture, $"Turned on to the next slot: a slot meets the hole every {pitch:0}°, so by at most {most:0}°, never back.");
        }

        if (judgement.PlayMm is { } play) yield return string.Create(CultureInfo.InvariantCulture, $"Backing off {joint.Torque!.Back:0.#}° leaves {play:0.###} mm of axial play.");
        if (joint.Torque is { ThenAngle: { } angle } && angle % 60 == 0) yield return $"Without an angle gauge: {angle / 60:0} flat{(angle == 60 ? "" : "s")} of the hexagon.";
        if (joint.Untorqued is { Flats: null, Contact: null }) yield return $"Snug means: {Quantities.Untorqued.SnugMeans}.";
        if (joint.Locking == Locking.CotterPin && joint.Fastener?.Thread is { } thread && CastleNut.PinOf(thread) is { } pin) yield return $"Cotter pin {pin}.";
        foreach (var why in advice.Why) yield return why;
        if (advice.FullHours is { } hours) yield return $"In this shop it may be handled after {advice.FixtureMinutes} minutes and bears its load after {hours} hours; it bears {advice.HottestCelsius} °C.";
        yield return $"Undone {advice.Undone}.";
    }
}
