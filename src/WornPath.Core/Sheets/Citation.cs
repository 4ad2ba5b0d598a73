using System.Globalization;
using System.Text.RegularExpressions;

namespace WornPath.Core.Sheets;

/// <summary>An edition of a document as it is cited: a number ("3rd ed.", "issue 2", "rev. 2.1", "2019 edition") or a letter ("rev. B").</summary>
/// <param name="Rank">Its number, or the place of its letter in the alphabet.</param>
/// <param name="IsLetter">True where it is a letter.</param>
/// <param name="Text">As it was written.</param>
public readonly record struct Edition(decimal Rank, bool IsLetter, string Text)
{
    /// <summary>True where this edition came before another. A number and a letter tell nothing of each other, and a year nothing of a count.</summary>
    public bool IsBefore(Edition other) => IsLetter == other.IsLetter && IsYear == other.IsYear && Rank < other.Rank;

    private bool IsYear => !IsLetter && Rank >= 1900;

    /// <summary>As a sentence says it: "the 3rd ed.", "rev. B".</summary>
    public string Named => CountedFirst(Text) ? Text : $"the {Text}";

    // "Ed. 3", "issue 2", "rev. B", "version 4": the number stands behind.
    private static bool CountedFirst(string text) =>
        Array.Exists(["ed", "issue", "rev", "version"], w => text.StartsWith(w, StringComparison.OrdinalIgnoreCase));

    public override string ToString() => Text;
}

/// <summary>A source as it stands beside a value, told apart: the document and its edition.</summary>
/// <param name="Document">The document's name; what stands before its edition, or before the page.</param>
/// <param name="Edition">The edition cited; null where none is.</param>
public sealed partial record Citation(string Document, Edition? Edition)
{
    /// <summary>The first place in it that is named, written one way whoever wrote it: "page 41", "table 3". Empty where none is.</summary>
    public string Place { get; private init; } = "";

    private static readonly string[] Ordinals = ["first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth", "eleventh", "twelfth"];

    // "3rd ed.", "third edition", "2019 edition"; then "ed. 3", "issue 2", "rev. B".
    [GeneratedRegex(@"\b(?:(?<rank>\d{1,3})(?:st|nd|rd|th)|(?<rank>(?:19|20)\d\d)(?=\s+ed)|(?<word>first|second|third|fourth|fifth|sixth|seventh|eighth|ninth|tenth|eleventh|twelfth))\s+(?:ed(?:ition|n)?\b\.?|issue\b|rev(?:ision)?\b\.?)|\b(?:ed(?:ition|n)?\b\.?|issue\b|rev(?:ision)?\b\.?|version\b)\s*(?:no\.?\s*)?(?:(?<rank>\d{1,4}(?:\.\d{1,3})?)|(?<letter>[A-Z]))\b", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Cited();

    [GeneratedRegex(@"(?<![\w.])(?:(?<page>pp?\.?|pages?)|(?<table>tab(?:le)?\.?)|(?<figure>fig(?:ure)?\.?)|(?<section>sect(?:ion)?\.?|§)|(?<chapter>ch(?:apter)?\.?))\s*(?<number>\d+[A-Za-z]?(?:[.\-–]\d+)*)(?!\w)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant | RegexOptions.ExplicitCapture)]
    private static partial Regex PlaceNamed();

    // Where in the document: what comes from here on names no document any more.
    [GeneratedRegex(@"[\s,;:(]+(?:pp?\.|pages?\b|table\b|fig(?:ure)?\b\.?|sect(?:ion)?\b\.?|§|chapter\b|ch\.)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex PlaceBegins();

    /// <summary>What a source names.</summary>
    public static Citation Of(string source)
    {
        var edition = Cited().Match(source);
        var end = edition.Success ? edition.Index : PlaceBegins().Match(source) is { Success: true } place ? place.Index : source.Length;
        return new Citation(Names.Clean(source[..end]).TrimEnd(' ', ',', ';', ':', '(', '-', '–'), edition.Success ? Read(edition) : null)
        {
            Place = PlaceNamed().Match(source, edition.Success ? edition.Index + edition.Length : end) is { Success: true } named ? PlaceOf(named) : "",
        };
    }

    /// <summary>The edition a text is ("3rd ed.", "rev. B"); null where it is none.</summary>
    public static Edition? EditionOf(string text) => Cited().Match(text) is { Success: true } edition ? Read(edition) : null;

    private static string PlaceOf(Match match)
    {
        var kind = ((string[])["page", "table", "figure", "section", "chapter"]).First(k => match.Groups[k].Success);
        return $"{kind} {match.Groups["number"].Value.ToUpperInvariant().Replace('–', '-')}";
    }

    private static Edition Read(Match match)
    {
        if (match.Groups["letter"] is { Success: true } letter) return new Edition(char.ToUpperInvariant(letter.Value[0]) - 'A' + 1, true, match.Value);
        if (match.Groups["word"] is { Success: true } word) return new Edition(Array.IndexOf(Ordinals, word.Value.ToLowerInvariant()) + 1, false, match.Value);
        // Revision 2.10 comes after 2.9: what stands behind the point is a count of its own.
        var parts = match.Groups["rank"].Value.Split('.');
        var minor = parts.Length > 1 ? int.Parse(parts[1], CultureInfo.InvariantCulture) / 1000m : 0;
        return new Edition(int.Parse(parts[0], CultureInfo.InvariantCulture) + minor, false, match.Value);
    }
}
