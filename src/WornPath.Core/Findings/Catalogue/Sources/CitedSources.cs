using WornPath.Core.Editing;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>What the sheet cites already, offered where a source is missing: most of it stands on the page of the last value.</summary>
internal static class CitedSources
{
    private const int Most = 3;
    private const int MostNamed = 6;

    private readonly record struct Cited(string Source, string Title);

    /// <summary>A fix for each source the sheet cites most.</summary>
    public static IEnumerable<Fix> Of(Walk walk, Func<string, Edit> set) => MostCited(walk).Select(c => new Fix(c.Title, set(c.Source)));

    private static Cited[] MostCited(Walk walk) => walk.Kept(typeof(CitedSources), static w => w.Sheet.Joints
        .Where(j => !j.IsSecond && !string.IsNullOrWhiteSpace(j.Source)).GroupBy(j => j.Source!).OrderByDescending(g => g.Count()).Take(Most)
        .Select(c => new Cited(c.Key, $"The same as {Named([.. c.Select(j => j.Id)])}: {c.Key}")).ToArray());

    // On a long sheet hundreds of joints stand on one page.
    private static string Named(string[] ids) => ids.Length <= MostNamed ? string.Join(", ", ids)
        : $"{string.Join(", ", ids.Take(MostNamed - 1))} and {ids.Length - MostNamed + 1} more";
}
