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

    /// <summary>The ends in words: "front", "front and left"; empty for none.</summary>
    public static string Text(Ends ends) => string.Join(" and ", Enum.GetValues<Ends>().Where(e => e != Ends.None && ends.HasFlag(e)).Select(e =>
        e.ToString().ToLowerInvariant()));
}
