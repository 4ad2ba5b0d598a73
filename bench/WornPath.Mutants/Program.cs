using System.Diagnostics;
using System.Globalization;
using System.Text.RegularExpressions;
using WornPath.Mutants;

// ./mutants [--count 200] [--seed 1] [--in Walking,Findings,Editing] : makes the core wrong in one place at a time and asks the tests.
// The places are chosen by the seed, all switches are built into one copy of the checkout, and each test run turns one of them on.
var count = Option("--count", 200);
var seed = Option("--seed", 1);
string[] folders = [.. (Text("--in") ?? "Walking,Findings,Editing").Split(',')];
var top = Directory.GetCurrentDirectory();
var copy = Directory.CreateTempSubdirectory("wornpath-mutants-").FullName;
foreach (var file in Run(top, "git", "ls-files -z --cached --others --exclude-standard").Output.Split('\0',
    StringSplitOptions.RemoveEmptyEntries).Where(f => File.Exists(Path.Combine(top, f))))
{
    Directory.CreateDirectory(Path.GetDirectoryName(Path.Combine(copy, file))!);
    File.Copy(Path.Combine(top, file), Path.Combine(copy, file));
}

var core = Path.Combine(copy, "src", "WornPath.Core");
List<string> files = [.. folders.SelectMany(f => Directory.GetFiles(Path.Combine(core, f), "*.cs", SearchOption.AllDirectories)).Order(StringComparer.Ordinal)];
var texts = files.ToDictionary(f => f, File.ReadAllText);
#pragma warning disable CA5394 // No secret hangs on which mutants are chosen.
var random = new Random(seed);
var all = files.SelectMany(f => Mutator.SitesOf(f, texts[f])).ToArray();
random.Shuffle(all);
#pragma warning restore CA5394
Console.WriteLine($"{all.Length} places in {files.Count} files; {count} are tried.");
File.WriteAllText(Path.Combine(core, "Mutant.cs"),
    "internal static class Mutant\n{\n    private static readonly int On = "
    + "int.TryParse(System.Environment.GetEnvironmentVariable(\"WORNPATH_MUTANT\"), out var n) ? n : 0;\n\n    public static bool Is(int n) => n == On;\n}\n");

// Some places cannot be switched where they stand; the build says which, and others take their places.
var refused = new HashSet<Site>();
var chosen = new List<Site>();
for (var tries = 0; ; tries++)
{
    foreach (var site in all)
    {
        if (chosen.Count == count) break;
        if (!refused.Contains(site) && !chosen.Exists(c => c == site || c.File == site.File && c.Span.IntersectsWith(site.Span))) chosen.Add(site);
    }

    var numbered = chosen.Select((s, i) => (Number: i + 1, Site: s)).ToList();
    foreach (var file in files) File.WriteAllText(file, Mutator.Rewrite(texts[file], numbered.Where(m => m.Site.File == file)));
    var build = Run(copy, "dotnet",
        "build tests/WornPath.Formats.Tests -v q --nologo -p:TreatWarningsAsErrors=false -p:RunAnalyzers=false -p:EnforceCodeStyleInBuild=false");
    if (build.Code == 0) build = Run(copy, "dotnet",
        "build tests/WornPath.Core.Tests -v q --nologo -p:TreatWarningsAsErrors=false -p:RunAnalyzers=false -p:EnforceCodeStyleInBuild=false");
    if (build.Code == 0) break;
    var bad = 0;
    foreach (Match error in Regex.Matches(build.Output, @"(?<file>/[^\s(]+\.cs)\((?<line>\d+),\d+\): error"))
    {
        var lines = File.ReadAllLines(error.Groups["file"].Value);
        foreach (Match number in Regex.Matches(lines[int.Parse(error.Groups["line"].Value, CultureInfo.InvariantCulture) - 1], @"Mutant\.Is\((\d+)\)"))
            if (refused.Add(chosen[int.Parse(number.Groups[1].Value, CultureInfo.InvariantCulture) - 1])) bad++;
    }

    if (bad == 0 || tries > 12)
    {
        Console.WriteLine(build.Output);
        return 1;
    }

    Console.WriteLine($"{bad} places cannot be switched; others take their places.");
    chosen.RemoveAll(refused.Contains);
}

string Exe(string tests) => Path.Combine(copy, "tests", tests, "bin", "Debug", "net10.0", tests);
// The quickest that find most come first.
bool Killed(int mutant) => Run(copy, Exe("WornPath.Core.Tests"), "-noLogo -stopOnFail -namespace WornPath.Core.Tests.Findings", mutant, 240).Code != 0
    || Run(copy, Exe("WornPath.Core.Tests"),
        "-noLogo -stopOnFail -namespace WornPath.Core.Tests.Walking -namespace WornPath.Core.Tests.Editing -namespace WornPath.Core.Tests.Building",
        mutant, 240).Code != 0
    || Run(copy, Exe("WornPath.Formats.Tests"), "-noLogo -stopOnFail", mutant, 240).Code != 0;
if (Killed(0))
{
    Console.WriteLine("The tests fail without any mutant.");
    return 1;
}

var alive = new System.Collections.Concurrent.ConcurrentBag<int>();
var done = 0;
Parallel.For(1, chosen.Count + 1, new ParallelOptions { MaxDegreeOfParallelism = Option("--at-once", 2) }, n =>
{
    if (!Killed(n))
    {
        alive.Add(n);
        Console.WriteLine($"  alive: {Path.GetRelativePath(copy, chosen[n - 1].File)}:{chosen[n - 1].Line} {chosen[n - 1].What}");
    }

    if (Interlocked.Increment(ref done) % 20 == 0) Console.WriteLine($"{done} of {chosen.Count}, {alive.Count} alive");
});
Console.WriteLine($"{chosen.Count} mutants, {chosen.Count - alive.Count} killed ({100.0 * (chosen.Count - alive.Count) / chosen.Count:0.0} %)");
Directory.Delete(copy, true);
return 0;

string? Text(string name) => Array.IndexOf(args, name) is >= 0 and var at && at + 1 < args.Length ? args[at + 1] : null;

int Option(string name, int usual) => int.TryParse(Text(name), out var value) ? value : usual;

static (int Code, string Output) Run(string folder, string program, string arguments, int mutant = 0, int seconds = 900)
{
    var start = new ProcessStartInfo(program, arguments) { WorkingDirectory = folder, RedirectStandardOutput = true, RedirectStandardError = true };
    start.Environment["WORNPATH_MUTANT"] = mutant.ToString(CultureInfo.InvariantCulture);
    using var process = Process.Start(start)!;
    var error = process.StandardError.ReadToEndAsync();
    var output = process.StandardOutput.ReadToEndAsync();
    // A mutant that never ends is found, too.
    if (!process.WaitForExit(seconds * 1000))
    {
        process.Kill(true);
        return (1, "");
    }

    return (process.ExitCode, output.Result + error.Result);
}
