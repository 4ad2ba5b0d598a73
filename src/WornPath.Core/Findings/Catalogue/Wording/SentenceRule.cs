using System.Collections.Immutable;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>A rule of style: looks at one sentence at a time and, where it is safe, writes it better.</summary>
public abstract class SentenceRule : StepRule
{
    private sealed record Hit(Span At, string Message, string? Rewrite);

    private readonly Memo<Step, ImmutableArray<Term>, Hit?> _hits;

    protected SentenceRule() => _hits = new Memo<Step, ImmutableArray<Term>, Hit?>(FirstIn);

    /// <summary>What is wrong with a sentence and how it could be written; null where nothing is. The rewrite is null where only its writer knows.</summary>
    /// <param name="sentence">The sentence, its mark included.</param>
    /// <param name="terms">The words the workshop does not write.</param>
    protected abstract (string Message, string? Rewrite)? Look(string sentence, ImmutableArray<Term> terms);

    /// <summary>False where nothing can be wrong with a sentence, told at a glance.</summary>
    protected abstract bool MayConcern(ReadOnlySpan<char> sentence, ImmutableArray<Term> terms);

    protected internal sealed override bool Concerns(Step step, HouseRules rules) =>
        MayConcern(step.Text, rules.Terms) && _hits.Of(step, rules.Terms) is not null;

    protected internal sealed override void Find(Walk walk, int stepIndex, Found found)
    {
        if (_hits.Of(walk.Steps[stepIndex], walk.Workshop.Rules.Terms) is not { } hit) return;
        var step = walk.Steps[stepIndex];
        var fix = hit.Rewrite is { } better ? Fix.Write($"Write: {Short(better)}", step, hit.At, better) : null;
        found.Add(At(step, stepIndex, null, hit.Message, fix));
    }

    private bool MayConcern(string text, ImmutableArray<Term> terms)
    {
        foreach (var at in Sentences.Of(text))
            if (MayConcern(text.AsSpan(at.Start, at.Length), terms)) return true;
        return false;
    }

    // One of a kind in a step is enough; the next shows when it is mended.
    private Hit? FirstIn(Step step, ImmutableArray<Term> terms)
    {
        foreach (var at in Sentences.Of(step.Text))
            if (MayConcern(step.Text.AsSpan(at.Start, at.Length), terms) && Look(at.Of(step.Text), terms) is var (message, rewrite))
                return new Hit(at, message, rewrite);
        return null;
    }

    // Cut between words, where there is a place for it.
    private static string Short(string text) => text.Length <= 90 ? text : text[..(text.LastIndexOf(' ', 88) is > 0 and var blank ? blank : 88)] + " …";
}
