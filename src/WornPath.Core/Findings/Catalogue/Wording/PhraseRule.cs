using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>A rule that finds a way of saying things: a pattern in a step's text, and what is wrong with it.</summary>
public abstract class PhraseRule : StepRule
{
    private sealed record Phrase(int Index, int Length, string Value);

    private readonly Memo<Step, Phrase?> _phrases;

    protected PhraseRule() => _phrases = new Memo<Step, Phrase?>(step => Phrases.Match(step.Text) is { Success: true } found ? new Phrase(found.Index, found.Length, found.Value) : null);

    /// <summary>The phrases.</summary>
    protected abstract Regex Phrases { get; }

    /// <summary>What is wrong with a phrase, and what to write.</summary>
    protected abstract string Says(string phrase);

    /// <summary>What could stand in the phrase's place; null where only its writer knows.</summary>
    protected virtual string? Rewrite(string phrase, Walk walk, int stepIndex) => null;

    protected internal sealed override bool Concerns(Step step, HouseRules rules) => _phrases.Of(step) is not null;

    protected internal sealed override void Find(Walk walk, int stepIndex, Found found)
    {
        if (_phrases.Of(walk.Steps[stepIndex]) is not { } phrase) return;
        var step = walk.Steps[stepIndex];
        var fix = Rewrite(phrase.Value, walk, stepIndex) is { } better ? new Fix($"Write “{better}”", new WriteStep(step.Id, step.Text, step.Text[..phrase.Index] + better + step.Text[(phrase.Index + phrase.Length)..])) : null;
        found.Add(At(step, stepIndex, null, Says(phrase.Value), fix));
    }
}
