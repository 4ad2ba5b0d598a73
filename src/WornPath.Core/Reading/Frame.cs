namespace WornPath.Core.Reading;

/// <summary>One alternative of a verb: the conditions under which it has a sense.</summary>
/// <param name="Object">The preposition before what it is done to, where that is not its direct object.</param>
/// <param name="Control">The control it sets, where the words name none.</param>
internal sealed record Frame(Condition[] Conditions, Sense Sense, string? Object = null, string? Control = null)
{
    /// <summary>Reads "part +on|onto > on" or "off".</summary>
    public static Frame Parse(string text)
    {
        var parts = text.Split('>', StringSplitOptions.TrimEntries);
        // "on@with": done to what stands behind "with"; "set:gear": the gear is set, whatever the words name.
        var control = parts[^1].Split(':');
        var sense = control[0].Split('@');
        return new Frame(parts.Length == 1 ? [] : [.. parts[0].Split(' ', StringSplitOptions.RemoveEmptyEntries).Select(Condition.Parse)], Enum.Parse<Sense>(sense[0], ignoreCase: true), sense.Length > 1 ? sense[1] : null, control.Length > 1 ? control[1].Replace('_', ' ') : null);
    }
}

/// <summary>What a condition looks at.</summary>
internal enum Looks
{
    /// <summary>The way: off or on.</summary>
    Way,

    /// <summary>A word of the clause.</summary>
    Word,

    /// <summary>The last word of the object.</summary>
    Head,

    /// <summary>The kind of the object.</summary>
    Kind,

    /// <summary>A value of a kind.</summary>
    Value,

    /// <summary>It goes where things lie.</summary>
    Rest,
}

/// <summary>One condition of a frame: any of its tests holds, or, with "!" before it, none.</summary>
internal sealed record Condition((Looks Looks, string What)[] Tests, bool Negated)
{
    public static Condition Parse(string text)
    {
        var negated = text[0] == '!';
        var tests = new List<(Looks, string)>();
        var looks = Looks.Kind;
        foreach (var piece in (negated ? text[1..] : text).Split('|'))
        {
            var what = piece;
            if (piece[0] is '+' or '#' or '=' or '~')
            {
                looks = piece[0] switch { '+' => Looks.Word, '#' => Looks.Head, '=' => Looks.Value, _ => Looks.Rest };
                what = piece[1..];
            }
            else if (looks is Looks.Kind or Looks.Way)
            {
                looks = piece is "off" or "on" ? Looks.Way : Looks.Kind;
            }

            tests.Add((looks, looks is Looks.Head ? Stem.Of(what) : what.Replace('_', ' ')));
        }

        return new Condition([.. tests], negated);
    }

    /// <summary>True where it holds for a clause.</summary>
    public bool Holds(IClauseFacts facts)
    {
        foreach (var (looks, what) in Tests)
            if (facts.Has(looks, what)) return !Negated;
        return Negated;
    }
}

/// <summary>What frames may ask of a clause.</summary>
internal interface IClauseFacts
{
    bool Has(Looks looks, string what);
}
