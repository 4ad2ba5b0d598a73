using System.Diagnostics;
using System.Globalization;
using System.Text.RegularExpressions;
using WornPath.Mutants;

// ./mutants [--count 200] [--seed 1] [--in Walking,Findings,Editing] [--tests Findings,Walking,…] [--seek 2000] :
// makes the core wrong in one place at a time and asks the tests.
// The places are chosen by the seed, all switches are built into one copy of the checkout, and each test run turns one of them on.
// What each class of tests reaches is written down first, so that a mutant is asked only of those that pass by its place, the quickest first.
var count = Option("--count", 200);
const int Alone = 5;
var seed = Option("--seed", 1);
var slow = Option("--slow", 60);
var most = Option("--most", 120);
string[] tests = [.. (Text("--tests") ?? "Findings,Walking,Editing,Building,Revisions,Formats").Split(',')];
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
File.Copy(Path.Combine(top, "bench", "WornPath.Mutants", "Mutant.cs.txt"), Path.Combine(core, "Mutant.cs"));

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
        "build tests/WornPath.Formats.Tests -c Release -v q --nologo -p:TreatWarningsAsErrors=false -p:RunAnalyzers=false -p:EnforceCodeStyleInBuild=false");
    if (build.Code == 0) build = Run(copy, "dotnet",
        "build tests/WornPath.Core.Tests -c Release -v q --nologo -p:TreatWarningsAsErrors=false -p:RunAnalyzers=false -p:EnforceCodeStyleInBuild=false");
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

var atOnce = new ParallelOptions { MaxDegreeOfParallelism = Option("--at-once", 2) };
string Exe(string project) => Path.Combine(copy, "tests", project, "bin", "Release", "net10.0", project);
var classes = new System.Collections.Concurrent.ConcurrentBag<TestClass>();
var broken = new System.Collections.Concurrent.ConcurrentBag<string>();
string[] projects = ["WornPath.Core.Tests", "WornPath.Formats.Tests"];
Parallel.ForEach(projects.SelectMany(p => Run(copy, Exe(p), "-noColor -list classes").Output
    .Split('\n', StringSplitOptions.TrimEntries).Where(c => c.StartsWith("WornPath.", StringComparison.Ordinal))
    .Where(c => tests.Any(t => c.Contains($".{t}.", StringComparison.Ordinal))).Select(c => (Project: p, Name: c))), atOnce, c =>
{
    var list = Path.Combine(copy, c.Name + ".reached");
    var clock = Stopwatch.StartNew();
    var run = Run(copy, Exe(c.Project), $"-noLogo -maxThreads 1 -class \"{c.Name}\"", 0, slow, list);
    // A class that takes too long is asked of nothing, and said; one that reaches no mutant writes no list.
    if (run.Code != 0 && clock.Elapsed.TotalSeconds >= slow) Console.WriteLine($"  left out, longer than {slow} s: {c.Name}");
    else if (run.Code != 0) broken.Add(c.Name);
    else if (File.Exists(list)) classes.Add(new(c.Project, c.Name, clock.Elapsed.TotalSeconds,
        File.ReadAllLines(list).Select(l => int.Parse(l, CultureInfo.InvariantCulture)).ToHashSet()));
});
if (!broken.IsEmpty)
{
    Console.WriteLine($"These tests fail without any mutant: {string.Join(", ", broken)}");
    return 1;
}

Console.WriteLine($"{classes.Count} classes of tests, {classes.Sum(c => c.Seconds):0} s; the slowest: "
    + string.Join(", ", classes.OrderByDescending(c => c.Seconds).Take(12).Select(c => $"{c.Name.Split('.')[^1]} {c.Seconds:0}")));
var alive = new System.Collections.Concurrent.ConcurrentBag<int>();
var found = new System.Collections.Concurrent.ConcurrentDictionary<string, int>();
bool Fails(int mutant, List<TestClass> those) => Run(copy, Exe(those[0].Project),
    $"-noLogo -maxThreads 1 -stopOnFail {string.Join(' ', those.Select(c => $"-class \"{c.Name}\""))}",
    mutant, 30 + (int)(10 * those.Sum(c => c.Seconds))).Code != 0;
var done = 0;
Parallel.For(1, chosen.Count + 1, atOnce, n =>
{
    // The quickest that found most so far come first, a few on their own; then the rest in one go, as far as the time for one mutant goes.
    List<TestClass> reaching = [.. classes.Where(c => c.Reaches.Contains(n)).OrderBy(c => c.Seconds / (1 + found.GetValueOrDefault(c.Name)))];
    var spent = 0.0;
    List<TestClass> asked = [.. reaching.TakeWhile(c => (spent += c.Seconds) <= most)];
    var killer = asked.Take(Alone).FirstOrDefault(c => Fails(n, [c]));
    if (killer is not null) found.AddOrUpdate(killer.Name, 1, (_, times) => times + 1);
    else if (!asked.Skip(Alone).GroupBy(c => c.Project).Any(rest => Fails(n, [.. rest])))
    {
        alive.Add(n);
        Console.WriteLine($"  alive: {Path.GetRelativePath(copy, chosen[n - 1].File)}:{chosen[n - 1].Line} {chosen[n - 1].What}"
            + (reaching.Count == 0 ? " (no test passes by)" : $" ({reaching.Count} classes pass by, {asked.Count} were asked)"));
    }

    if (Interlocked.Increment(ref done) % 20 == 0) Console.WriteLine($"{done} of {chosen.Count}, {alive.Count} alive");
});
if (Option("--seek", 0) is > 0 and var sheets) Seek([.. alive.Order()], sheets);
Console.WriteLine($"{chosen.Count} mutants, {chosen.Count - alive.Count} killed ({100.0 * (chosen.Count - alive.Count) / chosen.Count:0.0} %)");
Directory.Delete(copy, true);
return 0;

// For what stays alive: the shortest of many sheets of which it says something else, and what. To be read, and made a case if it is worth one.
void Seek(int[] those, int many)
{
    string[] Told(int mutant)
    {
        var file = Path.Combine(copy, $"{mutant}.told");
        Run(copy, Exe("WornPath.Core.Tests"), "-noLogo -class \"WornPath.Core.Tests.Findings.Seeking\"", mutant, 600, null,
            ("WORNPATH_SEEK", file), ("WORNPATH_SHEETS", many.ToString(CultureInfo.InvariantCulture)));
        var told = File.Exists(file) ? File.ReadAllText(file).Split('\f') : [];
        File.Delete(file);
        return told;
    }

    var right = Told(0);
    Console.WriteLine($"{right.Length - 1} sheets are told.");
    Parallel.ForEach(those, atOnce, n =>
    {
        var wrong = Told(n);
        var place = $"{Path.GetRelativePath(copy, chosen[n - 1].File)}:{chosen[n - 1].Line} {chosen[n - 1].What}";
        var other = right.Zip(wrong).Where(t => t.First != t.Second).OrderBy(t => t.First.Length).ToList();
        var said = other.Count == 0 ? wrong.Length == right.Length ? "nothing is said otherwise" : "it breaks or does not end"
            : $"{other.Count} sheets are told otherwise, the shortest:\n{other[0].First}  -- with it:\n"
                + string.Join('\n', other[0].Second.Split('\n').Except(other[0].First.Split('\n')).Select(l => "  + " + l)
                    .Concat(other[0].First.Split('\n').Except(other[0].Second.Split('\n')).Select(l => "  − " + l)));
        lock (right) Console.WriteLine($"\n== {place}: {said}");
    });
}

string? Text(string name) => Array.IndexOf(args, name) is >= 0 and var at && at + 1 < args.Length ? args[at + 1] : null;

int Option(string name, int usual) => int.TryParse(Text(name), out var value) ? value : usual;

static (int Code, string Output) Run(string folder, string program, string arguments, int mutant = 0, int seconds = 900,
    string? reached = null, params ReadOnlySpan<(string Name, string Value)> more)
{
    var start = new ProcessStartInfo(program, arguments) { WorkingDirectory = folder, RedirectStandardOutput = true, RedirectStandardError = true };
    start.Environment["WORNPATH_MUTANT"] = mutant.ToString(CultureInfo.InvariantCulture);
    if (reached is not null) start.Environment["WORNPATH_REACHED"] = reached;
    foreach (var (name, value) in more) start.Environment[name] = value;
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

/// <summary>A class of tests.</summary>
/// <param name="Project">The project it stands in.</param>
/// <param name="Name">Its full name.</param>
/// <param name="Seconds">How long it takes.</param>
/// <param name="Reaches">The mutants whose place it passes by.</param>
internal sealed record TestClass(string Project, string Name, double Seconds, IReadOnlySet<int> Reaches);
