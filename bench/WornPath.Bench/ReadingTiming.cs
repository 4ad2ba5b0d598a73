using System.Collections.Frozen;
using System.Text.RegularExpressions;
using WornPath.Core.Editing;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Bench;

/// <summary>Sentences of about twenty words read on a sheet, beside cutting them into words and looking each word up once; and texts as long as a step may be.</summary>
internal static partial class ReadingTiming
{
    private static readonly string[] Sentences =
    [
        "Take the four cover bolts out crosswise with a 13 mm socket, lift the cover off and lay it on the bench face up.",
        "Fit the new gasket dry, offer the cover up over its dowels and start all four cover bolts by hand in their holes.",
        "Tighten the cover bolts crosswise in three passes to 10 N·m, then 18 N·m and last to 25 N·m, and mark each head with paint.",
        "Unless the seal has been leaking, leave it where it is; a worn one is pulled with the hook and a new one pressed in flush.",
        "Once the pressure is off, undo the pressure and return unions, catch what runs out in the tray and cap both lines at once.",
    ];

    [GeneratedRegex(@"[\p{L}\d][\p{L}\d·'’.\-]*|[^\s]")]
    private static partial Regex Words();

    /// <summary>Milliseconds a sentence: read, and cut and looked up.</summary>
    public static (double Read, double Cut) Sentence()
    {
        var sheet = With("Cover", "cover", "gasket", "seal", "tray");
        var names = NameIndex.Of(sheet);
        var step = sheet.Steps.First();
        // As many words as the trade has.
        var lexicon = Enumerable.Range(0, 4000).Select(i => $"word{i}").Concat(Sentences.SelectMany(s => Words().Matches(s)
            .Select(m => m.Value.ToLowerInvariant()))).Distinct().ToFrozenDictionary(w => w, w => w.Length);
        var found = 0;
        var (read, cut) = Measure.InTurn(300, () =>
        {
            foreach (var sentence in Sentences) found += SentenceReader.Read(sheet, names, step, sentence).Actions.Length;
        }, () =>
        {
            foreach (var sentence in Sentences)
                foreach (var word in Words().EnumerateMatches(sentence))
                    found += lexicon.GetValueOrDefault(sentence.Substring(word.Index, word.Length).ToLowerInvariant());
        });
        GC.KeepAlive(found);
        return (read / Sentences.Length, cut / Sentences.Length);
    }

    /// <summary>Milliseconds of the same sentences, one after the other to about 4,000 characters, and to a quarter of that.</summary>
    public static (double Long, double Short) Length()
    {
        var sheet = With("Cover", "cover", "gasket", "seal", "tray");
        var names = NameIndex.Of(sheet);
        var step = sheet.Steps.First();
        var quarter = string.Concat(Enumerable.Repeat(string.Join(' ', Sentences) + " ", 2))[..1000];
        var whole = string.Concat(Enumerable.Repeat(quarter, 4));
        var found = 0;
        var times = Measure.InTurn(60, () => found += SentenceReader.Read(sheet, names, step, whole).Actions.Length,
            () => found += SentenceReader.Read(sheet, names, step, quarter).Actions.Length);
        GC.KeepAlive(found);
        return times;
    }

    private static Sheet With(string phase, params string[] parts)
    {
        var sheet = Editor.Apply(Sheet.Empty, new InsertPhase("h1", null, phase)).Value.Sheet;
        foreach (var part in parts) sheet = Editor.Apply(sheet, new AddThing(ThingKind.Part, part, false)).Value.Sheet;
        sheet = Editor.Apply(sheet, new AddThing(ThingKind.Joint, "cover bolts", false)).Value.Sheet;
        return Editor.Apply(sheet, new InsertStep("s1", "h1", null, "Clean the bench.")).Value.Sheet;
    }
}
