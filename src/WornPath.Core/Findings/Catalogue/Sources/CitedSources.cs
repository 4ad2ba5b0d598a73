using WornPath.Core.Editing;
using WornPath.Core.Walking;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>What the sheet cites already, offered where a source is missing: most of it stands on the page of the last value.</summary>
internal static class CitedSources
{
    private const int Most = 3;

    /// <summary>A fix for each source the sheet cites most.</summary>
    public static IEnumerable<Fix> Of(Walk walk, Func<string, Edit> set) => walk.Sheet.Joints.Where(j => !j.IsSecond && !string.IsNullOrWhiteSpace(j.Source))
        .GroupBy(j => j.Source).OrderByDescending(g => g.Count()).Take(Most)
        .Select(c => new Fix($"The same as {string.Join(", ", c.Select(j => j.Id))}: {c.Key}", set(c.Key)));
}
