using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>
/// A page of a source document that the workshop keeps as a picture, where it may: who reads a value a second time reads it there, and not on
/// the sheet.
/// </summary>
/// <param name="Source">Document, edition and page as a value cites them ("Service manual T28, 3rd ed., p. 41").</param>
/// <param name="Picture">The picture.</param>
public sealed record SourcePage(string Source, FigurePicture Picture)
{
    /// <summary>How many a workshop keeps at most.</summary>
    public const int Most = 2000;

    /// <summary>The page of a source, or why none can be told from it.</summary>
    /// <param name="source">As a value cites it.</param>
    /// <param name="picture">Its picture.</param>
    /// <param name="documents">The documents the workshop keeps.</param>
    public static Outcome<SourcePage> Check(string source, FigurePicture picture, IEnumerable<SourceDocument> documents)
    {
        var clean = Names.Clean(source);
        var cited = Citation.Of(clean);
        if (clean.Length > 300) return new Problem("The source is too long.", "Keep it to 300 characters, as a value cites it.", "source");
        if (SourceDocument.Cited(documents, clean) is null)
            return new Problem($"“{NumberText.Excerpt(clean)}” cites no document the workshop keeps.",
                "Add the document under Source documents first, or write its name as it stands there.", "source");
        if (cited.Edition is null)
            return new Problem($"“{NumberText.Excerpt(clean)}” names no edition.",
                "Write it as a value cites it, such as 3rd ed., p. 41: another edition has another page.", "source");
        return cited.Place.Length > 0 ? new SourcePage(clean, picture)
            : new Problem($"“{NumberText.Excerpt(clean)}” names no page.", "Write the page or table behind the edition, such as p. 41.", "source");
    }

    /// <summary>The page a source cites; null where it is not kept. Another edition's page is another page.</summary>
    public static SourcePage? For(IEnumerable<SourcePage> pages, string source)
    {
        var cited = Citation.Of(source);
        return cited.Place.Length == 0 ? null : pages.FirstOrDefault(p => p.Is(cited));
    }

    /// <summary>The pages with another in the place of the one that is the same page.</summary>
    public static ImmutableArray<SourcePage> With(ImmutableArray<SourcePage> pages, SourcePage page) => [.. Without(pages, page.Source), page];

    /// <summary>The pages without the one a source cites.</summary>
    public static ImmutableArray<SourcePage> Without(ImmutableArray<SourcePage> pages, string source)
    {
        var cited = Citation.Of(source);
        return pages.RemoveAll(p => p.Is(cited));
    }

    private bool Is(Citation cited) => Citation.Of(Source) is var own && own.Document.Equals(cited.Document, StringComparison.OrdinalIgnoreCase)
        && own.Place == cited.Place && own.Edition?.Rank == cited.Edition?.Rank && own.Edition?.IsLetter == cited.Edition?.IsLetter;
}
