using WornPath.Core.Workshops;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD001: "good and tight" is no value.</summary>
public sealed class VagueTightness : PhraseRule
{
    public override RuleInfo Info { get; } = new("WRD001", Severity.Warn, "Vague tightness");

    private protected override ClaimKind Way => ClaimKind.Vague;

    // "Clip the belt in and pull hard on each half" tightens nothing; what is nipped up and then torqued is only snug.
    protected override bool IsFine(string phrase, Walk walk, int stepIndex)
    {
        var actions = walk.Steps[stepIndex].Actions;
        var tightened = actions.Where(a => a.Verb is Verb.Torque or Verb.TorquePass or Verb.Snug or Verb.Start or Verb.TurnOn or Verb.Retorque
            && a.Target is not null).ToList();
        return actions.Length > 0 && tightened.Count == 0 || phrase.StartsWith("nip", StringComparison.OrdinalIgnoreCase) && tightened.Count > 0
            && tightened.TrueForAll(a => walk.EventsOf(a.Target!).Any(e => e.StepIndex > stepIndex && e.Verb == Verb.Torque));
    }

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
