using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>AGR004: a step puts something on a thread, and Joints has another treatment for it, or none.</summary>
public sealed class OtherTreatmentSaid : AgreementRule
{
    // What a word may mean; "threadlocker" without its strength may be any of the three.
    private static readonly (string Word, Sheets.Treatment[] Means)[] Words =
    [
        ("retaining compound", [Sheets.Treatment.RetainingCompound]),
        ("low threadlocker", [Sheets.Treatment.ThreadlockerLow]),
        ("low strength threadlocker", [Sheets.Treatment.ThreadlockerLow]),
        ("low-strength threadlocker", [Sheets.Treatment.ThreadlockerLow]),
        ("medium threadlocker", [Sheets.Treatment.ThreadlockerMedium]),
        ("medium strength threadlocker", [Sheets.Treatment.ThreadlockerMedium]),
        ("medium-strength threadlocker", [Sheets.Treatment.ThreadlockerMedium]),
        ("high threadlocker", [Sheets.Treatment.ThreadlockerHigh]),
        ("high strength threadlocker", [Sheets.Treatment.ThreadlockerHigh]),
        ("high-strength threadlocker", [Sheets.Treatment.ThreadlockerHigh]),
        ("threadlocker", [Sheets.Treatment.ThreadlockerLow, Sheets.Treatment.ThreadlockerMedium, Sheets.Treatment.ThreadlockerHigh]),
        ("anti-seize", [Sheets.Treatment.AntiSeize]),
        ("antiseize", [Sheets.Treatment.AntiSeize]),
        ("sealant", [Sheets.Treatment.Sealant]),
        ("grease", [Sheets.Treatment.Grease]),
        ("oil", [Sheets.Treatment.Oil]),
    ];

    public override RuleInfo Info { get; } = new("AGR004", Severity.Warn, "Another treatment than in Joints");

    protected internal override bool Concerns(Step step, HouseRules rules) => step.Actions.Any(a => a.Verb == Verb.Treat);

    protected override Said? Differs(Walk walk, Step step, StepAction action, Joint joint)
    {
        if (action.Verb != Verb.Treat) return null;
        // What is put on stands with the action, or is the verb itself: "Oil the bolts".
        var with = $"{action.Words} {(action.With is { } id ? walk.Things.GetValueOrDefault(id)?.Name : "")}".Trim().ToLowerInvariant();
        var said = Words.FirstOrDefault(w => Has(with, w.Word));
        if (said.Means is null || said.Means.Contains(joint.Treatment)) return null;
        // What goes on studs is meant for the nuts that go on them.
        if (joint.Treatment == Sheets.Treatment.None && walk.Doing(Verb.Treat).FirstOrDefault(e => ReferenceEquals(e.Action, action)) is { } put
            && walk.Sheet.Joints.Any(nuts => said.Means.Contains(nuts.Treatment) && Applied.OnItsStuds(walk, put, nuts))) return null;
        return new Said(default, said.Word, joint.Treatment == Sheets.Treatment.None ? "" : EnumWord.Of(joint.Treatment), said.Means.Length == 1 ? "treatment" : "", EnumWord.Of(said.Means[0]), null);
    }

    /// <summary>The treatments words may mean; none where they name none.</summary>
    internal static Sheets.Treatment[] Means(string words) => Words.FirstOrDefault(w => Has(words.ToLowerInvariant(), w.Word)).Means ?? [];

    // Whole words: "oil" is not in "foil".
    private static bool Has(string text, string word)
    {
        for (var at = text.IndexOf(word, StringComparison.Ordinal); at >= 0; at = text.IndexOf(word, at + 1, StringComparison.Ordinal))
            if ((at == 0 || !char.IsLetter(text[at - 1])) && (at + word.Length == text.Length || !char.IsLetter(text[at + word.Length]))) return true;
        return false;
    }
}
