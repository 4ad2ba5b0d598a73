using WornPath.Core.Reading;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings;

/// <summary>What steps put on threads and faces.</summary>
internal static class Applied
{
    private static readonly string[] Slippery = ["grease", "oil", "anti-seize", "antiseize", "paste", "lubricant", "copper"];

    /// <summary>What is put on, as the step says it: "grease", "medium threadlocker".</summary>
    public static string What(Walk walk, WalkEvent put) =>
        put.Action.With is { } id && walk.Things.GetValueOrDefault(id) is { } stuff ? stuff.Name : put.Action.Words ?? "it";

    /// <summary>True for what makes a face slippery.</summary>
    public static bool IsSlippery(string what) => Array.Exists(Slippery, s => what.Contains(s, StringComparison.OrdinalIgnoreCase));

    /// <summary>Everything that is put on a joint's threads: on its fasteners, or on the studs its nuts go on.</summary>
    public static IEnumerable<WalkEvent> To(Walk walk, Joint joint)
    {
        foreach (var put in walk.EventsOf(joint.Id))
            if (put.Verb == Verb.Treat) yield return put;
        if (!Natures.Is(joint, Trait.Nut)) yield break;
        foreach (var put in walk.Kept(typeof(Applied), static w => w.Doing(Verb.Treat).Where(e => IsOnStuds(w, e)).ToList()))
            if (OnItsStuds(walk, put, joint)) yield return put;
    }

    private static bool IsOnStuds(Walk walk, WalkEvent put) => put.Thing is Part ? What(walk, put).Contains("locker", StringComparison.OrdinalIgnoreCase)
        : put.Thing is Joint studs ? Natures.Is(studs, Trait.Stud) && studs.Treatment == Treatment.None
        : put.Thing is null && put.Action.Words is { } words && (Natures.Is(words, Trait.Stud)
            || words.EndsWith("threads", StringComparison.OrdinalIgnoreCase) || words.EndsWith("thread", StringComparison.OrdinalIgnoreCase));

    /// <summary>True where what is put on studs or threads is put on those that a joint's nuts go on.</summary>
    public static bool OnItsStuds(Walk walk, WalkEvent put, Joint joint)
    {
        return put.Thing != joint && Natures.Is(joint, Trait.Nut) && IsOnStuds(walk, put) && Next(walk, put.Order) == joint;
    }

    // The nuts that go on next, else those that went on last: what was put on the studs is meant for them.
    private static Joint? Next(Walk walk, int order)
    {
        Joint? before = null;
        foreach (var walked in walk.Doing(Verb.Start, Verb.Snug, Verb.Torque).OrderBy(e => e.Order))
        {
            if (walked.Thing is not Joint nuts || !Natures.Is(nuts, Trait.Nut)) continue;
            if (walked.Order > order && walked.Acted.AnyOut) return nuts;
            if (walked.Order < order) before = nuts;
        }

        return before;
    }
}
