using System.Collections.Immutable;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>The fixes that rules share: a sentence put in at the right place.</summary>
internal static class Fixes
{
    /// <summary>A new step with this sentence behind a step; null where the sheet has no steps.</summary>
    public static Fix? InsertAfter(Walk walk, int stepIndex, string title, params ReadOnlySpan<string> sentences)
    {
        if (stepIndex < 0 || stepIndex >= walk.Steps.Count) return null;
        var after = walk.Steps[stepIndex];
        var (phase, _) = walk.PlaceAt(stepIndex);
        return Group(title, phase, after.Id, sentences);
    }

    /// <summary>A new step with this sentence before a step.</summary>
    public static Fix? InsertBefore(Walk walk, int stepIndex, string title, params ReadOnlySpan<string> sentences)
    {
        var (phase, at) = walk.PlaceAt(stepIndex);
        return Group(title, phase, at == 0 ? null : phase.Steps[at - 1].Id, sentences);
    }

    /// <summary>A new step at the end of the sheet.</summary>
    public static Fix? InsertAtEnd(Walk walk, string title, params ReadOnlySpan<string> sentences) =>
        InsertAfter(walk, walk.Steps.Count - 1, title, sentences);

    /// <summary>A new step with this sentence where the job is done and the vehicle not yet driven: before the first drive behind a step, else at the end.</summary>
    public static Fix? InsertBeforeUse(Walk walk, int notBefore, string title, params ReadOnlySpan<string> sentences) =>
        Uses.Of(walk).FirstOrDefault(u => u.Drives && u.StepIndex > Math.Max(notBefore, walk.LastLowering)) is { } use
            ? InsertBefore(walk, use.StepIndex, title, sentences) : InsertAtEnd(walk, title, sentences);

    /// <summary>A new step with this sentence where a thing is put right that a step left open (see <see cref="RefitPlace"/>).</summary>
    public static Fix? PutRight(Walk walk, Thing thing, int notBefore, string title, params ReadOnlySpan<string> sentences) =>
        RefitPlace.Of(walk, thing, notBefore) is var place && place < walk.Steps.Count
            ? InsertBefore(walk, place, title, sentences) : InsertAtEnd(walk, title, sentences);

    /// <summary>Two fixes as one: what is put in place is taken away again. Null where there is no first.</summary>
    public static Fix? And(Fix? first, Fix? second) => first is null || second is null ? first : first with { Edit = new Several(first.Title, [.. Each(second.Edit), .. Each(first.Edit)]) };

    private static IEnumerable<Edit> Each(Edit edit) => edit is Several several ? several.Edits : [edit];

    /// <summary>Moves a step to stand right before another, both by their places from 0.</summary>
    public static Fix MoveBefore(Walk walk, int step, int before)
    {
        var (phase, at) = walk.PlaceAt(before);
        return new Fix($"Move step {step + 1} before step {before + 1}", new MoveStep(walk.Steps[step].Id, phase.Id, at == 0 ? null : phase.Steps[at - 1].Id));
    }

    /// <summary>Moves a step to stand right behind another, both by their places from 0.</summary>
    public static Fix MoveAfter(Walk walk, int step, int after) =>
        new($"Move step {step + 1} behind step {after + 1}", new MoveStep(walk.Steps[step].Id, walk.PlaceAt(after).Phase.Id, walk.Steps[after].Id));

    /// <summary>
    /// The vehicle comes down before a step, by its place from 0 (the number of steps: at the end), and the stands that are under it then
    /// are taken away first.
    /// </summary>
    public static Fix? Lower(Walk walk, int before, string title)
    {
        string[] sentences =
        [
            .. walk.Sheet.Aids.Where(a => Natures.Is(a, Trait.Stand) && walk.AfterStep(a.Id, before - 1).InPlace).Select(a => $"Take {The(a)} away."),
            "Lower the vehicle to the ground.",
        ];
        return before < walk.Steps.Count ? InsertBefore(walk, before, title, sentences) : InsertAtEnd(walk, title, sentences);
    }

    /// <summary>True where all a joint holds is on when a step begins: else it cannot go in there.</summary>
    public static bool CanStart(Walk walk, Joint joint, int stepIndex) => joint.Holds.All(id => walk.AfterStep(id, stepIndex - 1).Part.IsMounted);

    /// <summary>True where something a step is done to is worked on in between, too: the step cannot just stand elsewhere.</summary>
    public static bool IsWorkedOnBetween(Walk walk, Step step, int from, int to) => step.Actions.Any(a => a.Target is { } id
        && walk.EventsOf(id).Any(e => e.Step.Id != step.Id && e.StepIndex >= from && e.StepIndex <= to && e.Verb != Verb.Carry));

    /// <summary>Puts "new" before the words of a step that name a thing; null where none do.</summary>
    public static Fix? SayNew(WalkEvent walked)
    {
        var (text, at) = (walked.Step.Text, walked.Action.At);
        if (at.Start < 0 || at.End > text.Length || at.Length == 0) return null;
        // "the old pin" becomes "the new pin".
        var old = text.AsSpan(0, at.Start).EndsWith("old ", StringComparison.OrdinalIgnoreCase) ? 4 : 0;
        return Fix.Write("Say that it is new", walked.Step, new Span(at.Start - old, old), "new ");
    }

    /// <summary>The sentence's name for a thing: "the" and its name.</summary>
    public static string The(Thing thing) => thing.Name.StartsWith("the ", StringComparison.OrdinalIgnoreCase) ? thing.Name : $"the {thing.Name}";

    private static Fix Group(string title, Phase phase, string? after, ReadOnlySpan<string> sentences)
    {
        var steps = ImmutableArray.CreateBuilder<NewStep>(sentences.Length);
        foreach (var sentence in sentences) steps.Add(new NewStep(null, sentence));
        return new Fix(title, new InsertSteps(phase.Id, after, steps.MoveToImmutable()));
    }
}
