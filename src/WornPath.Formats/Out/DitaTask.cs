using System.Text;
using System.Xml;
using Markdig.Syntax;
using Markdig.Syntax.Inlines;
using MarkdownTable = Markdig.Extensions.Tables.Table;
using MarkdownCell = Markdig.Extensions.Tables.TableCell;
using MarkdownRow = Markdig.Extensions.Tables.TableRow;

namespace WornPath.Formats.Out;

/// <summary>
/// A sheet as a DITA 1.3 task (OASIS): phases are step sections, cautions hazard statements, what to have in hand the prerequisites, the
/// torque table what follows the steps.
/// </summary>
public static class DitaTask
{
    /// <summary>Writes a document.</summary>
    public static string Write(SheetDocument document)
    {
        var text = new Utf8Writer();
        using (var xml = XmlWriter.Create(text, new XmlWriterSettings { Indent = true, NewLineChars = "\n", CheckCharacters = true }))
        {
            xml.WriteStartDocument();
            xml.WriteDocType("task", "-//OASIS//DTD DITA Task//EN", "task.dtd", null);
            xml.WriteStartElement("task");
            xml.WriteAttributeString("id", Id(document.Label.Number));
            xml.WriteAttributeString("xml", "lang", null, "en");
            Put(xml, "title", document.Label.Line);
            Put(xml, "shortdesc", document.Label.Standing);
            xml.WriteStartElement("taskbody");
            Before(xml, document);
            Steps(xml, document);
            After(xml, document);
            xml.WriteEndElement();
            xml.WriteEndElement();
        }

        return text + "\n";
    }

    private static void Before(XmlWriter xml, SheetDocument document)
    {
        xml.WriteStartElement("prereq");
        Put(xml, "p", SheetDocument.Defers);
        if (document.About.Length > 0) About(xml, document);
        foreach (var table in document.Before) Table(xml, table);
        xml.WriteEndElement();
    }

    private static void About(XmlWriter xml, SheetDocument document)
    {
        xml.WriteStartElement("dl");
        foreach (var (name, about) in document.About)
        {
            xml.WriteStartElement("dlentry");
            Put(xml, "dt", name);
            Put(xml, "dd", about);
            xml.WriteEndElement();
        }

        xml.WriteEndElement();
    }

    private static void Steps(XmlWriter xml, SheetDocument document)
    {
        // The grammar wants a step at least.
        if (document.Phases.All(p => p.Steps.IsEmpty)) return;
        xml.WriteStartElement("steps");
        foreach (var phase in document.Phases.Where(p => p.Steps.Length > 0))
        {
            Put(xml, "stepsection", phase.Name);
            for (var i = 0; i < phase.Steps.Length; i++) Step(xml, phase.Steps[i], i == phase.Steps.Length - 1 ? phase.Owed : []);
        }

        xml.WriteEndElement();
    }

    private static void After(XmlWriter xml, SheetDocument document)
    {
        if (document.Torques is null && document.Passes is null && document.Later is null && document.Practice.IsEmpty) return;
        xml.WriteStartElement("postreq");
        if (document.Later is { } later) Table(xml, later);
        if (document.Torques is { } torques)
        {
            Table(xml, torques);
            Put(xml, "p", WornPath.Core.Printing.PrintedSheet.NotJudged);
        }

        if (document.Passes is { } passes) Table(xml, passes);
        if (document.Practice.Length > 0) List(xml, "House practice:", document.Practice);
        xml.WriteEndElement();
    }

    private static void Step(XmlWriter xml, DocumentStep step, IReadOnlyList<string> owed)
    {
        xml.WriteStartElement("step");
        foreach (var caution in step.Cautions)
        {
            xml.WriteStartElement("hazardstatement");
            xml.WriteAttributeString("type", caution.Signal.ToString().ToLowerInvariant());
            xml.WriteStartElement("messagepanel");
            Put(xml, "typeofhazard", caution.Hazard);
            if (caution.Consequence.Length > 0) Put(xml, "consequence", caution.Consequence);
            Put(xml, "howtoavoid", caution.Avoid);
            xml.WriteEndElement();
            xml.WriteEndElement();
        }

        var blocks = MarkdownBlocks.OfStep(XmlWords.Clean(step.Text)).ToList();
        xml.WriteStartElement("cmd");
        if (blocks is [LeafBlock { Inline: { } first }, ..]) Inlines(xml, first);
        else xml.WriteString($"Step {step.Number}");
        xml.WriteEndElement();
        var more = blocks is [LeafBlock { Inline: not null }, ..] ? blocks.Skip(1).ToList() : blocks;
        if (more.Count > 0 || step.Notes.Length > 0 || step.Figures.Length > 0 || owed.Count > 0)
        {
            xml.WriteStartElement("info");
            foreach (var block in more) Written(xml, block);
            foreach (var note in step.Notes) Put(xml, "p", note);
            foreach (var figure in step.Figures) Figure(xml, figure);
            if (owed.Count > 0) List(xml, "Still to torque:", owed);
            xml.WriteEndElement();
        }

        xml.WriteEndElement();
    }

    // The drawing goes along in the address of the image: the file needs no other.
    private static void Figure(XmlWriter xml, DocumentFigure figure)
    {
        xml.WriteStartElement("fig");
        Put(xml, "title", figure.Title);
        if (figure.Figure.Alt.Length > 0) Put(xml, "desc", figure.Figure.Alt);
        if (FigureDrawing.Svg(figure) is { Length: > 0 } svg)
        {
            xml.WriteStartElement("image");
            xml.WriteAttributeString("href", $"data:image/svg+xml;base64,{Convert.ToBase64String(Encoding.UTF8.GetBytes(svg))}");
            xml.WriteAttributeString("format", "svg");
            xml.WriteAttributeString("scope", "external");
            Put(xml, "alt", figure.Figure.Alt);
            xml.WriteEndElement();
        }

        if (figure.Figure.Balloons.Length > 0)
        {
            xml.WriteStartElement("ol");
            foreach (var (_, says) in figure.Legend) Put(xml, "li", says);
            xml.WriteEndElement();
        }

        xml.WriteEndElement();
    }

    private static void Written(XmlWriter xml, Block block)
    {
        switch (block)
        {
            case MarkdownTable table:
                xml.WriteStartElement("simpletable");
                foreach (var row in table.OfType<MarkdownRow>())
                {
                    xml.WriteStartElement(row.IsHeader ? "sthead" : "strow");
                    foreach (var cell in row.OfType<MarkdownCell>())
                    {
                        xml.WriteStartElement("stentry");
                        foreach (var inline in cell.Descendants<LeafBlock>().Select(b => b.Inline).OfType<ContainerInline>()) Inlines(xml, inline);
                        xml.WriteEndElement();
                    }

                    xml.WriteEndElement();
                }

                xml.WriteEndElement();
                break;
            case ListBlock list:
                xml.WriteStartElement(list.IsOrdered ? "ol" : "ul");
                foreach (var item in list.OfType<ListItemBlock>())
                {
                    xml.WriteStartElement("li");
                    foreach (var inner in item) Written(xml, inner);
                    xml.WriteEndElement();
                }

                xml.WriteEndElement();
                break;
            case ContainerBlock container:
                foreach (var inner in container) Written(xml, inner);
                break;
            case LeafBlock { Inline: { } inlines }:
                xml.WriteStartElement("p");
                Inlines(xml, inlines);
                xml.WriteEndElement();
                break;
            case CodeBlock code:
                Put(xml, "codeblock", code.Lines.ToString());
                break;
        }
    }

    private static void Inlines(XmlWriter xml, ContainerInline inlines)
    {
        foreach (var inline in inlines)
        {
            switch (inline)
            {
                case EmphasisInline emphasis:
                    xml.WriteStartElement(emphasis.DelimiterCount > 1 ? "b" : "i");
                    Inlines(xml, emphasis);
                    xml.WriteEndElement();
                    break;
                case CodeInline code:
                    Put(xml, "codeph", code.Content);
                    break;
                case LineBreakInline:
                    xml.WriteString("\n");
                    break;
                // What a link leads to is said, and leads nowhere.
                case LinkInline link:
                    Inlines(xml, link);
                    if (link.Url is { Length: > 0 } url) xml.WriteString($" ({url})");
                    break;
                case DelimiterInline open:
                    xml.WriteString(open.ToLiteral());
                    Inlines(xml, open);
                    break;
                case ContainerInline container:
                    Inlines(xml, container);
                    break;
                case HtmlEntityInline entity:
                    xml.WriteString(entity.Transcoded.ToString());
                    break;
                case AutolinkInline auto:
                    xml.WriteString(auto.Url);
                    break;
                case LiteralInline literal:
                    xml.WriteString(literal.Content.ToString());
                    break;
            }
        }
    }

    private static void Table(XmlWriter xml, DocumentTable table)
    {
        if (table.Rows.IsEmpty)
        {
            Put(xml, "p", $"{table.Name}: none known");
            return;
        }

        xml.WriteStartElement("table");
        Put(xml, "title", table.Name);
        xml.WriteStartElement("tgroup");
        xml.WriteAttributeString("cols", XmlConvert.ToString(table.Heads.Length));
        xml.WriteStartElement("thead");
        Row(xml, table.Heads);
        xml.WriteEndElement();
        xml.WriteStartElement("tbody");
        foreach (var row in table.Rows) Row(xml, row);
        xml.WriteEndElement();
        xml.WriteEndElement();
        xml.WriteEndElement();
    }

    private static void Row(XmlWriter xml, IEnumerable<string> cells)
    {
        xml.WriteStartElement("row");
        foreach (var cell in cells) Put(xml, "entry", cell);
        xml.WriteEndElement();
    }

    private static void List(XmlWriter xml, string lead, IEnumerable<string> items)
    {
        Put(xml, "p", lead);
        xml.WriteStartElement("ul");
        foreach (var item in items) Put(xml, "li", item);
        xml.WriteEndElement();
    }

    private static void Put(XmlWriter xml, string name, string text)
    {
        xml.WriteStartElement(name);
        xml.WriteString(XmlWords.Clean(text));
        xml.WriteEndElement();
    }

    // An XML name: "OT-104" is one, "104" is not.
    private static string Id(string number) => XmlConvert.EncodeLocalName(char.IsAsciiLetter(number.FirstOrDefault()) ? number : $"p{number}").Replace(' ', '_');

    private sealed class Utf8Writer : StringWriter
    {
        public override Encoding Encoding => Encoding.UTF8;
    }
}
