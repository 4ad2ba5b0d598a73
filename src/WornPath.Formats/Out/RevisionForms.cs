using WornPath.Core.Findings;
using WornPath.Core.Printing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

namespace WornPath.Formats.Out;

/// <summary>What is written of a revision where a whole workshop goes out: the procedure file, and the sheet as text anybody reads.</summary>
public static class RevisionForms
{
    /// <summary>The forms, each with the name of its file under the procedure's folder. A sheet that cannot be a file (a picture is lost) is written as text alone.</summary>
    /// <param name="picture">The bytes of a picture by its key; null where it is not kept.</param>
    public static IEnumerable<(string Name, byte[] Bytes)> Of(string number, string title, string platform, string letter, RevisionState state,
        Sheet sheet, Func<string, byte[]?> picture)
    {
        var file = FilePictures.With(new ProcedureFile { Number = number, Title = title, Platform = platform, Revision = letter, Sheet = sheet }, picture);
        if (ProcedureFileText.Write(file) is { IsGood: true } written) yield return (Name("json"), written.Value);
        var standing = state == RevisionState.Released ? SheetStanding.ReleasedThen : SheetStanding.Of(state, null, "", "");
        var label = new SheetLabel(number, title, platform, letter, standing, state == RevisionState.Released, "");
        var markdown = ExportFormat.Find("markdown")!;
        yield return (Name(markdown.Extension), markdown.Write(SheetDocument.Of(label, PrintedSheet.Of(WalkSet.Run(sheet, new Workshop()).As(null)),
            picture)));

        string Name(string extension) => $"{ExportFormat.NameOf(number)}/{ExportFormat.NameOf($"{number}-{letter}")}.{extension}";
    }
}
