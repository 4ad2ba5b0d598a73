using System.Text;
using System.Xml;

namespace WornPath.Formats.Out;

/// <summary>Words as XML can hold them.</summary>
internal static class XmlWords
{
    /// <summary>What XML cannot hold (a control character somebody pasted) is shown as one that cannot be shown.</summary>
    public static string Clean(string text)
    {
        var clean = new StringBuilder(text.Length);
        for (var i = 0; i < text.Length; i++)
        {
            if (i + 1 < text.Length && XmlConvert.IsXmlSurrogatePair(text[i + 1], text[i])) clean.Append(text[i]).Append(text[++i]);
            else clean.Append(XmlConvert.IsXmlChar(text[i]) ? text[i] : '\uFFFD');
        }

        return clean.ToString();
    }

    /// <summary>The same on one line, a number with its unit.</summary>
    public static string Line(string text) => MarkdownHtml.Held(Clean(text.ReplaceLineEndings(" ")));
}
