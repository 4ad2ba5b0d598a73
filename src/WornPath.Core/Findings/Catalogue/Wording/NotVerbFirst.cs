using System.Collections.Frozen;
using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Reading;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD005: an instruction that does not begin with its verb: "you should remove …", "the bolts are removed" (ASD-STE100, the imperative, from memory).</summary>
public sealed partial class NotVerbFirst : SentenceRule
{
    public override RuleInfo Info { get; } = new("WRD005", Severity.Hint, "No verb first");

    [GeneratedRegex(@"^(?:now |then |next,? |please |so )*(?:you|we|one)(?:'ll| will| should| must| can| may| want to| need to| have to| are going to)?\s+(?<rest>(?<verb>\p{L}+)\b.*)$|^(?:please|now|then|next,?|go ahead and)\s+(?<rest>(?<verb>\p{L}+)\b.*)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.Singleline)]
    private static partial Regex Addressed();

    [GeneratedRegex(@"^(?<what>the [^,:]+?) (?:is|are|should be|must be|has to be|have to be|needs? to be|is to be|are to be) (?<done>\p{L}+)(?<rest>[^,:]*)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Passive();

    private static readonly Dictionary<string, string> Done = new(StringComparer.OrdinalIgnoreCase)
    {
        ["removed"] = "remove",
        ["loosened"] = "loosen",
        ["tightened"] = "tighten",
        ["torqued"] = "torque",
        ["fitted"] = "fit",
        ["installed"] = "install",
        ["refitted"] = "refit",
        ["disconnected"] = "disconnect",
        ["connected"] = "connect",
        ["drained"] = "drain",
        ["filled"] = "fill",
        ["cleaned"] = "clean",
        ["checked"] = "check",
        ["inspected"] = "inspect",
        ["replaced"] = "replace",
        ["renewed"] = "renew",
        ["marked"] = "mark",
        ["measured"] = "measure",
        ["snugged"] = "snug",
    };

    // "The …" may be passive; anything else begins with a person or a filler.
    private static readonly FrozenSet<string>.AlternateLookup<ReadOnlySpan<char>> Openings =
        new[] { "the", "you", "we", "one", "now", "then", "next", "next,", "please", "so", "go" }
            .ToFrozenSet(StringComparer.OrdinalIgnoreCase).GetAlternateLookup<ReadOnlySpan<char>>();

    protected override bool MayConcern(ReadOnlySpan<char> sentence, ImmutableArray<Term> terms) =>
        sentence.IndexOfAny(' ', '\'') is var end and > 0 && Openings.Contains(sentence[..end]);

    protected override (string Message, string? Rewrite)? Look(string sentence, ImmutableArray<Term> terms)
    {
        if (Addressed().Match(sentence) is { Success: true } said && Trade.IsBase(said.Groups["verb"].Value.ToLowerInvariant()))
            return ("An instruction begins with its verb: what to do is read first.", Sentences.Capital(said.Groups["rest"].Value));
        if (Passive().Match(sentence) is { Success: true } passive && Done.TryGetValue(passive.Groups["done"].Value, out var verb))
            return ($"“{passive.Groups["done"].Value}” says what happens, not what to do. An instruction begins with its verb.", $"{Sentences.Capital(verb)} {Sentences.Small(passive.Groups["what"].Value)}{passive.Groups["rest"].Value}");
        return null;
    }
}
