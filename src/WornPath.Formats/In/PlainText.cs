using System.Text;

namespace WornPath.Formats.In;

/// <summary>The characters of a text file, in whatever of the usual ways it was saved.</summary>
public static class PlainText
{
    private static readonly Encoding Strict = new UTF8Encoding(encoderShouldEmitUTF8Identifier: false, throwOnInvalidBytes: true);

    // What older programs of Western offices save in; every byte of it is a character.
    private static readonly Encoding Western = CodePagesEncodingProvider.Instance.GetEncoding(1252)!;

    /// <summary>Reads a file: UTF-16 by its mark, UTF-8 where it is that, else Windows-1252, so that no degree or dot becomes a mark of its loss.</summary>
    public static string Read(byte[] file)
    {
        foreach (var marked in (ReadOnlySpan<Encoding>)[Encoding.UTF8, Encoding.Unicode, Encoding.BigEndianUnicode])
            if (file.AsSpan().StartsWith(marked.Preamble)) return marked.GetString(file.AsSpan(marked.Preamble.Length));
        try
        {
            return Strict.GetString(file);
        }
        catch (DecoderFallbackException)
        {
            return Western.GetString(file);
        }
    }
}
