using System.Collections.Immutable;
using WornPath.Core.Sheets;

namespace WornPath.Core.Workshops;

/// <summary>How what a workshop keeps under a name is counted on: one more whenever anything of it is another.</summary>
internal static class Versions
{
    /// <summary>What is written in place of the former, each with its version; what had no former keeps its own.</summary>
    /// <param name="former">All there were.</param>
    /// <param name="written">All there are.</param>
    /// <param name="from">What sheets say of one that they have.</param>
    /// <param name="areAlike">Whether nothing of the later one is another.</param>
    /// <param name="with">One in a version.</param>
    public static ImmutableArray<T> Next<T>(IReadOnlyCollection<T> former, IEnumerable<T> written, Func<T, KeptFrom> from, Func<T, T, bool> areAlike,
        Func<T, int, T> with)
        where T : class => [.. written.Select(one => former.FirstOrDefault(f => from(f).IsOf(from(one).Name)) is not { } was ? one
            : with(one, from(was).Version + (areAlike(was, one) ? 0 : 1)))];
}
