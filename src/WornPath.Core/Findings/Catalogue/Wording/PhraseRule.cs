using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>A rule that finds a way of saying things: words in a step, and what is wrong with it.</summary>
public abstract class PhraseRule : StepRule
{
    /// <summary>What the words say.</summary>
    private protected abstract ClaimKind Way { get; }

    /// <summary>What is wrong with a phrase, and what to write.</summary>
    protected abstract string Says(string phrase);

    /// <summary>True where the words are right as they stand.</summary>
    protected virtual bool IsFine(string phrase, Walk walk, int stepIndex) => false;

    /// <summary>What could stand in the phrase's place; null where only its writer knows.</summary>
    protected virtual string? Rewrite(string phrase, Walk walk, int stepIndex) => null;

    protected internal sealed override bool Concerns(Step step, HouseRules rules) => Claims.First(step, Way) is not null;

    protected internal sealed override void Find(Walk walk, int stepIndex, Found found)
    {
        var step = walk.Steps[stepIndex];
        if (Claims.First(step, Way) is not { At: var at }) return;
        var phrase = at.Of(step.Text);
        if (IsFine(phrase, walk, stepIndex)) return;
        var fix = Rewrite(phrase, walk, stepIndex) is { } better ? Fix.Write($"Write “{better}”", step, at, better) : null;
        found.Add(At(step, stepIndex, null, Says(phrase), fix));
    }
}
