using ArchUnitNET.Domain;
using ArchUnitNET.Loader;
using static ArchUnitNET.Fluent.ArchRuleDefinition;

namespace WornPath.Web.Tests;

/// <summary>Dependencies point one way: Web → Store, Formats → Core.</summary>
public class DependencyTests
{
    private static readonly Architecture Whole = new ArchLoader()
        .LoadAssemblies(typeof(Core.Problem).Assembly, typeof(Formats.ProcedureFile).Assembly, typeof(Store.WornPathDb).Assembly, typeof(Program).Assembly).Build();

    [Theory]
    [InlineData("WornPath.Core", "WornPath.Formats", "WornPath.Store", "WornPath.Web")]
    [InlineData("WornPath.Formats", "WornPath.Store", "WornPath.Web")]
    [InlineData("WornPath.Store", "WornPath.Formats", "WornPath.Web")]
    public void A_layer_does_not_know_what_stands_on_it(string layer, params string[] above)
    {
        foreach (var other in above)
        {
            var rule = Types().That().ResideInAssemblyMatching($"^{layer}(,|$)").Should().NotDependOnAny(Types().That().ResideInAssemblyMatching($"^{other}(,|$)"));
            rule.HasNoViolations(Whole).ShouldBeTrue(string.Join(Environment.NewLine, rule.Evaluate(Whole).Where(e => !e.Passed).Select(e => e.Description)));
        }
    }

    [Fact]
    public void The_core_stands_on_the_base_library_alone_and_reads_no_clock_and_no_file()
    {
        typeof(Core.Problem).Assembly.GetReferencedAssemblies().ShouldAllBe(a => a.Name!.StartsWith("System.") || a.Name == "netstandard");
        var touched = Whole.Types.Where(t => t.Assembly.Name.StartsWith("WornPath.Core")).SelectMany(t => t.Dependencies).Select(d => d.Target.FullName).ToHashSet();
        foreach (var outside in (string[])["System.IO.File", "System.Net.Http.HttpClient", "System.Threading.Thread", "System.Diagnostics.Process"]) touched.ShouldNotContain(outside);
    }
}
