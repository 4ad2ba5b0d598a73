using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Building;

/// <summary>
/// The order in which things come off: what holds what and what is behind what, as a graph. A part comes off after the joints
/// that hold it and the parts that cover it; a joint has nothing before it.
/// </summary>
public sealed class RemovalOrder
{
    private readonly Sheet _sheet;
    private readonly Dictionary<string, List<string>> _before = [];

    private RemovalOrder(Sheet sheet)
    {
        _sheet = sheet;
        foreach (var part in sheet.Parts) _before[part.Id] = [.. part.Behind.Where(id => sheet.Find(id) is Part)];
        foreach (var joint in sheet.Joints)
        {
            _before[joint.Id] = [];
            foreach (var id in joint.Holds)
                if (_before.TryGetValue(id, out var list)) list.Add(joint.Id);
        }
    }

    /// <summary>The order of a sheet.</summary>
    public static RemovalOrder Of(Sheet sheet) => new(sheet);

    /// <summary>What must come off before a thing does, directly.</summary>
    public IReadOnlyList<string> Before(string id) => _before.TryGetValue(id, out var list) ? list : [];

    /// <summary>
    /// Everything that must come off to reach a part, and only that, in an order it can come off in; the part itself is last.
    /// Where a circle stands in the way, the circle is the problem.
    /// </summary>
    public Outcome<ImmutableArray<string>> ToReach(string part)
    {
        if (_sheet.Find(part) is not Part) return new Problem($"{part} is no part of the sheet.", "Name one of its parts.");
        var order = ImmutableArray.CreateBuilder<string>();
        var done = new HashSet<string>();
        return Visit([part], done, order) is { } circle ? Broken(circle) : order.ToImmutable();
    }

    /// <summary>All parts and joints in an order they can come off in, as near to the order of the sheet as it goes; or the circle that stands in the way.</summary>
    public Outcome<ImmutableArray<string>> Whole()
    {
        var order = ImmutableArray.CreateBuilder<string>();
        var done = new HashSet<string>();
        return Visit([.. _sheet.Parts.Select(p => p.Id), .. _sheet.Joints.Select(j => j.Id)], done, order) is { } circle ? Broken(circle) : order.ToImmutable();
    }

    /// <summary>Why a part cannot come off first, in one sentence; empty where it can.</summary>
    public string Why(string part)
    {
        if (_sheet.Find(part) is not Part named) return "";
        var reasons = new List<string>();
        var joints = Before(part).Where(id => _sheet.Find(id) is Joint).ToList();
        if (joints.Count > 0) reasons.Add($"is held by {Names(joints)}");
        foreach (var cover in Before(part).Where(id => _sheet.Find(id) is Part))
        {
            var holders = Before(cover).Where(id => _sheet.Find(id) is Joint).ToList();
            reasons.Add($"is behind {_sheet.Find(cover)!.Label}{(holders.Count > 0 ? $" (held by {Names(holders)})" : "")}");
        }

        return reasons.Count == 0 ? "" : $"{named.Label} {string.Join(" and ", reasons)}.";
    }

    private string Names(IReadOnlyList<string> ids) => string.Join(" and ", ids.Select(id => _sheet.Find(id)!.Label));

    // Depth first without recursion, so that a long chain does not break the stack; returns a circle where it meets one.
    private List<string>? Visit(IReadOnlyList<string> roots, HashSet<string> done, ImmutableArray<string>.Builder order)
    {
        var path = new List<string>();
        var onPath = new HashSet<string>();
        var waiting = new Stack<IEnumerator<string>>();
        foreach (var root in roots)
        {
            if (done.Contains(root)) continue;
            Enter(root);
            while (waiting.Count > 0)
            {
                if (waiting.Peek().MoveNext())
                {
                    var next = waiting.Peek().Current;
                    if (onPath.Contains(next)) return [.. path.SkipWhile(id => id != next)];
                    if (!done.Contains(next)) Enter(next);
                    continue;
                }

                waiting.Pop();
                var left = path[^1];
                path.RemoveAt(path.Count - 1);
                onPath.Remove(left);
                if (done.Add(left)) order.Add(left);
            }
        }

        return null;

        void Enter(string id)
        {
            path.Add(id);
            onPath.Add(id);
            waiting.Push(((IEnumerable<string>)Before(id)).GetEnumerator());
        }
    }

    private Problem Broken(List<string> circle)
    {
        var things = circle.Select(id => _sheet.Find(id)!).ToList();
        // Each behind the next, and the last behind the first.
        var round = string.Concat(things.Select((t, i) =>
            $"{(i == 0 ? t.Label : ", which")} {t.Or("is", "are")} behind {things[(i + 1) % things.Count].Label}"));
        return new Problem(
            $"None of these can come off first: {round}.",
            "Look which of them does come off first, and take what it is “behind” out in Joints, "
                + $"such as {things[0].Label} behind {things[things.Count > 1 ? 1 : 0].Label}.");
    }
}
