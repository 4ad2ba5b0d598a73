using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>What is found of a value from an edition before the one the workshop works by.</summary>
internal static class FormerEdition
{
    /// <summary>The message; null where the source cites no edition, or none before the one in force.</summary>
    /// <param name="document">The document the source cites, as the workshop keeps it.</param>
    /// <param name="source">The source as it stands.</param>
    /// <param name="what">What is taken from it, with its verb: "The value of J3 hub nut is".</param>
    public static string? Says(SourceDocument document, string source, string what) => document.FormerIn(source) is not { } former ? null
        : $"{what} from {former.Named} of “{document.Name}”; the workshop works by {Citation.EditionOf(document.Edition)?.Named.TrimEnd('.')}. "
            + "Look it up there, and write its page.";
}
