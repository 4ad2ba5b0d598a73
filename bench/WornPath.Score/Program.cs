using WornPath.Score;

// How the sentences of a corpus are read: `./score [FOLDER] [--list] [--jobs a1,b2]`.
if (args is ["--say", ..])
{
    // Sentences one behind the other on a blank sheet, or "--on" one that has some things, with what each was read as.
    var on = args is [_, "--on", ..];
    CorpusScore.Say(args[(on ? 3 : 1)..], on ? args[2] : "");
    return;
}

if (args is ["--tellings", .. var files])
{
    // Ways of telling, each on a sheet of its own, held against what is meant; those that are read otherwise are printed.
    var all = files.SelectMany(f => Told.In(File.ReadLines(f))).ToList();
    var otherwise = all.Select(told => (Told: told, Read: told.Read())).Where(t => t.Read.Said != t.Told.Meant).ToList();
    foreach (var (told, (said, clauses)) in otherwise)
        Console.WriteLine($"{string.Join(" | ", told.Steps)}\n   want {told.Meant}\n   got  {said}{string.Concat(clauses.Select(c => $"\n      · {c}"))}");
    Console.WriteLine($"{all.Count} tellings, {otherwise.Count} read otherwise");
    return;
}

var folder = args.FirstOrDefault(a => !a.StartsWith("--", StringComparison.Ordinal) && Directory.Exists(a)) ?? "tests/corpus";
var list = args.Contains("--list");
var jobs = args.SkipWhile(a => a != "--jobs").Skip(1).FirstOrDefault()?.Split(',');
Func<string, bool>? only = jobs is null ? null : name => jobs.Contains(name);
var scored = CorpusScore.Of(folder, only).ToList();
string Share(IReadOnlyCollection<Scored> of, Verdict verdict) => $"{100.0 * of.Count(s => s.Verdict == verdict) / of.Count,5:0.0} %";
void Row(string name, IReadOnlyCollection<Scored> of) =>
    Console.WriteLine($"{name,-6} {of.Count,4} steps  right {Share(of, Verdict.Right)}  asked {Share(of, Verdict.Asked)}  silently wrong {Share(of, Verdict.Wrong)}  silently unread {Share(of, Verdict.Unread)}  right in the end {100.0 * of.Count(s => s.Bad.Count == 0) / of.Count,5:0.0} %");
foreach (var job in scored.GroupBy(s => s.Job)) Row(job.Key, [.. job]);
Row("ALL", scored);
var (named, known, missing) = CorpusScore.Tools(folder, only);
Console.WriteLine($"tools named that the sheet knows: {known} of {named}");
int Marked(Func<Scored, bool> of) => scored.Count(s => of(s) && s.Plain.Count > 0);
bool LeftOut(Scored s) => s.Verdict is Verdict.Wrong or Verdict.Unread && s.Bad.Any(b => b.StartsWith("missing", StringComparison.Ordinal));
static bool IsRight(Scored s) => s.Verdict == Verdict.Right;
Console.WriteLine($"steps of which something was left out that show words doing nothing: {Marked(LeftOut)} of {scored.Count(LeftOut)}; "
    + $"right ones: {Marked(IsRight)} of {scored.Count(IsRight)}");
if (list)
{
    Console.WriteLine($"not known: {string.Join("; ", missing)}");
    foreach (var s in scored.Where(s => s.Verdict != Verdict.Right || args.Contains("--all")))
        Console.WriteLine($"{s.Job}:{s.Number} {s.Verdict}: {s.Text}\n     BAD {string.Join(" | ", s.Bad)}  ASKED {string.Join(" | ", s.Asked)}\n     GOT {s.Read}{string.Concat(s.Clauses.Select(c => $"\n       · {c}"))}{string.Concat(s.Plain.Select(p => $"\n     SAYS “{p}”"))}");
}
