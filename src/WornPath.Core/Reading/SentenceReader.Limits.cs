using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

// Limits that are told of something without a word of measuring: it is measured, and held against them.
public sealed partial class SentenceReader
{
    // "The runout must not exceed 0.05 mm", "make sure the disc is at least 9.0 mm thick", "the minimum thickness is 9.0 mm".
    private bool StatesLimit(Clause clause)
    {
        var asked = clause is { Mood: Mood.Imperative, Verb.Lemma: "make" or "ensure" or "see" };
        if (clause.IsProviso || !(asked || clause.Mood == Mood.Declarative)
            || !(asked || Has(clause, "must", "should", "may", "shall", "minimum", "maximum", "allowed", "permitted"))) return false;
        if (clause.Nouns.FirstOrDefault(n => n is { IsPronoun: false, After: null, Text: not "sure" }) is not { } subject
            || !(IsMeasured(clause, subject) || IsGauge(clause, subject))) return false;
        return Measured(subject, PlaceOf(clause).Of(_text), IsGauge(clause, subject));
    }

    // "Disc: at least 9.0 mm", "disc runout: at most 0.05 mm".
    private bool HeadsLimit(Clause clause, NounPhrase subject)
    {
        if (!EndsWithColon(clause) || !(_refer.Known(subject) is Part || IsQuantity(subject))) return false;
        var behind = _text[_finder.Tokens[clause.To].At.End..EndOfSentence(clause)];
        return Limits.Written(behind).FirstOrDefault() is { } first && behind.TrimStart().StartsWith(first, StringComparison.Ordinal)
            && Measured(subject, behind);
    }

    private static readonly HashSet<string> MeasuredIn =
        ["mm", "cm", "µm", "in", "bar", "psi", "kPa", "MPa", "V", "Ω", "°", "°C", "C", "kg", "N", "%"];

    private bool Measured(NounPhrase subject, string words, bool byGauge = false)
    {
        if (Limits.Find(words) is not { } limits || !(MeasuredIn.Contains(limits.Unit) || byGauge && limits.Unit.Length == 0)) return false;
        _told = true;
        if (_actions.Exists(a => a.Limits == limits)) return true;
        var known = _refer.Known(subject);
        _actions.Add(new StepAction
        {
            Verb = Verb.Measure,
            Target = known?.Id,
            Words = known is null ? Short(subject.Text)
            : null,
            Limits = limits,
            At = subject.At
        });
        if (known is not null) Spoken.Hand([known]);
        return true;
    }

    // A quantity, or a part that is so thick or long.
    private bool IsMeasured(Clause clause, NounPhrase subject) => IsQuantity(subject)
        || Enumerable.Range(clause.From, clause.To - clause.From).Any(i => Trade.Measures.Contains(_finder.Tokens[i].Text)) || _refer.Known(subject) is Part
        && Has(clause, "thick", "long", "wide", "deep", "high", "thinner", "thicker", "shorter", "longer", "narrower", "wider");

    // "The meter should show no less than 12.0 V".
    private static bool IsGauge(Clause clause, NounPhrase phrase) => Trade.Gauges.Contains(phrase.Head) && clause.Verb?.Lemma is "show" or "read" or "indicate";

    private static bool IsQuantity(NounPhrase phrase) => Trade.Measures.Contains(phrase.Head) || phrase.Text.Split(' ').Any(Trade.Measures.Contains);
}
