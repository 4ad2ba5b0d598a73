using WornPath.Core.Reading;
using System.Collections.Immutable;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;

namespace WornPath.Core.Building;

/// <summary>
/// Writes a phase again for the other side: left and right changed places in its words, and things that are named by their side
/// added for the other where the sheet has none.
/// </summary>
/// <param name="Name">The name of the new phase.</param>
/// <param name="Steps">Its sentences.</param>
/// <param name="Things">Names of the things that are added.</param>
/// <param name="Edit">The edit that writes it; null where nothing on the phase is left or right.</param>
public sealed record Mirror(string Name, ImmutableArray<string> Steps, ImmutableArray<string> Things, Edit? Edit)
{
    /// <summary>The mirror of a phase.</summary>
    public static Outcome<Mirror> Of(Sheet sheet, string phaseId)
    {
        if (sheet.Phases.FirstOrDefault(p => p.Id == phaseId) is not { } phase) return new Problem("This phase is no longer on the sheet.", "Reload to see the sheet as it is.");
        var used = phase.Steps.SelectMany(s => s.Actions).SelectMany(a => a.Ids).ToHashSet();
        // What holds or covers what is used goes with it.
        foreach (var part in sheet.Parts.Where(p => used.Contains(p.Id)).ToList()) used.UnionWith(part.PartIds);
        var edits = ImmutableArray.CreateBuilder<Edit>();
        var added = ImmutableArray.CreateBuilder<string>();
        foreach (var thing in sheet.Things)
        {
            var other = SideWords.Swap(thing.Name);
            if (!used.Contains(thing.Id) || other == thing.Name || sheet.Things.Any(t => t.Name.Equals(other, StringComparison.OrdinalIgnoreCase))) continue;
            added.Add(other);
            edits.Add(new AddFilled(thing.Kind, other, [.. Fields.Of(thing.Kind).Where(f => f.Name is not "name").Select(f => new FieldText(f.Name, ValueOf(f, thing)))
                // Only what differs from a new one; parts it names are put in once they are all there.
                .Where(f => f.Text.Length > 0 && f.Field is not ("holds" or "behind" or "sitsOn") && !(f.Field == "becomes"
                    && thing is Joint { SupersededBy: not null }))]));
        }

        foreach (var thing in sheet.Things.Where(t => added.Contains(SideWords.Swap(t.Name))))
            foreach (var (field, ids) in PartsOf(thing))
                if (ids.Length > 0) edits.Add(new SetFieldByName(SideWords.Swap(thing.Name), field, NamesOf(sheet, ids)));

        foreach (var joint in sheet.Joints.Where(j => added.Contains(SideWords.Swap(j.Name)) && j.SupersededBy is not null))
            edits.Add(new SetFieldByName(SideWords.Swap(joint.Name), "becomes", $"superseded by {SideWords.Swap(sheet.Find(joint.SupersededBy!)!.Name)}"));

        ImmutableArray<string> steps = [.. phase.Steps.Select(s => SideWords.Swap(s.Text))];
        var name = SideWords.Swap(phase.Name) == phase.Name ? $"{phase.Name}, other side" : SideWords.Swap(phase.Name);
        if (steps.SequenceEqual(phase.Steps.Select(s => s.Text))) return new Mirror(name, steps, [], null);
        var id = sheet.Phases.Any(p => p.Id == $"mirror-{phaseId}") ? null : $"mirror-{phaseId}";
        if (id is null || id.Length > 24) return new Problem($"“{phase.Name}” has been mirrored already.", "Change the mirrored phase, or take it away first.");
        edits.Add(new InsertPhase(id, phaseId, name.Length > Names.Longest ? name[..Names.Longest] : name));
        edits.Add(new InsertSteps(id, null, [.. steps.Select(text => new NewStep(null, text))]));
        return new Mirror(name, steps, added.ToImmutable(), new Several($"“{phase.Name}” mirrored", edits.ToImmutable()));
    }

    private static string ValueOf(Field<Thing> field, Thing thing)
    {
        var value = field.Get(thing);
        return field.Name is "only" or "tell" or "goesTo" ? SideWords.Swap(value) : value;
    }

    private static (string Field, ImmutableArray<string> Ids)[] PartsOf(Thing thing) => thing switch
    {
        Joint joint => [("holds", joint.Holds)],
        Part part => [("behind", part.Behind), ("sitsOn", part.SitsOn is { } host ? [host] : [])],
        _ => [],
    };

    private static string NamesOf(Sheet sheet, ImmutableArray<string> ids) => string.Join(", ", ids.Select(id => SideWords.Swap(sheet.Find(id)!.Name)));
}
