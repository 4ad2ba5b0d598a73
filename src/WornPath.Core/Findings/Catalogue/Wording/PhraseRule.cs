using System.Text.RegularExpressions;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>A rule that finds a way of saying things: a pattern in a step's text, and what is wrong with it.</summary>
public abstract class PhraseRule : Rule
{
    /// <summary>The phrases.</summary>
    protected abstract Regex Phrases { get; }

    /// <summary>What is wrong with a phrase, and what to write.</summary>
    protected abstract string Says(string phrase);

    public sealed override IEnumerable<Finding> Find(Walk walk)
    {
        for (var i = 0; i < walk.Steps.Count; i++)
            if (Phrases.Match(walk.Steps[i].Text) is { Success: true } found) yield return At(walk.Steps[i], i, null, Says(found.Value));
    }
}
