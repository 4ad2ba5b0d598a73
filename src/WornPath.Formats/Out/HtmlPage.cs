using System.Net;
using System.Text;

namespace WornPath.Formats.Out;

/// <summary>A sheet as one HTML file that asks for nothing from outside and runs nothing.</summary>
public static class HtmlPage
{
    private const string Style = """
        body { font: 16px/1.45 system-ui, sans-serif; color: #1b1f1a; background: #fff; max-width: 60rem; margin: 0 auto; padding: 1.5rem; }
        h1 { font-size: 1.6rem; margin: 0 0 .5rem; } h2 { font-size: 1.2rem; border-bottom: 2px solid; margin: 1.8rem 0 .6rem; }
        .standing { border: 2px solid; padding: .4rem .7rem; font-weight: 700; display: inline-block; }
        .valid { border-width: 0; padding: 0; font-weight: 400; }
        dt { font-weight: 700; } dd { margin: 0 0 .3rem; }
        table { border-collapse: collapse; width: 100%; font-size: .92rem; } th, td { border: 1px solid #777; padding: .25rem .4rem; text-align: left; vertical-align: top; }
        figure { margin: .5rem 0; break-inside: avoid; } figure > svg { display: block; max-width: 34rem; max-height: 26rem; width: 100%; }
        figcaption { font-size: .92rem; } figcaption ol { margin: .2rem 0; padding-left: 1.4rem; }
        tr, .step, .caution { break-inside: avoid; } thead { display: table-header-group; } h2, .caution { break-after: avoid; }
        .step { display: grid; grid-template-columns: 2.6rem 1fr; padding: .35rem 0; border-bottom: 1px solid #bbb; }
        .number { font-weight: 700; } .text p { margin: 0 0 .3rem; } .note { font-weight: 700; margin: .2rem 0 0; }
        .caution { border: 2px solid; padding: .35rem .6rem; margin: .5rem 0; } .owed { border: 2px dashed; padding: .4rem .7rem; }
        .wide { overflow-x: auto; } @page { margin: 16mm 14mm; }
        """;

    /// <summary>Writes a document.</summary>
    public static string Write(SheetDocument document, MarkdownHtml markdown)
    {
        var html = new StringBuilder();
        html.Append("<!DOCTYPE html>\n<html lang=\"en\">\n<head>\n<meta charset=\"utf-8\">\n")
            .Append("<meta http-equiv=\"Content-Security-Policy\" content=\"default-src 'none'; style-src 'unsafe-inline'; img-src data:\">\n")
            .Append("<meta name=\"viewport\" content=\"width=device-width, initial-scale=1\">\n")
            .Append("<title>").Append(Text(document.Label.Line)).Append("</title>\n<style>\n").Append(Style).Append("\n</style>\n</head>\n<body>\n<main>\n")
            .Append("<h1>").Append(Text(document.Label.Line)).Append("</h1>\n")
            .Append(document.Label.IsValid ? "<p class=\"standing valid\">" : "<p class=\"standing\">").Append(Text(document.Label.Standing)).Append("</p>\n")
            .Append("<p>").Append(Text(SheetDocument.Defers)).Append("</p>\n<dl>\n");
        foreach (var (name, about) in document.About) html.Append("<dt>").Append(Text(name)).Append("</dt><dd>").Append(Text(about)).Append("</dd>\n");
        html.Append("</dl>\n");
        foreach (var table in document.Before) Table(html, table);
        foreach (var phase in document.Phases)
        {
            html.Append("<section>\n<h2>").Append(Text(phase.Name)).Append("</h2>\n");
            foreach (var step in phase.Steps) Step(html, step, markdown);
            if (phase.Owed.Length > 0)
            {
                html.Append("<div class=\"owed\"><strong>Still to torque:</strong>\n<ul>\n");
                foreach (var owed in phase.Owed) html.Append("<li>").Append(Text(owed)).Append("</li>\n");
                html.Append("</ul></div>\n");
            }

            html.Append("</section>\n");
        }

        if (document.Later is { } later) Table(html, later);
        if (document.Practice.Length > 0)
        {
            html.Append("<h2>House practice</h2>\n<ul>\n");
            foreach (var line in document.Practice) html.Append("<li>").Append(Text(line)).Append("</li>\n");
            html.Append("</ul>\n");
        }

        if (document.Torques is { } torques)
        {
            Table(html, torques);
            html.Append("<p>").Append(Text(WornPath.Core.Printing.PrintedSheet.NotJudged)).Append("</p>\n");
        }

        if (document.Passes is { } passes) Table(html, passes);
        return html.Append("</main>\n</body>\n</html>\n").ToString();
    }

    private static string Text(string text) => WebUtility.HtmlEncode(MarkdownHtml.Held(text));

    private static void Step(StringBuilder html, DocumentStep step, MarkdownHtml markdown)
    {
        foreach (var caution in step.Cautions)
            html.Append("<p class=\"caution\"><strong>").Append(Text($"{caution.Signal}".ToUpperInvariant())).Append("</strong> ")
                .Append(Text($"{caution.Hazard} {caution.Consequence} {caution.Avoid}".Trim())).Append("</p>\n");
        html.Append("<div class=\"step\"><span class=\"number\">").Append(step.Number).Append("</span><div class=\"text\">")
            .Append(markdown.Of(step.Text).Trim());
        foreach (var note in step.Notes) html.Append("<p class=\"note\">").Append(Text(note)).Append("</p>");
        foreach (var figure in step.Figures) Figure(html, figure);
        html.Append("</div></div>\n");
    }

    private static void Figure(StringBuilder html, DocumentFigure figure)
    {
        html.Append("<figure>").Append(FigureDrawing.Svg(figure)).Append("<figcaption><strong>").Append(Text(figure.Title)).Append("</strong>");
        if (figure.Figure.Balloons.Length > 0)
        {
            html.Append("<ol>");
            foreach (var (_, says) in figure.Legend) html.Append("<li>").Append(Text(says)).Append("</li>");
            html.Append("</ol>");
        }

        html.Append("</figcaption></figure>");
    }

    private static void Table(StringBuilder html, DocumentTable table)
    {
        html.Append("<h2>").Append(Text(table.Name)).Append("</h2>\n");
        if (table.Rows.IsEmpty)
        {
            html.Append("<p>none known</p>\n");
            return;
        }

        html.Append("<div class=\"wide\"><table>\n<thead><tr>");
        foreach (var head in table.Heads) html.Append("<th scope=\"col\">").Append(Text(head)).Append("</th>");
        html.Append("</tr></thead>\n<tbody>\n");
        foreach (var row in table.Rows)
        {
            html.Append("<tr>");
            foreach (var cell in row) html.Append("<td>").Append(Text(cell)).Append("</td>");
            html.Append("</tr>\n");
        }

        html.Append("</tbody>\n</table></div>\n");
    }
}
