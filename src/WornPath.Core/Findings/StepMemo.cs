using System.Runtime.CompilerServices;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>
/// What the rules of wording have found in a step's text, a slot each. Steps are immutable and live on from sheet to sheet and
/// from combination to combination: an edit costs the reading of the step it changed. A walk looks them up once.
/// </summary>
internal sealed class StepNotes
{
    private static readonly ConditionalWeakTable<Step, StepNotes> ByStep = [];
    private static int _slots;

    private object?[] _found = [];

    /// <summary>A slot of its own for a rule.</summary>
    public static int NewSlot() => Interlocked.Increment(ref _slots) - 1;

    /// <summary>The notes of a step.</summary>
    public static StepNotes Of(Step step) => ByStep.GetValue(step, static _ => new StepNotes());

    /// <summary>What is noted in a slot; null where nothing is yet.</summary>
    public object? this[int slot]
    {
        get => slot < _found.Length ? _found[slot] : null;
        set
        {
            // Two walks may note the same at once: each writes what it found itself.
            var found = _found;
            if (slot >= found.Length) Array.Resize(ref found, Math.Max(_slots, slot + 1));
            found[slot] = value;
            _found = found;
        }
    }
}

/// <summary>What one rule finds in a step's text, found once.</summary>
/// <param name="look">What is found in a step, given what else it depends on.</param>
internal sealed class StepMemo<TGiven, T>(Func<Step, TGiven, T> look)
{
    private sealed record Known(TGiven Given, T Found);

    private readonly int _slot = StepNotes.NewSlot();

    /// <summary>What is found in a step of a walk.</summary>
    public T Of(Walk walk, int stepIndex, TGiven given)
    {
        var notes = walk.NotesOf(stepIndex);
        if (notes[_slot] is Known known && EqualityComparer<TGiven>.Default.Equals(known.Given, given)) return known.Found;
        var found = look(walk.Steps[stepIndex], given);
        notes[_slot] = new Known(given, found);
        return found;
    }
}
