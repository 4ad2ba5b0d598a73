namespace WornPath.Core.Tests.Reading;

/// <summary>A thing that is named with a word nothing on the sheet bears is never one that is there, whatever is done to it.</summary>
public class UnknownNameTests
{
    // The verbs of the trade's file as they stand after "please", one word each.
    private static readonly string[] Verbs =
    [
        .. File.ReadLines(Path.Combine(Repository.Root, "src", "WornPath.Core", "Reading", "Trade", "verbs.txt"))
            .Where(l => l.Contains('=') && l[0] is not ('#' or '@')).SelectMany(l => l[..l.IndexOf(" =", StringComparison.Ordinal)].Split(' ', StringSplitOptions.RemoveEmptyEntries))
            .Select(f => f.Split('/')[0]).Where(w => w.All(char.IsAsciiLetterLower)).Distinct(),
    ];

    [Fact]
    public void Whatever_is_done_to_what_nothing_is_called_is_not_done_to_something_else()
    {
        foreach (var verb in Verbs)
            foreach (var what in (string[])["tray bolts", "tray nut", "left tray bolt", "tray cover", "tray bracket", "tray hose"])
                foreach (var behind in (string[])["", " off", " in", " up"])
                {
                    var sentence = $"{char.ToUpperInvariant(verb[0])}{verb[1..]}{(verb == "dispose" ? " of" : "")} the {what}{behind}.";
                    var written = new Written().Joint("hub nuts", "80 N·m").Joint("guard bolts", "20 N·m").Part("guard").Part("rear bracket").Thing(ThingKind.Connection, "brake hose")
                        .Steps("Loosen the hub nuts and the guard bolts. Take the guard off. Remove the rear bracket.", sentence);
                    written.Step(2).Actions.Where(a => a.Target is "J1" or "J2" or "P1" or "P2" or "C1").Select(a => $"{a.Verb} {a.Target}").ShouldBeEmpty(sentence);
                }
    }
}
