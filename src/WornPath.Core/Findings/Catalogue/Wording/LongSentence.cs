using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD003: a sentence of an instruction is longer than twenty words (ASD-STE100, rule for procedures, from memory).</summary>
public sealed class LongSentence : Rule
{
    /// <summary>The most words of a sentence that instructs.</summary>
    public const int MostWords = 20;

    public override RuleInfo Info { get; } = new("WRD003", Severity.Hint, "Long sentence");

    public override IEnumerable<Finding> Find(Walk walk)
    {
        for (var i = 0; i < walk.Steps.Count; i++)
        {
            if (walk.Steps[i].Text.Length < MostWords * 2) continue;
            foreach (var sentence in walk.Steps[i].Text.Split(['.', '!', '?', '\n', ';'], StringSplitOptions.RemoveEmptyEntries))
            {
                var words = sentence.Split(' ', StringSplitOptions.RemoveEmptyEntries).Count(w => w.Any(char.IsLetter));
                if (words <= MostWords) continue;
                yield return At(walk.Steps[i], i, null, $"A sentence of {words} words; twenty are what a reader keeps with a wrench in hand. Split it: one instruction a sentence.");
                break;
            }
        }
    }
}
