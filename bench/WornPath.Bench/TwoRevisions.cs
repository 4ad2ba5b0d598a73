using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Bench;

/// <summary>What differs between two revisions of 1,000 steps, held against walking both and finding what is wrong with them.</summary>
internal static class TwoRevisions
{
    /// <summary>Milliseconds: the differences, and walking both.</summary>
    public static (double Differences, double Walks, int Told) Of(Sheet sheet)
    {
        var later = sheet;
        void Do(Edit edit) => later = Editor.Apply(later, edit).Value.Sheet;
        foreach (var (step, i) in sheet.Steps.Select((s, i) => (s, i)).Where(s => s.i % 25 == 0).ToList())
            Do(i % 50 == 0 ? new WriteStep(step.Id, step.Text, step.Text + " Mind the paint.") : new RemoveSteps([new SeenStep(step.Id, step.Text)]));
        foreach (var joint in sheet.Joints.Where((_, i) => i % 20 == 0))
            Do(new SetField(joint.Id, "count", joint.Count.ToString(), (joint.Count + 1).ToString()));
        // As they come out of the store: they share nothing.
        Sheet before = SheetJson.Read(SheetJson.Write(sheet)), after = SheetJson.Read(SheetJson.Write(later));
        Walk one = Walker.Run(before, Workshop.Default), two = Walker.Run(after, Workshop.Default);
        var (told, found) = (0, 0);
        var (differences, walks) = Measure.InTurn(100, () => told = Differences.Between(one, two, "A").Lines.Length,
            () => found += WalkSet.Run(before, Workshop.Default).Findings.Length + WalkSet.Run(after, Workshop.Default).Findings.Length);
        return (differences, walks, told);
    }
}
