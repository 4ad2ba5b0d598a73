using System.Collections.Immutable;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>
/// The clauses of a step that tell somebody to do something and of which nothing came: no action, no question, nothing used, no
/// condition. Most of them are only said ("make sure that it is clean"); where one is not, its author sees it left out.
/// </summary>
public static class PlainWords
{
    /// <summary>The words of those clauses, in order, as they stand in the text.</summary>
    public static ImmutableArray<string> Of(Sheet sheet, Step step)
    {
        if (string.IsNullOrWhiteSpace(step.Text)) return [];
        var names = NameIndex.Of(sheet);
        var text = SentenceReader.WithoutLead(step.Text);
        var finder = new ClauseFinder(text, names);
        var (passages, _) = Passages.Of(text, sheet.Header.Variants);
        var taken = step.Actions.SelectMany(a => (Span[])[a.In, a.At]).Concat(step.Questions.Select(q => q.At)).Concat(step.Residue)
            .Concat(step.Branches.Select(b => b.At)).Where(s => s.Length > 0).ToList();
        var plain = ImmutableArray.CreateBuilder<string>();
        foreach (var clause in finder.Find())
        {
            if (clause.Negated || clause.IsRemark || clause.IsProviso || clause.IsNeed || clause.HasHelper || clause.People > 0
                || clause.Mood is Mood.Beside or Mood.Declarative) continue;
            var at = SentenceReader.PlaceOf(clause, finder.Tokens);
            if (taken.Exists(at.Meets) || passages.Exists(p => p.Advises(at))) continue;
            finder.Fill(clause);
            if (clause.Verb is null && !clause.Nouns.Any(n => !n.IsPronoun) || clause.Nouns.Any(n => IsUsed(n, names, step))) continue;
            var words = at.Of(text).Trim();
            if (words.Length > 0 && !plain.Contains(words) && !IsSpokenOf(step, words)) plain.Add(words);
        }

        return plain.ToImmutable();
    }

    // The author has said what they come to, or that they come to nothing.
    private static bool IsSpokenOf(Step step, string words) => step.Said.Any(s => s.Words.Equals(words, StringComparison.OrdinalIgnoreCase))
        || step.Settled.Any(s => s.Target.Length == 0 && s.Phrase == SentenceReader.KeyOf(words));

    /// <summary>The edit that says of such words that they are only said.</summary>
    public static Edit Settle(Step step, string words) => new SettleQuestion(step.Id, SentenceReader.KeyOf(words), "");

    // "Use a torque wrench": it stands among the tools.
    private static bool IsUsed(NounPhrase noun, NameIndex names, Step step) =>
        noun is { IsPronoun: false, After: null } && names.Resolve(noun.Stems).One is { } known && step.Uses.Contains(known.Id);
}
