using System.Reflection;
using System.Text.RegularExpressions;

namespace WornPath.Core.Tests;

/// <summary>What the pages of docs name is there.</summary>
public partial class DocumentTests
{
    [GeneratedRegex(@"`(?<class>\w+Tests)\.(?<test>\w+)`")]
    private static partial Regex NamedTest();

    [Fact]
    public void Every_test_a_page_names_is_there()
    {
        var tests = Assembly.GetExecutingAssembly().GetTypes().Where(t => t.Name.EndsWith("Tests", StringComparison.Ordinal))
            .SelectMany(t => t.GetMethods().Select(m => $"{t.Name}.{m.Name}")).ToHashSet();
        var named = Directory.EnumerateFiles(Path.Combine(Repository.Root, "docs"), "*.md", SearchOption.AllDirectories)
            .SelectMany(page => NamedTest().Matches(File.ReadAllText(page)).Select(m => $"{m.Groups["class"]}.{m.Groups["test"]}")).Distinct().ToList();
        named.Count.ShouldBeGreaterThan(20);
        named.Where(name => !tests.Contains(name)).ShouldBeEmpty();
    }
}
