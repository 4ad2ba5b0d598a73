using System.Collections.Immutable;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Cautions;

/// <summary>
/// The cautions that the trade gives for what a step does, in the form ANSI Z535.6 asks for: signal word, hazard, consequence,
/// how to avoid it. Common practice, no source, where no other is named.
/// </summary>
public static class UsualCautions
{
    private static readonly Caution Crush = new(SignalWord.Warning, "The vehicle can slip off a jack.", "It crushes whoever is under it.",
        "Work on level, firm ground. Chock the wheels that stay down. Set it on rated stands before any work, and shake it.");

    private static readonly Caution Pressure = new(SignalWord.Warning, "Hydraulic oil can be under pressure and hot.", "A fine jet goes through skin; that needs a surgeon at once. Hot oil burns.",
        "Stop the engine, lower what is raised, move every lever both ways. Look for leaks with card, never with a hand.");

    private static readonly Caution Brakes = new(SignalWord.Warning, "Work on brakes.", "A wrong assembly lets the vehicle fail to stop.",
        "Follow the vehicle maker’s manual. A qualified person checks the brakes before the vehicle moves.");

    private static readonly Caution Structure = new(SignalWord.Warning, "Work on a protective structure.", "A wrong fastener or torque lets it fail in a roll-over.",
        "Use the fasteners of the kit only. A qualified person checks the structure before the vehicle is used.");

    private static readonly Caution Battery = new(SignalWord.Warning, "A battery gives off gas that explodes, and a short circuit burns.", "Burns and loss of sight.",
        "Keep sparks away. Wear eye protection. Negative lead off first and on last.");

    private static readonly Caution HotFluid = new(SignalWord.Caution, "A drained fluid can be hot.", "It scalds.", "Let it cool. Wear gloves. Catch all of it.");

    private static readonly Caution Cleaner = new(SignalWord.Caution, "Cleaner and its vapour burn and are harmful to breathe.", "Burns, dizziness.", "Open the doors. No flame, no sparks. Wear gloves and eye protection.");

    private static readonly Caution Hammer = new(SignalWord.Caution, "Chips fly off struck parts.", "They injure eyes.", "Wear eye protection.");

    private static readonly Caution Spring = new(SignalWord.Warning, "A compressed spring holds energy.", "It flies out and kills or maims.",
        "Use a compressor rated for the spring. Stand beside it, never in its line.");

    private static readonly Caution HeatGun = new(SignalWord.Caution, "Heated parts stay hot and look cold.", "They burn skin; grease and rubber near them catch fire.", "Wear gloves. Keep an extinguisher at hand. Mark what is hot.");

    private static readonly Caution Cold = new(SignalWord.Caution, "Cooled parts are far below freezing.", "They freeze skin to the metal.", "Wear insulating gloves and eye protection.");

    private static readonly Caution Press = new(SignalWord.Caution, "A pressed part can burst or jump out.", "Splinters injure eyes and hands.", "Wear eye protection. Support the part squarely. Stand beside the press.");

    private static readonly Caution Fuel = new(SignalWord.Danger, "Fuel and its vapour burn.", "A spark sets the work place on fire.", "Engine cold, battery off, no flame. Relieve the pressure first. Have an extinguisher at hand.");

    private static readonly Caution Airbag = new(SignalWord.Danger, "An airbag can fire while it is worked on.", "It strikes with deadly force.", "Battery off, then wait as long as the vehicle maker’s manual says. Carry it with its cover away from you.");

    private static readonly Caution Dust = new(SignalWord.Warning, "Brake dust is harmful to breathe.", "It damages lungs.", "Do not blow it out. Wet it and wipe it up.");

    /// <summary>Heaviest load in kg that one person lifts: the reference mass of ISO 11228-1 (from memory).</summary>
    public const decimal HeaviestForOne = 25;

    private static readonly Caution Heavy = new(SignalWord.Caution, "The part is heavy.", "Lifting it alone injures the back; dropped, it crushes feet.", "Two people or a hoist. Know where it is set down before you lift.");

    /// <summary>The cautions of a step: the author's own, then the usual ones for its actions; those that earlier steps already gave are left out.</summary>
    public static ImmutableArray<Caution> For(Step step, Sheet sheet, ISet<Caution> given)
    {
        var cautions = Found.Of(step, sheet);
        return cautions.IsEmpty ? [] : [.. cautions.Where(given.Add)];
    }

    private static readonly string[] Pressed = ["hydraulic", "valve line", "pressure"];

    // What the words tell beside what is done, and the caution for it.
    private static readonly (ClaimKind Said, Caution Caution)[] Told =
    [
        (ClaimKind.Solvent, Cleaner),
        (ClaimKind.SpringLoad, Spring),
        (ClaimKind.Heat, HeatGun),
        (ClaimKind.Cold, Cold),
        (ClaimKind.Press, Press),
        (ClaimKind.BrakeDust, Dust),
        (ClaimKind.Hammering, Hammer),
    ];

    // They depend on the things the step names.
    private static readonly Memo<Step, Sheet, ImmutableArray<Caution>> Found = new(OfStep, (one, other) => ReferenceEquals(one, other) || one.SameThings(other));

    // The author's own, then the usual ones but those she took off.
    private static ImmutableArray<Caution> OfStep(Step step, Sheet sheet) =>
        Proposed(step, sheet) is var usual && usual.Count + step.Cautions.Length == 0 ? []
        : [.. step.Cautions.Concat(usual.Where(c => step.Dropped.All(d => d.Hazard != c.Hazard))).Distinct()];

    /// <summary>The usual cautions for what a step does, whatever its author made of them.</summary>
    public static IReadOnlyCollection<Caution> Proposed(Step step, Sheet sheet)
    {
        List<Caution> found = [];
        foreach (var action in step.Actions)
        {
            var thing = action.Target is { } id ? sheet.Find(id) : null;
            var name = thing?.Name ?? (action.Target is null ? action.Words : null) ?? "";
            switch (action.Verb)
            {
                case Verb.Raise or Verb.SetOnStands:
                    found.Add(Crush);
                    break;
                case Verb.Drain or Verb.Disconnect when Array.Exists(Pressed, p => name.Contains(p, StringComparison.OrdinalIgnoreCase)):
                    found.Add(Pressure);
                    break;
                case Verb.Drain:
                    found.Add(HotFluid);
                    break;
                case Verb.Disconnect or Verb.Connect when name.Contains("battery", StringComparison.OrdinalIgnoreCase):
                    found.Add(Battery);
                    break;
            }

            if (thing is Part p)
            {
                if (Natures.Of(p) == PartNature.Brake) found.Add(Brakes);
                if (p.MassKg > HeaviestForOne && action.Verb is Verb.Remove or Verb.Fit) found.Add(Heavy);
            }

            if (name.Contains("airbag", StringComparison.OrdinalIgnoreCase)) found.Add(Airbag);
            if (action.Verb is Verb.Disconnect or Verb.Drain && name.Contains("fuel", StringComparison.OrdinalIgnoreCase)) found.Add(Fuel);
            if ((thing is null ? Natures.Is(name, Trait.Protective) : Natures.Is(thing, Trait.Protective))
                && action.Verb is not (Verb.Inspect or Verb.Clean)) found.Add(Structure);
        }

        foreach (var (said, caution) in Told)
            if (Claims.Says(step, said)) found.Add(caution);
        return found;
    }
}
