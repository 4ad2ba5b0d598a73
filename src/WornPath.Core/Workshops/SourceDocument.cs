using System.Globalization;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>A document values are taken from, and the edition the workshop works by: the one in force.</summary>
/// <param name="Name">Its name as sources cite it ("Service manual T28").</param>
/// <param name="Edition">The edition in force, as it is cited ("3rd ed.", "rev. B").</param>
public sealed record SourceDocument(string Name, string Edition)
{
    /// <summary>The day, month or year the edition bears ("2026-03"); empty where nobody has said.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public string? Dated { get; init; }

    /// <summary>How many a workshop keeps at most.</summary>
    public const int Most = 500;

    /// <summary>The document, or what is wrong with it.</summary>
    public static Outcome<SourceDocument> Check(SourceDocument document)
    {
        var (name, edition) = (Names.Clean(document.Name), Names.Clean(document.Edition));
        if (name.Length is < 3 or > 120) return new Problem("A document has a name of 3 to 120 characters.", "Write it as sources cite it, such as Service manual T28.", "document");
        if (Citation.EditionOf(edition) is null || edition.Length > 40) return new Problem($"“{NumberText.Excerpt(edition)}” is no edition of {NumberText.Excerpt(name)}.", "Write it as it is cited: 3rd ed., issue 2, rev. B or 2019 edition.", "edition");
        var dated = Names.Clean(document.Dated ?? "");
        if (dated.Length > 0 && !IsDate(dated))
        {
            return new Problem($"“{NumberText.Excerpt(dated)}” is no date of {NumberText.Excerpt(name)}.",
                "Write the year, the month or the day: 2026, 2026-03 or 2026-03-14.", "dated");
        }

        return Citation.EditionOf(name) is null ? new SourceDocument(name, edition) { Dated = dated.Length > 0 ? dated : null }
            : new Problem($"“{NumberText.Excerpt(name)}” names an edition in the document's name.", "Write the edition beside it.", "document");
    }

    private static bool IsDate(string text) => ((string[])["yyyy", "yyyy-MM", "yyyy-MM-dd"]).Any(form =>
        DateOnly.TryParseExact(text, form, CultureInfo.InvariantCulture, DateTimeStyles.None, out var day) && day.Year > 1899);

    /// <summary>Which of the workshop's documents a source cites; null where none. Of "Manual" and "Manual T28" the one that says more is meant.</summary>
    public static SourceDocument? Cited(IEnumerable<SourceDocument> documents, string source) =>
        documents.Where(d => d.IsCitedBy(source)).MaxBy(d => d.Name.Length);

    /// <summary>The edition a source cites, where that came before the one in force; null where it does not, or where the source says none.</summary>
    public Edition? FormerIn(string source) => Citation.EditionOf(Edition) is { } inForce && Citation.Of(source).Edition is { } cited
        && cited.IsBefore(inForce)
        ? cited : null;

    /// <summary>True where a source cites this document.</summary>
    public bool IsCitedBy(string source)
    {
        var at = source.IndexOf(Name, StringComparison.OrdinalIgnoreCase);
        return at >= 0 && (at == 0 || !char.IsLetterOrDigit(source[at - 1])) && (at + Name.Length == source.Length || !char.IsLetterOrDigit(source[at + Name.Length]));
    }
}
