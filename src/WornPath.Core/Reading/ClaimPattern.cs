namespace WornPath.Core.Reading;

/// <summary>What an element of a pattern looks at.</summary>
internal enum ClaimForm
{
    /// <summary>One word of several.</summary>
    Word,

    /// <summary>"...": a few words of the same clause.</summary>
    Gap,

    /// <summary>"~": any words of the same sentence.</summary>
    WideGap,

    /// <summary>"!nut": what must not come next.</summary>
    NotNext,

    /// <summary>",": a comma or a colon stands here.</summary>
    Mark,

    /// <summary>"#": a word that begins with a figure.</summary>
    Number,
}

/// <summary>One element of a pattern: its words, and the beginnings of words.</summary>
internal sealed record ClaimElement(ClaimForm Form, string[] Whole, string[] Prefixes)
{
    public static ClaimElement Parse(string text) => text switch
    {
        "..." => new(ClaimForm.Gap, [], []),
        "~" => new(ClaimForm.WideGap, [], []),
        "," => new(ClaimForm.Mark, [], []),
        "#" => new(ClaimForm.Number, [], []),
        ['!', .. var not] => Of(ClaimForm.NotNext, not),
        _ => Of(ClaimForm.Word, text),
    };

    private static ClaimElement Of(ClaimForm form, string words)
    {
        var all = words.Split('|');
        return new(form, [.. all.Where(w => !w.EndsWith('*'))], [.. all.Where(w => w.EndsWith('*')).Select(w => w[..^1])]);
    }

    /// <summary>True for a word that it allows.</summary>
    public bool Is(ReadOnlySpan<char> word)
    {
        if (Form == ClaimForm.Number) return char.IsAsciiDigit(word[0]);
        foreach (var whole in Whole)
            if (word.Equals(whole, StringComparison.OrdinalIgnoreCase)) return true;
        foreach (var prefix in Prefixes)
            if (word.StartsWith(prefix, StringComparison.OrdinalIgnoreCase)) return true;
        return false;
    }

    /// <summary>What a word it allows is looked up by: itself, or its first letters.</summary>
    public IEnumerable<string> Keys(int letters) => Whole.Concat(Prefixes.Select(p => p[..letters])).Distinct(StringComparer.OrdinalIgnoreCase);
}

/// <summary>Words in an order that say something of a kind.</summary>
internal sealed record ClaimPattern(ClaimKind Kind, bool OpensSentence, ClaimElement[] Elements)
{
    /// <summary>The patterns of a line: one, and one more for each element that may be missing.</summary>
    public static IEnumerable<ClaimPattern> Parse(ClaimKind kind, string line)
    {
        List<List<string>> all = [[]];
        foreach (var piece in line.Split(' ', StringSplitOptions.RemoveEmptyEntries))
        {
            var without = piece.EndsWith('?') ? all.ConvertAll(p => p.ToList()) : [];
            foreach (var pattern in all) pattern.Add(piece.TrimEnd('?'));
            all.AddRange(without);
        }

        return all.Select(p => new ClaimPattern(kind, p[0] == "^", [.. p.Where(e => e != "^").Select(ClaimElement.Parse)]));
    }
}
