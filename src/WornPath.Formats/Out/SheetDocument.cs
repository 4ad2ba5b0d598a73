using System.Collections.Immutable;
using WornPath.Core.Findings;
using WornPath.Core.Printing;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;

namespace WornPath.Formats.Out;

/// <summary>What a sheet says of itself, wherever it goes.</summary>
/// <param name="Number">The procedure's number, as the workshop files it.</param>
/// <param name="Letter">Its revision; empty where none is known.</param>
/// <param name="Standing">Whether it may be worked from, as a sentence: who released it and when, or that it is not valid.</param>
/// <param name="IsValid">True for a released revision.</param>
/// <param name="For">The variant and side it is laid out for; empty where it has none.</param>
public sealed record SheetLabel(string Number, string Title, string Platform, string Letter, string Standing, bool IsValid, string For)
{
    /// <summary>The first line of every page and file: number, title, revision.</summary>
    public string Line => $"{Number} {Title}{(Letter.Length > 0 ? $", revision {Letter}" : "")}";
}

/// <summary>A list or table of a document.</summary>
/// <param name="Heads">The heads of its columns; empty for a plain list.</param>
public sealed record DocumentTable(string Name, ImmutableArray<string> Heads, ImmutableArray<ImmutableArray<string>> Rows);

/// <summary>A step of a document.</summary>
/// <param name="Text">As its author wrote it: Markdown.</param>
/// <param name="Notes">What stands beside it: values, people.</param>
/// <param name="Figures">What it shows.</param>
public sealed record DocumentStep(int Number, ImmutableArray<Caution> Cautions, string Text, ImmutableArray<string> Notes,
    ImmutableArray<DocumentFigure> Figures);

/// <summary>A phase of a document.</summary>
/// <param name="Owed">What is still to torque when it ends.</param>
public sealed record DocumentPhase(string Name, ImmutableArray<DocumentStep> Steps, ImmutableArray<string> Owed);

/// <summary>A sheet laid out once for every format it goes out in: what a writer does not know of its format, it does not have to ask the sheet.</summary>
/// <param name="About">Purpose, what it fits, how to know the job: a name and a text each.</param>
/// <param name="Torques">The torque table; null where the sheet has no joint.</param>
/// <param name="Passes">The order and the passes of each pattern.</param>
/// <param name="Later">What is due after first use; null where nothing is.</param>
/// <param name="Practice">The ways of the house that its words touch.</param>
public sealed record SheetDocument(
    SheetLabel Label,
    ImmutableArray<(string Name, string Text)> About,
    DocumentTable Parts,
    DocumentTable Tools,
    DocumentTable Consumables,
    ImmutableArray<DocumentPhase> Phases,
    DocumentTable? Torques,
    DocumentTable? Passes,
    DocumentTable? Later,
    ImmutableArray<string> Practice)
{
    /// <summary>What is other than in the revision people worked from before; null for a first revision, or where that one is not at hand.</summary>
    public DocumentTable? Changes { get; init; }

    /// <summary>What the walk found; empty where nothing was, or where nobody looked.</summary>
    public IReadOnlyList<Finding> Findings { get; init; } = [];

    /// <summary>What to know and to have in hand before one starts.</summary>
    public ImmutableArray<DocumentTable> Before => [.. Changes is null ? (ReadOnlySpan<DocumentTable>)[] : [Changes], Parts, Tools, Consumables];

    /// <summary>What every sheet defers to.</summary>
    public const string Defers = "The vehicle maker’s manual, local codes and licensed practice come before this sheet. Stop where they differ.";

    /// <summary>Lays a printed sheet out.</summary>
    /// <param name="pictures">The bytes of a picture by its key; null where it is not at hand.</param>
    public static SheetDocument Of(SheetLabel label, PrintedSheet sheet, Func<string, byte[]?> pictures)
    {
        var names = sheet.Torques.ToDictionary(t => t.Id, t => t.Name);
        string Value(PrintedTightening one)
        {
            var pass = one.Pass is { } number ? $", pass {number}" : "";
            return $"{one.Joint} {names.GetValueOrDefault(one.Joint)}{pass}: {(one.Value.Length > 0 ? one.Value : "no value")}";
        }

        DocumentStep Step(PrintedStep step) =>
            new(step.Number, step.Cautions, step.Text, [.. step.Tightens.Select(Value), .. step.People is > 1 and var people
                ? [$"{people} people"] : Array.Empty<string>()],
                [.. step.Figures.Select(f => new DocumentFigure(f, f.Picture is { } picture ? pictures(picture.Key) : null))]);
        string Owed(OwedTorque owed) =>
            $"{owed.Id} {owed.Name}{(owed.Value.Length > 0 ? $" {owed.Value}" : "")} ({(owed.Due is { } due ? $"step {due}" : "no step does it")})";
        return new SheetDocument(
            label,
            [.. AboutOf(label, sheet.Header).Where(a => a.Text.Length > 0)],
            List("Parts", sheet.Parts),
            new DocumentTable("Tools", ["Tool", "For", "Steps", "Note"],
                [.. sheet.Tools.Select(t => ImmutableArray.Create(t.What, string.Join(", ", t.For), string.Join(", ", t.Steps), t.Note))]),
            List("Consumables", sheet.Consumables),
            [.. sheet.Phases.Select(p => new DocumentPhase(p.Name, [.. p.Steps.Select(Step)], [.. p.Owed.Select(Owed)]))],
            sheet.Torques.IsEmpty ? null : new DocumentTable("Torque table", TorqueHeads, [.. sheet.Torques.Select(Row)]),
            sheet.Patterns.IsEmpty ? null : new DocumentTable("Patterns", ["No.", "Joint", "Order of the positions", "Passes"],
                [.. sheet.Patterns.Select(p => ImmutableArray.Create(p.Id, p.Name, string.Join(", ", p.Order), string.Join("; ", p.Passes)))]),
            sheet.Later.IsEmpty ? null : new DocumentTable("After first use", ["No.", "When", "To do", "Step", "Done, by"],
                [.. sheet.Later.Select(l => ImmutableArray.Create(l.Joint, l.When, l.Value.Length > 0 ? $"{l.What}, {l.Value}" : l.What, $"{l.Step}", ""))]),
            sheet.Practice);
    }

    /// <summary>The torque table of a sheet that has no joint.</summary>
    public static DocumentTable NoTorques => new("Torque table", TorqueHeads, []);

    private static readonly ImmutableArray<string> TorqueHeads =
    [
        "No.", "Joint", "Count", "Fastener", "Torque", "Other unit", "Wrench", "Treatment", "After", "Notes", "Steps", "Source",
    ];

    private static ImmutableArray<string> Row(PrintedTorque row) =>
    [
        row.Id, row.Name, $"{row.Count}", row.Fastener, row.Value.Length > 0 ? row.Value : "no value", row.Counterpart,
        row.Setting, row.Treatment, row.After, row.Note, string.Join(", ", row.Steps), row.Source,
    ];

    private static IEnumerable<(string Name, string Text)> AboutOf(SheetLabel label, SheetHeader header)
    {
        yield return ("For", label.Platform);
        yield return ("Purpose", header.Purpose);
        yield return ("Fits", header.Fits);
        yield return ("Is it this job?", header.EntryCheck);
        yield return ("Laid out for", label.For);
        yield return ("People", $"{header.People}");
    }

    private static DocumentTable List(string name, IEnumerable<PrintedItem> items) =>
        new(name, ["What", "How many or much", "For"], [.. items.Select(i => ImmutableArray.Create(i.What, i.Amount, i.For))]);
}
