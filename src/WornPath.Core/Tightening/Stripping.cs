using WornPath.Core.Fasteners;

namespace WornPath.Core.Tightening;

/// <summary>What the weaker thread of a joint bears: its nut, or the hole it is screwed into.</summary>
/// <param name="What">Which thread, as a message names it: "the class 8 nut", "the thread in cast aluminium".</param>
/// <param name="LoadKn">Load in kN it bears: the nut's proof load (ISO 898-2), or the load at which the hole strips.</param>
/// <param name="Advice">What would bear all that the screw bears.</param>
public sealed record Stripping(string What, double LoadKn, string Advice)
{
    /// <summary>The weaker thread of a fastener; null where neither nut class nor hole is known, or the bolt is the weaker.</summary>
    public static Stripping? Of(Fastener? fastener, TappedHole? into)
    {
        if (fastener is not { Thread: { } thread }) return null;
        if (into is not null)
        {
            var strips = into.StripsAtKn(thread);
            // What breaks first should be the screw, not the thread: its tensile load, and the lengths handbooks name.
            var breaks = fastener.Class is { } grade && PropertyClass.TensileStrength(grade, thread) is { } tensile ? tensile * thread.StressAreaMm2 / 1000 : (double?)null;
            var usual = FormattableString.Invariant($"{into.UsualDiameters:0.#} diameters ({into.UsualDiameters * thread.DiameterMm:0} mm) are usual in {into.MaterialName}");
            var advice = breaks is { } load ? FormattableString.Invariant($"It takes {into.EngagementForMm(thread, load):0} mm of engagement there for the screw to break before the thread strips; {usual}.") : $"{Capital(usual)}.";
            return new Stripping($"the thread in {into.MaterialName}", strips, advice);
        }

        if (fastener.NutClass is { } nut && NutClass.ProofStress(nut, thread) is { } stress)
        {
            var needed = fastener.Class is { } bolt ? NutClass.For(bolt) : null;
            return new Stripping($"the {NutClass.Named(nut)} nut", stress * thread.StressAreaMm2 / 1000, needed is null ? "" : $"A {fastener.Class} bolt wants a nut of {NutClass.Named(needed)}.");
        }

        return null;
    }

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];
}
