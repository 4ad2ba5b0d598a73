using System.Text.RegularExpressions;

namespace WornPath.Core.Tests;

/// <summary>The folders of the core depend one way: each knows those before it, and none behind it.</summary>
public partial class LayerTests
{
    private static readonly string[] Layers =
    [
        "Quantities", "Fasteners", "Sheets", "Reading", "Cautions", "Editing", "Workshops", "Tightening", "Walking", "Building", "Findings", "Revisions",
        "Printing", "Calculators",
    ];

    [GeneratedRegex(@"^\s*(?:///?|\*).*$|""(?:[^""\\]|\\.)*""", RegexOptions.Multiline)]
    private static partial Regex CommentOrText();

    // "using WornPath.Core.Walking;" and "Walking.Bench" written out; not "thing.Reading" nor the name of a member.
    [GeneratedRegex(@"WornPath\.Core\.(?<folder>\w+)|(?<![\w.])(?<folder>\w+)\.[A-Z]")]
    private static partial Regex Named();

    private static string Core => Path.Combine(Repository.Root, "src", "WornPath.Core");

    [Fact]
    public void Every_folder_has_its_place() => Directory.EnumerateDirectories(Core).Select(d => Path.GetFileName(d)!)
        .Where(d => d is not ("bin" or "obj")).ShouldBe(Layers, ignoreOrder: true);

    [Fact]
    public void No_folder_knows_one_behind_it()
    {
        List<string> wrong = [];
        for (var i = 0; i < Layers.Length; i++)
            foreach (var file in Directory.EnumerateFiles(Path.Combine(Core, Layers[i]), "*.cs", SearchOption.AllDirectories))
                foreach (Match match in Named().Matches(CommentOrText().Replace(File.ReadAllText(file), "")))
                    if (Array.IndexOf(Layers, match.Groups["folder"].Value) > i) wrong.Add($"{Path.GetRelativePath(Core, file)} names {match.Value}");
        wrong.ShouldBeEmpty();
    }

    // What lies in a folder is of its namespace, so that what it uses shows.
    [Fact]
    public void A_file_is_of_the_namespace_of_its_folder()
    {
        foreach (var layer in Layers)
            foreach (var file in Directory.EnumerateFiles(Path.Combine(Core, layer), "*.cs", SearchOption.AllDirectories))
                File.ReadAllText(file).ShouldContain($"namespace WornPath.Core.{layer}", Case.Sensitive, file);
    }
}
