using System.Collections.Immutable;
using System.Globalization;
using System.Text.RegularExpressions;

namespace WornPath.Core.Tests.Findings;

/// <summary>A whole job as tests/judgement has it: written into an empty sheet by the edits an author makes.</summary>
internal sealed partial class JobText
{
    /// <summary>A fault: what is changed on a job, and where it may be found besides.</summary>
    /// <param name="Kind">What is wrong, in words.</param>
    /// <param name="Changes">Its lines.</param>
    /// <param name="Line">Where it stands in its file.</param>
    internal sealed record Fault(string Kind, ImmutableArray<string> Changes, int Line)
    {
        public bool IsFine => Kind.StartsWith("fine:", StringComparison.Ordinal);

        /// <summary>What is to be found, as rules with their steps; judged by hand, line by line.</summary>
        public string Judged => Changes.FirstOrDefault(c => c.StartsWith("= ", StringComparison.Ordinal))?[2..] ?? "";

        public bool IsAway => Kind.EndsWith("(away)", StringComparison.Ordinal);
    }

    /// <summary>A sheet with a fault, and where the fault may be found.</summary>
    internal sealed record Damaged(Sheet Sheet, ImmutableHashSet<int> Steps, ImmutableHashSet<string> Things);

    private static readonly string Folder = Path.Combine(Repository.Root, "tests", "judgement");

    private readonly string[] _lines;

    private JobText(string name)
    {
        Name = name;
        _lines = File.ReadAllLines(Path.Combine(Folder, name + ".job"));
        Sheet = Make();
    }

    public string Name { get; }

    public Sheet Sheet { get; }

    public static ImmutableArray<JobText> All { get; } = [.. Directory.GetFiles(Folder, "*.job").Order(StringComparer.Ordinal).Select(f =>
        new JobText(Path.GetFileNameWithoutExtension(f)))];

    /// <summary>Its faults, in the order of their file.</summary>
    public IEnumerable<Fault> Faults()
    {
        var lines = File.ReadAllLines(Path.Combine(Folder, Name + ".faults"));
        for (var i = 0; i < lines.Length; i++)
            if (lines[i].StartsWith("# ", StringComparison.Ordinal))
                yield return new Fault(lines[i][2..], [.. lines.Skip(i + 1).TakeWhile(l => !l.StartsWith("# ", StringComparison.Ordinal)).Where(l =>
                    l.Trim().Length > 0)], i + 1);
    }

    private static Sheet Do(Sheet sheet, Edit edit)
    {
        var applied = Editor.Apply(sheet, edit);
        applied.IsGood.ShouldBeTrue($"{edit}: {applied.Problem}");
        return applied.Value.Sheet;
    }

    private static Sheet Set(Sheet sheet, string name, string field, string value)
    {
        if (name == "header") return Do(sheet, new SetField("", field, Fields.Header.Single(f => f.Name == field).Get(sheet.Header), value));
        var thing = sheet.Things.Single(t => t.Name == name);
        return Do(sheet, new SetField(thing.Id, field, Fields.Of(thing.Kind).Single(f => f.Name == field).Get(thing), value));
    }

    private static string Text(string line) => line.Trim().Replace(" / ", "\n", StringComparison.Ordinal);

    private Sheet Make()
    {
        var sheet = Sheet.Empty;
        var later = new List<(string Name, string Field, string Value)>();
        string phase = "", after = "";
        foreach (var line in _lines.Where(l => l.Trim().Length > 0))
        {
            if (line.StartsWith("== ", StringComparison.Ordinal))
            {
                sheet = later.Aggregate(sheet, (s, f) => Set(s, f.Name, f.Field, f.Value));
                later.Clear();
                sheet = Do(sheet, new InsertPhase(null, sheet.Phases.LastOrDefault()?.Id, line[3..]));
                (phase, after) = (sheet.Phases[^1].Id, "");
            }
            else if (phase.Length > 0)
            {
                sheet = Do(sheet, new InsertStep(null, phase, after.Length > 0 ? after : null, Text(line)));
                after = sheet.Phases[^1].Steps[^1].Id;
            }
            else
            {
                var (kind, rest) = (line[..line.IndexOf(' ')], line[(line.IndexOf(' ') + 1)..]);
                if (kind == "sheet") continue;
                if (Fields.Header.Any(f => f.Name == kind))
                {
                    sheet = Set(sheet, "header", kind, rest);
                    continue;
                }

                string[] parts = [.. rest.Split('|').Select(p => p.Trim())];
                sheet = Do(sheet, new AddThing(Enum.Parse<ThingKind>(kind, ignoreCase: true), parts[0], parts.Contains("kit")));
                later.AddRange(parts.Skip(1).Where(p => p != "kit").Select(p => (parts[0], p[..p.IndexOf(' ')], p[(p.IndexOf(' ') + 1)..])));
            }
        }

        return sheet;
    }

    [GeneratedRegex(@"^(?<n>\d+)(?:: (?<text>.+)| > (?<to>\d+)| \+ (?<new>.+))$")]
    private static partial Regex OfStep();

    [GeneratedRegex(@"^(?<name>[^.:]+)\.(?<field>\w+): ?(?<value>.*)$")]
    private static partial Regex OfField();

    /// <summary>The sheet with a fault in it. Numbers are those of the job as it stands.</summary>
    public Damaged With(Fault fault)
    {
        var sheet = Sheet;
        List<Step> steps = [.. Sheet.Steps];
        var touched = new HashSet<string>();
        var things = new HashSet<string>();
        var gone = new List<Step>();
        foreach (var line in fault.Changes)
        {
            if (line.StartsWith("= ", StringComparison.Ordinal)) continue;
            if (line.StartsWith("at ", StringComparison.Ordinal))
            {
                foreach (var at in line[3..].Split(',', StringSplitOptions.TrimEntries))
                    if (int.TryParse(at, NumberStyles.None, CultureInfo.InvariantCulture, out var also)) touched.Add(steps[also - 1].Id);
                    else things.Add(Sheet.Things.Single(t => t.Name == at).Id);
            }
            else if (OfStep().Match(line) is { Success: true } change)
            {
                var n = int.Parse(change.Groups["n"].Value, CultureInfo.InvariantCulture);
                var step = n > 0 ? steps[n - 1] : null;
                if (change.Groups["to"].Success)
                {
                    var to = int.Parse(change.Groups["to"].Value, CultureInfo.InvariantCulture);
                    var behind = to > 0 ? steps[to - 1] : null;
                    var phase = sheet.Phases.First(p => behind is null || p.Steps.Any(s => s.Id == behind.Id));
                    sheet = Do(sheet, new MoveStep(step!.Id, phase.Id, behind?.Id));
                    touched.Add(step.Id);
                }
                else if (change.Groups["new"].Success)
                {
                    var phase = sheet.Phases.First(p => step is null || p.Steps.Any(s => s.Id == step.Id));
                    var before = sheet.Steps.Select(s => s.Id).ToHashSet();
                    sheet = Do(sheet, new InsertStep(null, phase.Id, step?.Id, Text(change.Groups["new"].Value)));
                    touched.Add(sheet.Steps.First(s => !before.Contains(s.Id)).Id);
                }
                else if (change.Groups["text"].Value.Trim() == "-")
                {
                    gone.Add(step!);
                    sheet = Do(sheet, new RemoveStep(step!.Id, step.Text));
                }
                else
                {
                    sheet = Do(sheet, new WriteStep(step!.Id, step.Text, Text(change.Groups["text"].Value)));
                    touched.Add(step.Id);
                }

                things.UnionWith(step?.Actions.SelectMany(a => new[] { a.Target, a.With }).OfType<string>() ?? []);
            }
            else if (OfField().Match(line) is { Success: true } cell)
            {
                sheet = Set(sheet, cell.Groups["name"].Value, cell.Groups["field"].Value, cell.Groups["value"].Value);
                if (sheet.Things.FirstOrDefault(t => t.Name == cell.Groups["name"].Value) is { } thing) things.Add(thing.Id);
            }
            else throw new FormatException($"{Name}: {line}");
        }

        // What was done in a new or rewritten step is about its things, too; a step that went is found at its neighbours.
        foreach (var step in sheet.Steps.Where(s => touched.Contains(s.Id))) things.UnionWith(step.Actions.SelectMany(a =>
            new[] { a.Target, a.With }).OfType<string>());
        List<Step> now = [.. sheet.Steps];
        var places = now.Select((s, i) => (s, i)).Where(x => touched.Contains(x.s.Id)).SelectMany(x => new[] { x.i, x.i + 1, x.i + 2 })
            .Concat(gone.SelectMany(g => new[] { steps.IndexOf(g), steps.IndexOf(g) + 1 }));
        return new Damaged(sheet, [.. places], [.. things]);
    }
}
