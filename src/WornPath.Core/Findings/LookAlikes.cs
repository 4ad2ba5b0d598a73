using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>Two joints beside each other that a hand can take for one another, and that are not the same.</summary>
/// <param name="One">The one of the lower number.</param>
/// <param name="Other">The other.</param>
/// <param name="Same">What they share: "M8 thread", "13 mm head".</param>
/// <param name="Differ">What they differ in: "24 N·m and 9 N·m".</param>
public sealed record LookAlike(Joint One, Joint Other, string Same, string Differ)
{
    private static readonly string[] TellingWords = ["upper", "lower", "top", "bottom", "left", "right", "front", "rear", "inner", "outer", "long", "longer", "short", "shorter", "inlet", "outlet", "middle", "centre", "center"];

    /// <summary>All pairs of a walk that are on the same part, or handled in the same step, and that the sheet does not tell apart.</summary>
    public static IEnumerable<LookAlike> Find(Walk walk)
    {
        var seen = new HashSet<(string, string)>();
        foreach (var group in Neighbourhoods(walk))
        {
            for (var i = 0; i < group.Count; i++)
            {
                for (var k = i + 1; k < group.Count; k++)
                {
                    var (a, b) = Number(group[i]) < Number(group[k]) ? (group[i], group[k]) : (group[k], group[i]);
                    if (Compare(a, b) is { } pair && seen.Add((a.Id, b.Id))) yield return pair;
                }
            }
        }
    }

    private static IEnumerable<IReadOnlyList<Joint>> Neighbourhoods(Walk walk)
    {
        foreach (var part in walk.Sheet.Parts)
            if (walk.HoldersOf(part.Id) is { Count: > 1 } list) yield return list;
        var step = -1;
        var together = new List<Joint>();
        foreach (var walked in walk.Events)
        {
            if (walked.Before.Kind != ThingKind.Joint) continue;
            var joint = (Joint)walked.Thing!;
            if (walked.StepIndex != step)
            {
                if (together.Count > 1) yield return together;
                together.Clear();
                step = walked.StepIndex;
            }

            if (!together.Contains(joint)) together.Add(joint);
        }

        if (together.Count > 1) yield return together;
    }

    private static LookAlike? Compare(Joint a, Joint b)
    {
        if (a.Fastener is not { Thread: { } thread } one || b.Fastener is not { Thread: not null } other || !thread.Equals(other.Thread)) return null;
        // The hand tells a nut from a bolt, and a screw head from a hexagon.
        if (FastenerText.IsNut(one.Form) != FastenerText.IsNut(other.Form) || (one.Drive is { } d && other.Drive is { } e && d.Kind != e.Kind)) return null;
        // What is thrown away goes nowhere by mistake.
        if (Told(a, b) || a.Becomes != JointFate.Refit || b.Becomes != JointFate.Refit) return null;
        var values = a.Torque is { } x && b.Torque is { } y && Math.Abs(x.Target.NewtonMetres - y.Target.NewtonMetres) > 0.1 * Math.Max(x.Target.NewtonMetres, y.Target.NewtonMetres);
        var lengths = one.Length is { } l && other.Length is { } m && Math.Abs(l.Millimetres - m.Millimetres) > 0.5;
        if (!values && !lengths) return null;
        var differ = string.Join(" and ", new[] { values ? $"{a.Torque} against {b.Torque}" : null, lengths ? $"{one.Length} long against {other.Length}" : null }.Where(s => s is not null));
        return new LookAlike(a, b, one.Drive is { } drive && drive == other.Drive ? $"{thread}, {drive}" : thread.ToString(), differ);
    }

    private static int Number(Joint joint) => int.TryParse(joint.Id.AsSpan(1), out var number) ? number : int.MaxValue;

    // Told apart by the author's word on both, or by names that say where each is.
    private static bool Told(Joint a, Joint b)
    {
        if (a.Tell.Length > 0 && b.Tell.Length > 0) return true;
        static HashSet<string> Telling(Joint joint) => [.. joint.Name.ToLowerInvariant().Split(' ').Where(TellingWords.Contains)];
        HashSet<string> one = Telling(a), other = Telling(b);
        return one.Count > 0 && other.Count > 0 && !one.SetEquals(other);
    }
}
