using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Which end or side a sentence or a name speaks of.</summary>
public static class WhichEnd
{
    /// <summary>The ends and sides named where an action is said; none where none is.</summary>
    public static Ends Of(Step step, StepAction action)
    {
        var ends = Ends.None;
        foreach (var claim in Claims.Of(step))
        {
            if (claim.Denied || action.In.Length > 0 && !action.In.Begins(claim.At)) continue;
            ends |= claim.Kind switch
            {
                ClaimKind.AtFront => Ends.Front,
                ClaimKind.AtRear => Ends.Rear,
                ClaimKind.AtLeft => Ends.Left,
                ClaimKind.AtRight => Ends.Right,
                _ => Ends.None,
            };
        }

        // What is done over again on the other side is written for the first.
        return action.Side != Side.Other ? ends
            : ends & (Ends.Front | Ends.Rear) | (ends.HasFlag(Ends.Left) ? Ends.Right : Ends.None) | (ends.HasFlag(Ends.Right) ? Ends.Left : Ends.None);
    }

    /// <summary>The ends and sides a thing's name tells; none where it tells none.</summary>
    public static Ends Of(Thing thing) => Of(t => Natures.Is(thing, t));

    /// <summary>The ends and sides words tell of what the sheet has no thing for.</summary>
    public static Ends Of(string words) => Of(t => Natures.Is(words, t));

    private static Ends Of(Func<Trait, bool> tells) => (tells(Trait.AtFront) ? Ends.Front : Ends.None) | (tells(Trait.AtRear) ? Ends.Rear : Ends.None)
        | (tells(Trait.AtLeft) ? Ends.Left : Ends.None) | (tells(Trait.AtRight) ? Ends.Right : Ends.None);

    /// <summary>The end, side or corner as a sentence names it: "rear end", "left side", "left front corner".</summary>
    public static string Named(Ends ends) => (ends & (Ends.Left | Ends.Right), ends & (Ends.Front | Ends.Rear)) switch
    {
        (Ends.None, var end) => $"{Text(end)} end",
        (var side, Ends.None) => $"{Text(side)} side",
        _ => $"{Text(ends)} corner",
    };

    /// <summary>The ends in words: "front", "left front", "front and rear"; empty for none.</summary>
    public static string Text(Ends ends) =>
        string.Join(' ', new[] { Words(ends, Ends.Left, Ends.Right), Words(ends, Ends.Front, Ends.Rear) }.Where(w => w.Length > 0));

    private static string Words(Ends ends, Ends one, Ends other) =>
        string.Join(" and ", new[] { one, other }.Where(e => ends.HasFlag(e)).Select(e => e.ToString().ToLowerInvariant()));
}
