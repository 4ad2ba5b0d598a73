using System.Buffers;
using WornPath.Core.Fasteners;
using WornPath.Core.Sheets;

namespace WornPath.Core.Reading;

/// <summary>Sizes of fasteners as sentences say them: "M8 x 25", "3/8-16 x 1 1/4 in.", "15 mm".</summary>
internal static class FastenerSizes
{
    private static readonly SearchValues<char> Ends = SearchValues.Create("x×-,\"”″ ");

    /// <summary>What tells one from another: the thread without pitch and length ("M8", "3/8"), or the width of the head ("15 mm").</summary>
    public static string Short(string size)
    {
        var text = size.Trim();
        var end = text.AsSpan(1).IndexOfAny(Ends) is var at and >= 0 ? at + 1 : text.Length;
        var first = text[..end];
        if (first[0] is 'm' or 'M') return "M" + first[1..];
        // "1 1/4": the whole number belongs to it.
        if (first.Length == 1 && end < text.Length && text[end] is ' ' or '-' && text.AsSpan(end + 1).IndexOf('/') is > 0 and < 3)
            return $"{first} {Short(text[(end + 1)..])}";
        if (first.EndsWith("mm", StringComparison.OrdinalIgnoreCase)) return $"{first[..^2]} mm";
        return text.EndsWith("mm", StringComparison.OrdinalIgnoreCase) && first.All(char.IsAsciiDigit) ? $"{first} mm" : first;
    }

    /// <summary>Whether a size that is said may be a joint's; null where the joint tells nothing of that kind.</summary>
    public static bool? Same(string said, Joint joint)
    {
        if (said.Length == 0) return null;
        var one = Short(said);
        foreach (var other in Of(joint))
            if (KindOf(one) == KindOf(other)) return one.Equals(other, StringComparison.OrdinalIgnoreCase);
        return null;
    }

    /// <summary>The fastener a noun phrase tells by its size; null where it tells none that is made.</summary>
    public static Fastener? Read(NounPhrase phrase)
    {
        if (phrase.Size.Length == 0 || KindOf(Short(phrase.Size)) is not ('M' or '/')) return null;
        // A length in millimetres goes without its unit in a cell.
        var size = phrase.Size[0] is 'm' or 'M' ? phrase.Size.Replace("mm", "", StringComparison.OrdinalIgnoreCase).Trim() : phrase.Size;
        foreach (var text in new[] { $"{size} {Stem.Of(phrase.Head)}", size })
            if (FastenerText.Parse(text) is { IsGood: true, Value: { Thread: not null } read }) return read;
        return null;
    }

    // As its fastener has it, or as it is called.
    private static IEnumerable<string> Of(Joint joint)
    {
        if (joint.Fastener?.Thread is { } thread) yield return Short(thread.ToString()!);
        if (joint.Fastener?.Drive is { } drive) yield return Short(drive.Size);
        var space = joint.Name.LastIndexOf(' ');
        if (space > 0 && (joint.Name[0] is '#' || char.IsAsciiDigit(joint.Name[0]) || (joint.Name[0] is 'M' && char.IsAsciiDigit(joint.Name[1]))))
            yield return Short(joint.Name[..space]);
    }

    // Threads of one system are held against each other, and widths of heads.
    private static char KindOf(string size) => size[0] is 'M' ? 'M' : size.Contains('/') || size[0] == '#' ? '/' : 'w';
}
