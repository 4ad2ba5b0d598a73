using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Walking;

/// <summary>Ends and sides of a vehicle, several at once.</summary>
[Flags]
public enum Ends : byte
{
    None = 0,
    Front = 1,
    Rear = 2,
    Left = 4,
    Right = 8,
}

/// <summary>Which end or side a sentence speaks of.</summary>
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

        return ends;
    }

    /// <summary>The ends in words: "front", "front and left"; empty for none.</summary>
    public static string Text(Ends ends) => string.Join(" and ", Enum.GetValues<Ends>().Where(e => e != Ends.None && ends.HasFlag(e)).Select(e =>
        e.ToString().ToLowerInvariant()));
}
