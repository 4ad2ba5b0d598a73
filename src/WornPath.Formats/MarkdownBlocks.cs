using Markdig;
using Markdig.Syntax;
using Markdig.Syntax.Inlines;
using WornPath.Formats.Out;

namespace WornPath.Formats;

/// <summary>The blocks of a Markdown text, whatever was typed into it.</summary>
internal static class MarkdownBlocks
{
    // Deeper than anybody writes, and less deep than the writers of HTML give up at.
    private const int Deepest = 60;

    /// <summary>Reads a text; null where its marks are nested without end ("&gt; &gt; &gt; …").</summary>
    public static MarkdownDocument? Read(string text, MarkdownPipeline pipeline)
    {
        try
        {
            var read = Markdown.Parse(text, pipeline);
            return IsDeeper(read, Deepest) ? null : read;
        }
        catch (ArgumentException)
        {
            // So the parser says that it gave up at its depth; it has no other way to be asked.
            return null;
        }
    }

    private static readonly MarkdownPipeline Steps = new MarkdownPipelineBuilder().DisableHtml().UsePipeTables().Build();

    /// <summary>The blocks of a step: HTML in it is text.</summary>
    public static MarkdownDocument OfStep(string text) => ReadAny(text, Steps);

    /// <summary>The same; a text that is nested without end is words on one line.</summary>
    public static MarkdownDocument ReadAny(string text, MarkdownPipeline pipeline) =>
        Read(text, pipeline) ?? Markdown.Parse(MarkdownText.Plain(text), pipeline);

    private static bool IsDeeper(MarkdownObject marks, int left) => left == 0 || marks switch
    {
        ContainerBlock blocks => blocks.Any(b => IsDeeper(b, left - 1)),
        LeafBlock { Inline: { } inlines } => IsDeeper(inlines, left - 1),
        ContainerInline inlines => inlines.Any(i => IsDeeper(i, left - 1)),
        _ => false,
    };
}
