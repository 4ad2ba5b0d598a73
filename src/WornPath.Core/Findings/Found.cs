using System.Collections;

namespace WornPath.Core.Findings;

/// <summary>What the rules have found so far on one walk.</summary>
public sealed class Found : IEnumerable<Finding>
{
    private readonly List<Finding> _findings = [];
    private Dictionary<Rule, object>? _kept;

    /// <summary>Adds a finding.</summary>
    public void Add(Finding finding) => _findings.Add(finding);

    /// <summary>Adds findings.</summary>
    public void Add(IEnumerable<Finding> findings) => _findings.AddRange(findings);

    /// <summary>All of them, in the order they were found.</summary>
    public IReadOnlyList<Finding> All => _findings;

    /// <summary>True the first time it is asked of this walk, for what a rule says once and not at every place.</summary>
    public bool IsFirst(Rule rule, string what = "") => Kept(rule, static () => new HashSet<string>()).Add(what);

    /// <summary>What a rule keeps from one thing or step of this walk to the next; made when it is first asked for.</summary>
    public T Kept<T>(Rule rule, Func<T> make)
        where T : class
    {
        _kept ??= [];
        if (_kept.TryGetValue(rule, out var kept)) return (T)kept;
        var made = make();
        _kept[rule] = made;
        return made;
    }

    public IEnumerator<Finding> GetEnumerator() => _findings.GetEnumerator();

    IEnumerator IEnumerable.GetEnumerator() => GetEnumerator();
}
