using System.Buffers;
using System.Collections.Immutable;
using System.Text.RegularExpressions;
using WornPath.Core.Reading;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>WRD006: the condition stands behind the instruction: who reads and does at once has done it by then (ASD-STE100, condition first, from memory).</summary>
public sealed partial class ConditionAfter : SentenceRule
{
    public override RuleInfo Info { get; } = new("WRD006", Severity.Hint, "Condition after the action");

    [GeneratedRegex(@"^(?<act>(?<verb>\p{L}+)\b[^,:]*?)\s+(?<when>(?:if|when|once|only if|only when) [^,:]+?)(?<stop>[.!]?)$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Behind();

    private static readonly string[] Asks = ["check", "see", "note", "look", "tell", "ask", "feel", "verify", "inspect", "measure"];

    // Its words cannot stand first: a condition that does is where it belongs.
    private static readonly SearchValues<string> Whens = SearchValues.Create([" if ", " when ", " once ", " only "], StringComparison.OrdinalIgnoreCase);

    protected override bool MayConcern(ReadOnlySpan<char> sentence, ImmutableArray<Term> terms) => sentence.ContainsAny(Whens);

    protected override (string Message, string? Rewrite)? Look(string sentence, ImmutableArray<Term> terms)
    {
        if (Behind().Match(sentence) is not { Success: true } found) return null;
        var verb = found.Groups["verb"].Value.ToLowerInvariant();
        // "Check if the seal is dry" asks; it sets no condition.
        if (!Trade.IsBase(verb) || Array.IndexOf(Asks, verb) >= 0) return null;
        return ("The condition stands behind the instruction. Who reads and does at once has done it before reading when.", $"{Sentences.Capital(found.Groups["when"].Value)}, {Sentences.Small(found.Groups["act"].Value)}{found.Groups["stop"].Value}");
    }
}
