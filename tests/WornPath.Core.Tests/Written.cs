using WornPath.Core.Workshops;
using System.Collections.Immutable;

namespace WornPath.Core.Tests;

/// <summary>Sheets for tests, written the way an author writes them: things by name, steps as sentences, all through the editor.</summary>
internal sealed class Written
{
    public Sheet Sheet { get; private set; } = Sheet.Empty;

    public Written() => Do(new InsertPhase("h1", null, "Work"));

    public Written Do(Edit edit)
    {
        var applied = Editor.Apply(Sheet, edit);
        applied.IsGood.ShouldBeTrue(applied.Problem?.ToString());
        Sheet = applied.Value.Sheet;
        return this;
    }

    /// <summary>As something outside the editor makes it: a file, a store.</summary>
    public Written From(Func<Sheet, Sheet> make)
    {
        Sheet = make(Sheet);
        return this;
    }

    public Written Part(string name, bool kit = false, string fate = "refit", string behind = "")
    {
        Do(new AddThing(ThingKind.Part, name, kit));
        if (fate != "refit") Set(name, "fate", fate);
        if (behind.Length > 0) Set(name, "behind", behind);
        return this;
    }

    public Written Joint(string name, string torque = "", string source = "manual p. 1", string fastener = "", bool kit = false, string holds = "", string locking = "none", string reuse = "reuse")
    {
        Do(new AddThing(ThingKind.Joint, name, kit));
        foreach (var (field, value) in (ReadOnlySpan<(string, string)>)[("torque", torque), ("source", source), ("fastener", fastener), ("holds", holds), ("locking", locking), ("reuse", reuse)])
            Set(name, field, value);
        return this;
    }

    public Written Thing(ThingKind kind, string name, bool kit = false) => Do(new AddThing(kind, name, kit));

    public Written Set(string name, string field, string value)
    {
        var thing = Sheet.Things.Single(t => t.Name == name);
        var before = Fields.Of(thing.Kind).Single(f => f.Name == field).Get(thing);
        return before == value ? this : Do(new SetField(thing.Id, field, before, value));
    }

    public Written Header(string field, string value) => Do(new SetField("", field, Fields.Header.Single(f => f.Name == field).Get(Sheet.Header), value));

    public Written Steps(params string[] sentences)
    {
        foreach (var sentence in sentences) Do(new InsertStep(null, "h1", Sheet.Steps.LastOrDefault()?.Id, sentence));
        return this;
    }

    public Step Step(int number) => Sheet.Steps.ElementAt(number - 1);

    public Workshop Workshop { get; private set; } = Workshop.Default;

    /// <summary>Judged in a workshop of its own.</summary>
    public Written In(Workshop workshop)
    {
        Workshop = workshop;
        return this;
    }

    public Walk Walk() => Walker.Run(Sheet, Workshop);

    public WalkSet Walks() => WalkSet.Run(Sheet, Workshop);

    public ImmutableArray<Finding> Findings() => Walks().Findings;

    /// <summary>The findings of one rule, as step numbers (0 for the whole sheet).</summary>
    public int[] At(string rule) => [.. Findings().Where(f => f.Rule == rule).Select(f => f.StepNumber ?? 0)];

    /// <summary>What a step was read as, as chips say it.</summary>
    public string Chips(int number) => string.Join("; ", Step(number).Actions.Select(a => Asking.Of(a, Sheet)));
}
