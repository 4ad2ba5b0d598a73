using System.Collections.Frozen;
using System.Globalization;
using System.Text;
using System.Text.RegularExpressions;
using System.Xml;
using System.Xml.Linq;
using WornPath.Core;
using WornPath.Core.Sheets;

namespace WornPath.Formats.Pictures;

/// <summary>
/// Drawings as SVG: what draws is kept, and nothing that runs, moves, asks for something from elsewhere or tells who drew it. Cleaned
/// once more, a cleaned one stays as it is.
/// </summary>
internal static partial class DrawingText
{
    private const int LargestText = 4_000_000;
    private const int Deepest = 60;
    private const int MostElements = 60_000;

    // The longer side of a drawing in dots, where nothing else says how large it is meant: about the width of a page.
    private const int LongerSide = 1200;

    private static readonly XNamespace Svg = "http://www.w3.org/2000/svg";
    private static readonly XNamespace Link = "http://www.w3.org/1999/xlink";

    private static readonly FrozenSet<string> Draws = new[]
    {
        "svg", "g", "defs", "symbol", "use", "path", "rect", "circle", "ellipse", "line", "polyline", "polygon", "text", "tspan", "title",
        "desc", "linearGradient", "radialGradient", "stop", "clipPath", "mask", "pattern", "marker", "style", "switch",
    }.ToFrozenSet();

    // What an author would miss, as she is told of it.
    private static readonly FrozenDictionary<string, string> Missed = new Dictionary<string, string>
    {
        ["script"] = "a script",
        ["image"] = "a picture within the drawing",
        ["foreignObject"] = "a piece of a web page",
        ["animate"] = "a movement",
        ["animateTransform"] = "a movement",
        ["animateMotion"] = "a movement",
        ["set"] = "a movement",
        ["filter"] = "a filter (a shadow or a blur)",
        ["textPath"] = "text along a line",
        ["video"] = "a film",
        ["audio"] = "a sound",
    }.ToFrozenDictionary();

    /// <summary>True where the bytes look like a drawing and not like dots.</summary>
    public static bool Looks(ReadOnlySpan<byte> bytes)
    {
        var start = Encoding.UTF8.GetString(bytes[..Math.Min(bytes.Length, 1024)]).TrimStart('\uFEFF', ' ', '\r', '\n', '\t');
        return start.StartsWith("<?xml", StringComparison.Ordinal) || start.StartsWith("<svg", StringComparison.Ordinal)
            || start.StartsWith("<!", StringComparison.Ordinal);
    }

    /// <summary>A drawing cleaned; or what is wrong with it.</summary>
    public static Outcome<KeptPicture> Clean(byte[] bytes)
    {
        const string Again = "Save it as plain SVG, or as PNG, and choose it again.";
        if (bytes.Length > LargestText) return new Problem($"The drawing has {bytes.Length / 1024:N0} kB.",
            $"At most {LargestText / 1000:N0} kB are taken: save it as PNG.");
        XElement root;
        try
        {
            if (TooMuch(bytes) is { } much) return new Problem(much, Again);
            using var reader = Reader(bytes);
            root = XElement.Load(reader, LoadOptions.PreserveWhitespace);
        }
        catch (XmlException e)
        {
            return new Problem($"The drawing cannot be read at line {e.LineNumber}.", Again);
        }

        if (root.Name != Svg + "svg") return new Problem("The file is no drawing.", Again);
        var leftOut = new SortedSet<string>(StringComparer.Ordinal);
        var clean = Kept(root, leftOut)!;
        if (!clean.Descendants().Any(IsShape)) return new Problem("Nothing is drawn in the drawing.", Again);
        if (UsesUses(clean)) return new Problem("The drawing repeats what repeats others.", Again);
        if (Measure(clean) is not { } size) return new Problem("The drawing does not say how large it is.", "Give it a width and a height, or a viewBox.");
        clean.SetAttributeValue("width", size.Width);
        clean.SetAttributeValue("height", size.Height);
        var text = new StringBuilder();
        using (var writer = XmlWriter.Create(text, new XmlWriterSettings
        {
            OmitXmlDeclaration = true,
            NewLineHandling = NewLineHandling.None
        })) clean.WriteTo(writer);
        var kept = Encoding.UTF8.GetBytes(text.ToString());
        return new KeptPicture(new FigurePicture(KeptPicture.KeyOf(kept, ".svg"), size.Width, size.Height), kept, [.. leftOut]);
    }

    /// <summary>A cleaned drawing with other words in place of those that stand in it.</summary>
    public static byte[] WithWords(byte[] drawing, Func<string, string> words)
    {
        using var reader = Reader(drawing);
        var root = XElement.Load(reader, LoadOptions.PreserveWhitespace);
        foreach (var said in root.Descendants().Where(e => e.Name.LocalName is "text" or "title" or "desc").ToList())
            // One text may be in pieces: it is taken as it is read.
            if (words(said.Value) is var now && now != said.Value) said.ReplaceNodes(new XText(now));
        return Encoding.UTF8.GetBytes(root.ToString(SaveOptions.DisableFormatting));
    }

    // No declaration of the document's is carried out: nothing is read from elsewhere, and no word stands for a million others.
    private static XmlReader Reader(byte[] bytes) => XmlReader.Create(new MemoryStream(bytes), new XmlReaderSettings
    {
        DtdProcessing = DtdProcessing.Ignore,
        XmlResolver = null,
        MaxCharactersInDocument = LargestText,
        MaxCharactersFromEntities = 1024,
        IgnoreComments = true,
        IgnoreProcessingInstructions = true,
    });

    // Looked through once before it is held whole: what is nested without end would take the stack with it.
    private static string? TooMuch(byte[] bytes)
    {
        using var reader = Reader(bytes);
        var elements = 0;
        while (reader.Read())
        {
            if (reader.Depth > Deepest) return $"The drawing is nested more than {Deepest} deep.";
            if (reader.NodeType == XmlNodeType.Element && ++elements > MostElements) return $"The drawing has more than {MostElements:N0} pieces.";
        }

        return null;
    }

    private static XElement? Kept(XElement element, SortedSet<string> leftOut)
    {
        var name = element.Name.LocalName;
        // What a drawing program notes for itself goes without a word.
        if (element.Name.Namespace != Svg) return null;
        // A link goes, what it stands around stays.
        if (name == "a") name = "g";
        if (!Draws.Contains(name))
        {
            if (Missed.TryGetValue(name, out var missed)) leftOut.Add(missed);
            return null;
        }

        if (name == "style" && !IsPlain(element.Value))
        {
            leftOut.Add("styles that ask for something from elsewhere");
            return null;
        }

        var kept = new XElement(Svg + name);
        foreach (var attribute in element.Attributes())
        {
            if (attribute.IsNamespaceDeclaration || !IsAllowed(attribute, leftOut)) continue;
            // A place in the drawing itself is named the newer way.
            kept.SetAttributeValue(attribute.Name.Namespace == Link ? "href" : attribute.Name, attribute.Value);
        }

        foreach (var node in element.Nodes())
        {
            if (node is XElement child && Kept(child, leftOut) is { } good) kept.Add(good);
            else if (node is XText text && (name is "text" or "tspan" or "title" or "desc" or "style")) kept.Add(new XText(text.Value));
        }

        return kept;
    }

    private static bool IsAllowed(XAttribute attribute, SortedSet<string> leftOut)
    {
        var (space, name) = (attribute.Name.Namespace, attribute.Name.LocalName);
        if (name == "href" && (space == Link || space == XNamespace.None))
        {
            if (attribute.Value.StartsWith('#')) return true;
            if (attribute.Parent!.Name.LocalName != "a") leftOut.Add("something it takes from elsewhere");
            return false;
        }

        if (space == XNamespace.Xml) return name == "space";
        if (space != XNamespace.None || name.StartsWith("on", StringComparison.OrdinalIgnoreCase) || name is "filter" or "tabindex") return false;
        if (IsPlain(attribute.Value)) return true;
        leftOut.Add("styles that ask for something from elsewhere");
        return false;
    }

    // Style may name places of the drawing itself, and asks for nothing else. A backslash would hide what it says.
    private static bool IsPlain(string style) => !style.Contains('\\') && !style.Contains('@')
        && !style.Contains("javascript:", StringComparison.OrdinalIgnoreCase) && !style.Contains("expression", StringComparison.OrdinalIgnoreCase)
        && !Elsewhere().IsMatch(style);

    [GeneratedRegex(@"(?:url|image|image-set|src)\s*\((?!\s*['""]?#)", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Elsewhere();

    private static bool IsShape(XElement element) =>
        element.Name.LocalName is "path" or "rect" or "circle" or "ellipse" or "line" or "polyline" or "polygon" or "text" or "use";

    // What is used may not use others: ten that use ten that use ten are a thousand, and so on.
    private static bool UsesUses(XElement root)
    {
        var byId = root.DescendantsAndSelf().Where(e => (string?)e.Attribute("id") is not null).ToLookup(e => (string)e.Attribute("id")!);
        return root.Descendants(Svg + "use").Any(use => (string?)use.Attribute("href") is { Length: > 1 } href
            && byId[href[1..]].Any(e => e.DescendantsAndSelf(Svg + "use").Any()));
    }

    // How many dots wide and high it is meant to be.
    private static (int Width, int Height)? Measure(XElement root)
    {
        var box = ((string?)root.Attribute("viewBox") ?? "").Split([' ', ',', '\t', '\n', '\r'], StringSplitOptions.RemoveEmptyEntries);
        var sides = box.Length == 4 && Number(box[2]) is { } w && Number(box[3]) is { } h ? (w, h)
            : Length((string?)root.Attribute("width")) is { } width && Length((string?)root.Attribute("height")) is { } height ? (width, height) : default;
        if (sides is not ( > 0, > 0) || sides.Item1 / sides.Item2 is > 50 or < 0.02) return null;
        if (box.Length != 4) root.SetAttributeValue("viewBox", string.Create(CultureInfo.InvariantCulture, $"0 0 {sides.Item1} {sides.Item2}"));
        var scale = LongerSide / Math.Max(sides.Item1, sides.Item2);
        return (Math.Max(1, (int)Math.Round(sides.Item1 * scale)), Math.Max(1, (int)Math.Round(sides.Item2 * scale)));
    }

    private static double? Number(string text) =>
        double.TryParse(text, NumberStyles.Float, CultureInfo.InvariantCulture, out var number) && double.IsFinite(number)
            && Math.Abs(number) < 1e6 ? number : null;

    // CSS 2.2, 4.3.2: an inch is 96 dots.
    private static double? Length(string? text)
    {
        if (text is null || Measured().Match(text.Trim()) is not { Success: true } found || Number(found.Groups[1].Value) is not { } number) return null;
        return number * found.Groups[2].Value.ToLowerInvariant() switch
        {
            "mm" => 96 / 25.4,
            "cm" => 96 / 2.54,
            "in" => 96,
            "pt" => 96 / 72.0,
            "pc" => 16,
            _ => 1
        };
    }

    [GeneratedRegex(@"^([\d.]+(?:e[+-]?\d+)?)\s*(px|mm|cm|in|pt|pc)?$", RegexOptions.IgnoreCase | RegexOptions.CultureInvariant)]
    private static partial Regex Measured();
}
