using System.Collections.Immutable;
using System.Runtime.CompilerServices;
using WornPath.Core.Sheets;

namespace WornPath.Core.Printing;

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

    /// <summary>The cautions of a step: the author's own, then the usual ones for its actions; those that earlier steps already gave are left out.</summary>
    public static ImmutableArray<Caution> For(Step step, Sheet sheet, ISet<Caution> given)
    {
        if (!Found.TryGetValue(step, out var known) || !known.IsOf(sheet)) Found.AddOrUpdate(step, known = new Known(sheet, OfStep(step, sheet)));
        return known.Cautions.IsEmpty ? [] : [.. known.Cautions.Where(given.Add)];
    }

    // Steps live on from sheet to sheet: what one of them needs is found once, as long as the things it names stay the same.
    private static readonly ConditionalWeakTable<Step, Known> Found = [];

    private sealed record Known(Sheet Sheet, ImmutableArray<Caution> Cautions)
    {
        public bool IsOf(Sheet other) =>
            ReferenceEquals(Sheet, other) || Sheet.SameThings(other);
    }

    private static ImmutableArray<Caution> OfStep(Step step, Sheet sheet)
    {
        var found = new List<Caution>(step.Cautions);
        foreach (var action in step.Actions)
        {
            var name = (action.Target is { } id ? sheet.Find(id)?.Name : action.Words)?.ToLowerInvariant() ?? "";
            switch (action.Verb)
            {
                case Verb.Raise or Verb.SetOnStands:
                    found.Add(Crush);
                    break;
                case Verb.Drain or Verb.Disconnect when name.Contains("hydraulic") || name.Contains("valve line") || name.Contains("pressure"):
                    found.Add(Pressure);
                    break;
                case Verb.Drain:
                    found.Add(HotFluid);
                    break;
                case Verb.Disconnect or Verb.Connect when name.Contains("battery"):
                    found.Add(Battery);
                    break;
            }

            if (action.Target is { } part && sheet.Find(part) is Part p && Natures.Of(p) == PartNature.Brake) found.Add(Brakes);
            if ((name.Contains("roll-over") || name.Contains("rollover") || name.Contains("roll bar")) && action.Verb is not (Verb.Inspect or Verb.Clean)) found.Add(Structure);
        }

        var text = step.Text.ToLowerInvariant();
        if (text.Contains("cleaner") || text.Contains("solvent") || text.Contains("thinner")) found.Add(Cleaner);
        if (text.Contains("hammer") || text.Contains(" drift") || text.Contains("chisel")) found.Add(Hammer);
        return [.. found.Distinct()];
    }
}
