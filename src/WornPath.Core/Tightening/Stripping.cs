using WornPath.Core.Fasteners;

namespace WornPath.Core.Tightening;

/// <summary>What the weaker thread of a joint bears: its nut, or the hole it is screwed into.</summary>
/// <param name="What">Which thread, as a message names it: "the class 8 nut", "the thread in cast aluminium".</param>
/// <param name="LoadKn">Load in kN it bears: the nut's proof load (ISO 898-2), or the load at which the hole strips.</param>
/// <param name="Advice">What would bear the bolt's proof load.</param>
public sealed record Stripping(string What, double LoadKn, string Advice)
{
    /// <summary>The weaker thread of a fastener; null where neither nut class nor hole is known, or the bolt is the weaker.</summary>
    public static Stripping? Of(Fastener? fastener, TappedHole? into)
    {
        if (fastener is not { Thread: { } thread }) return null;
        var proof = fastener.ProofLoadKn();
        if (into is not null)
        {
            var strips = into.StripsAtKn(thread);
            var advice = proof is { } load ? FormattableString.Invariant($"It takes {into.EngagementForMm(thread, load):0} mm of engagement in {into.MaterialName} to bear the proof load of the screw.") : "";
            return new Stripping($"the thread in {into.MaterialName}", strips, advice);
        }

        if (fastener.NutClass is { } nut && NutClass.ProofStress(nut, thread) is { } stress)
        {
            var needed = fastener.Class is { } bolt ? NutClass.For(bolt) : null;
            return new Stripping($"the class {nut} nut", stress * thread.StressAreaMm2 / 1000, needed is null ? "" : $"A {fastener.Class} bolt wants a nut of class {needed}.");
        }

        return null;
    }
}
