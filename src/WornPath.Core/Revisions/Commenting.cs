using WornPath.Core.Editing;
using WornPath.Core.Sheets;

namespace WornPath.Core.Revisions;

/// <summary>Who may write, settle and apply what under a comment. Null means it may; a problem says why not.</summary>
public static class Commenting
{
    /// <summary>The longest comment, in characters.</summary>
    public const int Longest = 4000;

    /// <summary>Whether this can be said.</summary>
    public static Problem? Say(RevisionState state, string text) =>
        state is RevisionState.Superseded or RevisionState.Withdrawn
            ? new Problem($"This revision is {EnumWord.Of(state)}.", "Write on the one that is worked from, or on the draft.")
        : string.IsNullOrWhiteSpace(text) ? new Problem("The comment is empty.", "Write what is wrong, or what should stand there.")
        : text.Length > Longest ? new Problem($"A comment of {text.Length:N0} characters is too long.", $"Keep it to {Longest:N0}.") : null;

    /// <summary>
    /// Whether a person may settle it: who began it, who writes on the sheet, and who reviews it. What is open holds up a release, so nobody
    /// else closes it, and nobody closes another's without an answer.
    /// </summary>
    public static Problem? Settle(bool began, bool writes, bool reviews, bool answered) => !began && !writes && !reviews
        ? new Problem("This comment is not yours to settle.", "Who began it, an author of the sheet or a reviewer settles it.")
        : began || answered ? null : new Problem("Nobody has answered it.", "Say what was done about it, or why nothing is.");

    /// <summary>An edit that is suggested: it changes a text, a value or an order and nothing else, and can be done on the sheet as it stands.</summary>
    public static Outcome<Applied> Suggest(Sheet sheet, Edit edit)
    {
        if (edit is not (WriteStep or SetField or MoveStep))
            return new Problem("This cannot be suggested.", "Suggest another text, another value or another place; say the rest in words.");
        var applied = Editor.Apply(sheet, edit);
        return applied.IsGood && applied.Value.Delta.IsEmpty ? new Problem("It says what stands there already.", "Change what should be different.") : applied;
    }

    /// <summary>What a suggested edit does, in words.</summary>
    public static string Says(Sheet sheet, Edit edit, Applied applied)
    {
        if (edit is not MoveStep move) return applied.Label;
        var steps = sheet.Steps.ToList();
        int Number(string id) => steps.FindIndex(s => s.Id == id) + 1;
        return move.After is { } after ? $"step {Number(move.Id)} behind step {Number(after)}"
            : $"step {Number(move.Id)} to the head of {sheet.Phases.First(p => p.Id == move.Phase).Name}";
    }

    /// <summary>Whether a release waits for comments: all that are open have to be settled first.</summary>
    public static Problem? Release(int open) => open == 0 ? null
        : new Problem($"{open} comment{(open == 1 ? " is" : "s are")} open.",
            "Answer and settle what is open under Review; what is taken up later is said there, and settled.");

    /// <summary>The people a text speaks to by name ("@Ines Vale"), each once. Where one name begins another, the longer one is meant.</summary>
    public static IReadOnlyList<string> Mentioned(string text, IEnumerable<(string Id, string Name)> people)
    {
        var found = new List<(int At, string Id)>();
        var taken = new List<Span>();
        foreach (var (id, name) in people.Where(p => p.Name.Length > 0).OrderByDescending(p => p.Name.Length).ThenBy(p => p.Name, StringComparer.Ordinal))
        {
            for (var i = text.IndexOf("@" + name, StringComparison.OrdinalIgnoreCase); i >= 0; i = text.IndexOf("@" + name, i + 1,
                StringComparison.OrdinalIgnoreCase))
            {
                var end = i + 1 + name.Length;
                if (end < text.Length && char.IsLetterOrDigit(text[end]) || taken.Exists(t => t.Start == i)) continue;
                taken.Add(new Span(i, end - i));
                if (!found.Exists(f => f.Id == id)) found.Add((i, id));
            }
        }

        return [.. found.OrderBy(f => f.At).Select(f => f.Id)];
    }
}
