using System.Globalization;
using System.Text.Json;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Score;

/// <summary>How a step was read against what a careful mechanic takes from it.</summary>
public enum Verdict
{
    /// <summary>What was read is what is meant, and nothing was asked.</summary>
    Right,

    /// <summary>Something was asked.</summary>
    Asked,

    /// <summary>Read otherwise, and nothing was asked.</summary>
    Wrong,

    /// <summary>The words change the state, nothing was read, and nothing was asked.</summary>
    Unread,
}

/// <summary>A step of a corpus and how it was read.</summary>
public sealed record Scored(string Job, int Number, string Text, Verdict Verdict, IReadOnlyList<string> Bad, IReadOnlyList<string> Asked, string Read, IReadOnlyList<string> Clauses)
{
    /// <summary>Words of the step that are shown as doing nothing.</summary>
    public IReadOnlyList<string> Plain { get; init; } = [];
}

/// <summary>
/// Types the jobs of a corpus into a new sheet each, step by step, as an author would, and holds what was read against their
/// readings (the format of tests/corpus/README.md). The count is that of the tool that counts over a running server.
/// </summary>
public static partial class CorpusScore
{
    private static readonly Dictionary<string, string> Group = new()
    {
        ["breakLoose"] = "slack",
        ["loosen"] = "slack",
        ["backOff"] = "backOff",
        ["takeOut"] = "off",
        ["remove"] = "off",
        ["hangAside"] = "aside",
        ["setAside"] = "aside",
        ["discard"] = "discard",
        ["start"] = "on",
        ["fit"] = "on",
        ["snug"] = "snug",
        ["torque"] = "torque",
        ["torquePass"] = "torque",
        ["retorque"] = "torque",
        ["turnOn"] = "turn",
        ["align"] = "turn",
        ["insertPin"] = "pin",
        ["removePin"] = "unpin",
        ["stake"] = "lock",
        ["lock"] = "lock",
        ["unlock"] = "unlock",
        ["mark"] = "mark",
        ["seat"] = "seat",
        ["disconnect"] = "open",
        ["connect"] = "close",
        ["drain"] = "drain",
        ["fill"] = "fill",
        ["checkLevel"] = "level",
        ["place"] = "place",
        ["takeAway"] = "away",
        ["raise"] = "raise",
        ["setOnStands"] = "stands",
        ["lowerToTouch"] = "lower",
        ["lower"] = "lower",
        ["pumpBrakes"] = "pump",
        ["inspect"] = "look",
        ["measure"] = "look",
        ["functionCheck"] = "look",
        ["clean"] = "clean",
        ["treat"] = "treat",
        ["wait"] = "wait",
        ["adjust"] = "adjust",
        ["set"] = "set",
        ["repeat"] = "repeat",
        ["say"] = "say",
    };

    private static readonly HashSet<string> Soft = ["look", "clean", "say", "seat", "treat", "wait", "aside", "discard", "adjust", "mark"];

    private sealed record Fact(string Group, string To, string Torque, bool Conditional, string Verb);

    [GeneratedRegex("[a-z0-9]+")]
    private static partial Regex WordPattern();

    [GeneratedRegex("(?:es|s)$")]
    private static partial Regex PluralPattern();

    [GeneratedRegex(@"\d+(?:\.\d+)?")]
    private static partial Regex NumberPattern();

    /// <summary>Every step of the jobs in a folder.</summary>
    public static IEnumerable<Scored> Of(string folder, Func<string, bool>? only = null)
    {
        foreach (var file in Directory.EnumerateFiles(folder, "*.jsonl").Order(StringComparer.Ordinal))
            if (only is null || only(Path.GetFileNameWithoutExtension(file)))
                foreach (var scored in Job(file)) yield return scored;
    }

    /// <summary>Tools the jobs of a folder name, and how many of them the sheets know afterwards.</summary>
    public static (int Named, int Known, IReadOnlyList<string> Missing) Tools(string folder, Func<string, bool>? only = null)
    {
        var (named, known) = (0, 0);
        var missing = new List<string>();
        foreach (var file in Directory.EnumerateFiles(folder, "*.jsonl").Where(f => only is null || only(Path.GetFileNameWithoutExtension(f))))
        {
            var rows = Rows(file).ToList();
            var sheet = Typed(rows).Sheet;
            var names = string.Join(' ', sheet.Things.Select(t => t.Name.ToLowerInvariant()));
            foreach (var tool in rows.SelectMany(r => r.GetProperty("does").EnumerateArray()).Where(d => d.TryGetProperty("with", out var w) && w.ValueKind == JsonValueKind.Array)
                .SelectMany(d => d.GetProperty("with").EnumerateArray().Select(w => w.GetString()!.ToLowerInvariant())).Distinct())
            {
                named++;
                if (Stems(tool).All(s => names.Contains(s, StringComparison.Ordinal))) known++;
                else missing.Add($"{Path.GetFileNameWithoutExtension(file)}: {tool}");
            }
        }

        return (named, known, missing);
    }

    /// <summary>Prints what sentences are read as, on a sheet that has some things: "part cover; joint cover bolts, 4, cover".</summary>
    public static void Say(IEnumerable<string> sentences, string has = "")
    {
        var sheet = Editor.Apply(Sheet.Empty, new InsertPhase("h1", null, "Work")).Value.Sheet;
        foreach (var thing in has.Split(';', StringSplitOptions.TrimEntries | StringSplitOptions.RemoveEmptyEntries)) sheet = Having(sheet, thing);
        foreach (var sentence in sentences)
        {
            sheet = Editor.Apply(sheet, new InsertStep(null, "h1", sheet.Steps.LastOrDefault()?.Id, sentence)).Value.Sheet;
            var step = sheet.Steps.Last();
            foreach (var line in SentenceReader.Explain(sheet, step, sentence)) Console.WriteLine($"      · {line}");
            Console.WriteLine($"{sentence}\n   {Says(step, sheet)}{string.Concat(step.Questions.Select(q => $"\n   ? {Asking.Of(q, sheet)}"))}");
        }
    }

    // "joint cover bolts, 4, cover": a kind and a name; of a joint how many there are and what they hold.
    internal static Sheet Having(Sheet sheet, string thing)
    {
        var words = thing.Split(',', StringSplitOptions.TrimEntries);
        var at = words[0].IndexOf(' ', StringComparison.Ordinal);
        sheet = Editor.Apply(sheet, new AddThing(Enum.Parse<ThingKind>(words[0][..at], true), words[0][(at + 1)..], false)).Value.Sheet;
        var id = sheet.Things.Last(t => t.Name == words[0][(at + 1)..]).Id;
        foreach (var (field, value) in ((string, string)[])[("count", words.ElementAtOrDefault(1) ?? ""), ("holds", words.ElementAtOrDefault(2) ?? "")])
            if (value.Length > 0) sheet = Editor.Apply(sheet, new SetField(id, field,
                Fields.Of(ThingKind.Joint).Single(f => f.Name == field).Get(sheet.Find(id)!), value)).Value.Sheet;
        return sheet;
    }

    /// <summary>What a step says, as the page shows it, with the branch each part of it stands under.</summary>
    public static string Says(Step step, Sheet sheet) =>
        string.Join("; ", step.Actions.Select(a => Asking.Of(a, sheet) + (a.Branch > 0 ? $" [if {step.Branches[a.Branch - 1].Sign}]" : "")));

    /// <summary>The jobs of a folder as sheets, typed as an author would type them, first answers taken.</summary>
    public static IEnumerable<(string Job, Sheet Sheet)> Sheets(string folder) =>
        Directory.EnumerateFiles(folder, "*.jsonl").Order(StringComparer.Ordinal)
            .Select(file => (Path.GetFileNameWithoutExtension(file), Typed([.. Rows(file)]).Sheet));

    private static IEnumerable<JsonElement> Rows(string file) => File.ReadLines(file).Skip(1).Where(l => l.Length > 0).Select(l => JsonDocument.Parse(l).RootElement);

    private static (Sheet Sheet, Dictionary<int, (string Id, List<string> Asked)> Steps) Typed(List<JsonElement> rows)
    {
        var sheet = Sheet.Empty;
        var steps = new Dictionary<int, (string, List<string>)>();
        foreach (var row in rows)
        {
            var phase = row.GetProperty("phase").GetString()!;
            if (sheet.Phases.FirstOrDefault(p => p.Name == phase) is not { } there)
            {
                sheet = Editor.Apply(sheet, new InsertPhase(null, sheet.Phases.LastOrDefault()?.Id, phase)).Value.Sheet;
                there = sheet.Phases.First(p => p.Name == phase);
            }

            var id = $"s{row.GetProperty("n").GetInt32()}";
            sheet = Editor.Apply(sheet, new InsertStep(id, there.Id, there.Steps.LastOrDefault()?.Id, row.GetProperty("text").GetString()!)).Value.Sheet;
            var asked = new List<string>();
            for (var i = 0; i < 12 && sheet.FindStep(id)!.Questions is [var question, ..]; i++)
            {
                asked.Add(Asking.Of(question, sheet));
                if (!Asking.Answers(question, sheet.FindStep(id)!, sheet).Any()) break;
                var answered = Editor.Apply(sheet, Asking.Answers(question, sheet.FindStep(id)!, sheet).First().Edit);
                if (!answered.IsGood) break;
                sheet = answered.Value.Sheet;
            }

            steps[row.GetProperty("n").GetInt32()] = (id, asked);
        }

        return (sheet, steps);
    }

    private static IEnumerable<Scored> Job(string file)
    {
        var rows = Rows(file).ToList();
        var (sheet, steps) = Typed(rows);
        foreach (var row in rows)
        {
            var (id, asked) = steps[row.GetProperty("n").GetInt32()];
            var step = sheet.FindStep(id)!;
            var gold = row.GetProperty("does").EnumerateArray().Select(d => new Fact(Group[d.GetProperty("do").GetString()!], Text(d, "to"), Text(d, "torque"), d.TryGetProperty("if", out _) || d.TryGetProperty("or", out _), d.GetProperty("do").GetString()!)).ToList();
            var got = step.Actions.Select(a =>
            {
                var verb = JsonNamingPolicy.CamelCase.ConvertName(a.Verb.ToString());
                return new Fact(Group.GetValueOrDefault(verb, verb), a.Target is { } t ? sheet.Find(t)?.Name ?? t : a.Words ?? "", a.Torque?.ToString() ?? "", a.Branch > 0 || a.If is not null, verb);
            }).ToList();
            var bad = Match(gold, got);
            var hard = gold.Any(g => !Soft.Contains(g.Group));
            var verdict = asked.Count > 0 ? Verdict.Asked : bad.Count == 0 ? Verdict.Right : hard && !got.Exists(g => !Soft.Contains(g.Group)) ? Verdict.Unread : Verdict.Wrong;
            yield return new Scored(Path.GetFileNameWithoutExtension(file), row.GetProperty("n").GetInt32(), row.GetProperty("text").GetString()!, verdict, bad, asked, string.Join("; ", step.Actions.Select(a => Asking.Of(a, sheet) + (a.Branch > 0 ? $" [if {step.Branches[a.Branch - 1].Sign}]" : ""))), verdict == Verdict.Right ? [] : SentenceReader.Explain(sheet, step, step.Text)) { Plain = PlainWords.Of(sheet, step) };
        }
    }

    private static string Text(JsonElement of, string name) => of.TryGetProperty(name, out var value) && value.ValueKind == JsonValueKind.String ? value.GetString()! : "";

    private static List<string> Match(List<Fact> gold, List<Fact> got)
    {
        var left = got.ToList();
        var bad = new List<string>();
        foreach (var fact in gold)
        {
            if (Soft.Contains(fact.Group)) continue;
            if (fact.Group == "repeat")
            {
                if (left.Find(x => x.Group == "repeat") is { } again) left.Remove(again);
                else if (left.Count < 3) bad.Add("missing repeat");
                continue;
            }

            var hit = left.Find(x => Alike(x, fact) && (Same(fact.To, x.To) || fact.To.Length == 0 || fact.Group is "raise" or "stands" or "lower" or "pump"));
            if (hit is null)
            {
                bad.Add($"missing {fact.Verb} {fact.To}");
                continue;
            }

            left.Remove(hit);
            if (fact.Torque.Length > 0 && fact.Group == "torque" && !Numbers(fact.Torque).SequenceEqual(Numbers(hit.Torque))) bad.Add($"value {fact.Torque} read {hit.Torque}");
            if (fact.Conditional && !hit.Conditional) bad.Add($"{fact.Verb} {fact.To} unconditional");
        }

        foreach (var more in left)
        {
            if (Soft.Contains(more.Group) || gold.Exists(g => g.Group == "repeat") || more.Group == "place") continue;
            if (gold.Exists(g => Same(more.To, g.To) && More(more.Group, g.Group))) continue;
            bad.Add($"extra {more.Verb} {more.To}");
        }

        return bad;
    }

    private static bool More(string a, string b)
    {
        string[] kin = ["on", "seat", "snug", "place", "torque"];
        return kin.Contains(a) && kin.Contains(b);
    }

    private static bool Alike(Fact x, Fact g)
    {
        bool Within(params string[] set) => set.Contains(x.Group) && set.Contains(g.Group);
        return x.Group == g.Group || Within("off", "open") || Within("on", "close") || (Within("raise", "stands", "place") && x.To.Length == 0);
    }

    private static List<string> Stems(string s) => [.. WordPattern().Matches(s.ToLowerInvariant()).Select(m => PluralPattern().Replace(m.Value, "")).Where(w => w is not ("the" or "a" or "of" or "new" or "old"))];

    private static bool Same(string one, string other)
    {
        List<string> a = Stems(one), b = Stems(other);
        if (a.Count == 0 || b.Count == 0) return a.Count == b.Count;
        var shared = a.Distinct().Intersect(b).Count();
        return a.All(b.Contains) || b.All(a.Contains) || (a[^1] == b[^1] && shared * 2 >= Math.Min(a.Count, b.Count));
    }

    private static IEnumerable<double> Numbers(string text) => NumberPattern().Matches(text.Replace(',', '.')).Take(2).Select(m => double.Parse(m.Value, CultureInfo.InvariantCulture));
}
