using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>What a field of a change is called where a person reads of it.</summary>
internal static class FieldWords
{
    // Of a step, what no cell shows.
    private static readonly Dictionary<string, string> OfStep = new()
    {
        ["actions"] = "what is read",
        ["branches"] = "what is read",
        ["residue"] = "what is read",
        ["uses"] = "what is read",
        ["sentenceSays"] = "what is read",
        ["questions"] = "what is asked",
        ["settled"] = "what was answered",
        ["said"] = "what was said of the words",
        ["shows"] = "the figures",
        ["cautions"] = "the cautions",
        ["dropped"] = "what was taken off the cautions",
        ["text"] = "the text",
    };

    // A cell that is kept under two names.
    private static readonly Dictionary<string, string> Kept = new()
    {
        ["untorqued"] = "torque",
        ["supersededBy"] = "becomes",
        ["massKg"] = "mass",
    };

    /// <summary>The words for a field of a list ("joint", "step", "header", "phase").</summary>
    public static string Of(string slot, string field)
    {
        var cell = Kept.GetValueOrDefault(field, field);
        var label = slot switch
        {
            Slots.Header => Fields.Header.FirstOrDefault(f => f.Name == cell)?.Label,
            Slots.Step => Fields.Step.FirstOrDefault(f => f.Name == cell)?.Label,
            Slots.Phase => null,
            _ => Slots.KindOf(slot) is { } kind ? Fields.Of(kind).FirstOrDefault(f => f.Name == cell)?.Label : null,
        };
        return slot == Slots.Step && OfStep.TryGetValue(field, out var words) ? words : $"“{label ?? field}”";
    }
}
