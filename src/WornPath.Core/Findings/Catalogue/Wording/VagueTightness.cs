using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD001: "good and tight" is no value.</summary>
public sealed class VagueTightness : PhraseRule
{
    public override RuleInfo Info { get; } = new("WRD001", Severity.Warn, "Vague tightness");

    private protected override ClaimKind Way => ClaimKind.Vague;

    // Where the step tightens one joint, and its value is known, the value stands for the words.
    protected override string? Rewrite(string phrase, Walk walk, int stepIndex)
    {
        var joints = walk.Steps[stepIndex].Actions.Where(a => a.Verb is Verb.Torque or Verb.Snug or Verb.Start).Select(a => walk.Things.GetValueOrDefault(a.Target ?? "") as Joint).Distinct().ToList();
        if (joints is not [{ Torque: { } torque, Variants.IsEmpty: true }]) return null;
        var words = phrase.ToLowerInvariant().Split(' ');
        var value = $"to {torque.Target}";
        return words switch
        {
            ["tighten", "it" or "them", ..] => $"tighten {words[1]} {value}",
            ["tighten", ..] => $"tighten {value}",
            ["nip" or "nipped" or "give" or "securely", ..] => null,
            _ => value,
        };
    }

    protected override string Says(string phrase) => $"“{phrase}” is a different torque in every hand. Give the value with its source, or write snug, which is defined.";
}
