using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>A rule that finds a way of saying things: a pattern in a step's text, and what is wrong with it.</summary>
public abstract class PhraseRule : Rule
{
    private sealed record Phrase(int Index, int Length, string Value);

    private readonly StepMemo<int, Phrase?> _phrases;

    protected PhraseRule() => _phrases = new StepMemo<int, Phrase?>((step, _) => Phrases.Match(step.Text) is { Success: true } found ? new Phrase(found.Index, found.Length, found.Value) : null);

    /// <summary>The phrases.</summary>
    protected abstract Regex Phrases { get; }

    /// <summary>What is wrong with a phrase, and what to write.</summary>
    protected abstract string Says(string phrase);

    /// <summary>What could stand in the phrase's place; null where only its writer knows.</summary>
    protected virtual string? Rewrite(string phrase, Walk walk, int stepIndex) => null;

    public sealed override IEnumerable<Finding> Find(Walk walk)
    {
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            if (_phrases.Of(walk, i, 0) is not { } found) continue;
            var fix = Rewrite(found.Value, walk, i) is { } better ? new Fix($"Write “{better}”", new WriteStep(step.Id, step.Text, step.Text[..found.Index] + better + step.Text[(found.Index + found.Length)..])) : null;
            yield return At(step, i, null, Says(found.Value), fix);
        }
    }
}
