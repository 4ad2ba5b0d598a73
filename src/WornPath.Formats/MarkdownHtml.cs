using Ganss.Xss;
using Markdig;
using System.Text.RegularExpressions;

namespace WornPath.Formats;

/// <summary>Markdown as HTML that holds nothing but text and its marks: HTML in the source is shown as written, and what is left is sanitised.</summary>
public sealed partial class MarkdownHtml
{
    private readonly MarkdownPipeline _pipeline = new MarkdownPipelineBuilder().DisableHtml().UsePipeTables().UseSoftlineBreakAsHardlineBreak().Build();
    private readonly HtmlSanitizer _sanitizer;

    public MarkdownHtml()
    {
        var options = new HtmlSanitizerOptions
        {
            AllowedTags = new HashSet<string>(StringComparer.OrdinalIgnoreCase) { "p", "em", "strong", "ul", "ol", "li", "code", "pre", "br", "h1", "h2", "h3", "h4", "table", "thead", "tbody", "tr", "th", "td", "blockquote", "hr" },
            AllowedAttributes = new HashSet<string>(),
        };
        _sanitizer = new HtmlSanitizer(options);
    }

    [GeneratedRegex(@"(?<=\d) (?=(?:N·m|Nm|lbf[·-]ft|lbf[·-]in|kN|kPa|bar|psi|mm|cm|m|in|mL|L|kg|g|min|h|°C|°F|%)(?![\p{L}\d]))", RegexOptions.CultureInvariant)]
    private static partial Regex BeforeUnit();

    /// <summary>A text in which a number and its unit do not part.</summary>
    public static string Held(string text) => BeforeUnit().Replace(text, "\u00A0");

    /// <summary>The HTML of a text. A number and its unit stay on one line; the space between is itself there, so that values are found in it.</summary>
    public string Of(string markdown) =>
        _sanitizer.Sanitize(MarkdownBlocks.ReadAny(Held(markdown), _pipeline).ToHtml(_pipeline)).Replace("&nbsp;", "\u00A0", StringComparison.Ordinal);
}
