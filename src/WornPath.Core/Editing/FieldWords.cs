using System.Collections.Frozen;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>What a field of a change is called where a person reads of it.</summary>
internal static class FieldWords
{
    // What is read from a step's text: it follows from the words.
    private static readonly FrozenSet<string> Read = new[]
    {
        "actions", "branches", "table", "uses", "hands", "residue", "sentenceSays",
    }.ToFrozenSet();

    // Of a step, what no cell shows.
    private static readonly Dictionary<string, string> OfStep = new()
    {
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

    /// <summary>True for what is read from the words of a step, and for what is asked of them.</summary>
    public static bool IsRead(string field) => Read.Contains(field) || field == "questions";

    /// <summary>The words for a field of a list ("joint", "step", "header", "phase").</summary>
    public static string Of(string slot, string field)
    {
        if (slot == Slots.Step && Read.Contains(field)) return "what is read";
        if (slot == Slots.Step && OfStep.TryGetValue(field, out var words)) return words;
        var cell = Kept.GetValueOrDefault(field, field);
        var label = slot switch
        {
            Slots.Header => Fields.Header.FirstOrDefault(f => f.Name == cell)?.Label,
            Slots.Step => Fields.Step.FirstOrDefault(f => f.Name == cell)?.Label,
            _ => Slots.KindOf(slot) is { } kind ? Fields.Of(kind).FirstOrDefault(f => f.Name == cell)?.Label : null,
        };
        return $"“{label ?? field}”";
    }
}
