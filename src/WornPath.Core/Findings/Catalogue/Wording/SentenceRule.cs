using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>A rule of style: looks at one sentence at a time and, where it is safe, writes it better.</summary>
public abstract class SentenceRule : Rule
{
    /// <summary>What is wrong with a sentence and how it could be written; null where nothing is. The rewrite is null where only its writer knows.</summary>
    protected abstract (string Message, string? Rewrite)? Look(string sentence, Walk walk);

    public sealed override IEnumerable<Finding> Find(Walk walk)
    {
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            var step = walk.Steps[i];
            foreach (var at in Sentences.Of(step))
            {
                if (Look(at.Of(step.Text), walk) is not var (message, rewrite)) continue;
                yield return At(step, i, null, message, rewrite is null ? null : new Fix($"Write: {NumberExcerpt(rewrite)}", new WriteStep(step.Id, step.Text, step.Text[..at.Start] + rewrite + step.Text[at.End..])));
                // One of a kind in a step is enough; the next shows when it is mended.
                break;
            }
        }
    }

    private static string NumberExcerpt(string text) => text.Length <= 90 ? text : text[..88] + " …";
}
