using System.Collections.Immutable;
using WornPath.Core;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Formats.Pictures;

namespace WornPath.Formats;

/// <summary>The figures of a procedure file, and the pictures that come and go with them.</summary>
public static class FilePictures
{
    /// <summary>The keys of the pictures a sheet shows, each once.</summary>
    public static IEnumerable<string> KeysOf(Sheet sheet) => sheet.Steps.SelectMany(s => s.Figures).Select(f => f.Picture?.Key).OfType<string>().Distinct();

    /// <summary>The file with the pictures its figures show.</summary>
    /// <param name="picture">The bytes of a picture by its key; null where it is not kept.</param>
    public static ProcedureFile With(ProcedureFile file, Func<string, byte[]?> picture)
    {
        ImmutableArray<FilePicture> pictures = [.. KeysOf(file.Sheet).Select(k => (k, picture(k))).Where(p => p.Item2 is not null).Select(p =>
            new FilePicture(p.k, p.Item2!))];
        return file with { Pictures = pictures.IsEmpty ? null : pictures };
    }

    /// <summary>A picture of a file by its key; null where it has none.</summary>
    public static Func<string, byte[]?> Of(ProcedureFile file)
    {
        var byKey = (file.Pictures ?? []).ToLookup(p => p.Key, p => p.Data);
        return key => byKey[key].FirstOrDefault();
    }

    /// <summary>What is wrong where a file lacks a picture that its figures show; null where it has them all.</summary>
    internal static Problem? Missing(ProcedureFile file) => KeysOf(file.Sheet).Except((file.Pictures ?? []).Select(p => p.Key)).Any()
        ? new Problem("The picture of a figure is not kept here any more.", "Restore the last backup, or take the figure away and put it in anew.") : null;

    /// <summary>
    /// Looks through the figures of a file that came from elsewhere: each may stand on its sheet, and shows a picture that is in the file.
    /// A picture that is not as this program keeps it is cleaned like one that is uploaded.
    /// </summary>
    internal static Outcome<ProcedureFile> Check(ProcedureFile file)
    {
        var kept = new Dictionary<string, KeptPicture>();
        foreach (var (picture, number) in (file.Pictures ?? []).Select((p, i) => (p, i + 1)))
        {
            var taken = KeptPicture.TakeBack(picture.Key, picture.Data).At($"picture {number}");
            if (!taken.IsGood) return taken.Problem;
            kept[picture.Key] = taken.Value;
        }

        var ids = new HashSet<string>();
        var stepNumber = 0;
        var steps = new Dictionary<string, Step>();
        foreach (var step in file.Sheet.Steps)
        {
            stepNumber++;
            if (step.Shows is null) continue;
            if (step.Figures.Length > SheetSize.MostFiguresOfStep)
                return new Problem($"Step {stepNumber} has {step.Figures.Length} figures.", $"A step takes at most {SheetSize.MostFiguresOfStep}.");
            var figures = ImmutableArray.CreateBuilder<Figure>();
            foreach (var figure in step.Figures)
            {
                var where = $"step {stepNumber}, figure {figures.Count + 1}";
                if (!ids.Add(figure.Id)) return new Problem($"The figure id {figure.Id} stands twice.", "Give each figure its own.").At(where);
                var now = figure;
                if (figure.Picture is { } picture)
                {
                    if (!kept.TryGetValue(picture.Key, out var there)) return new Problem("Its picture is not in the file.",
                        "Get the file again from where it came, with its pictures.").At(where);
                    now = figure with { Picture = there.Picture };
                }

                var good = Figuring.CheckForm(now).At(where);
                if (!good.IsGood) return good.Problem;
                figures.Add(good.Value);
            }

            steps[step.Id] = step with { Shows = figures.Count == 0 ? null : figures.ToImmutable() };
        }

        var shown = new HashSet<string>(steps.Values.SelectMany(s => s.Figures).Select(f => f.Picture?.Key).OfType<string>());
        ImmutableArray<FilePicture> pictures = [.. kept.Values.Where(k => shown.Contains(k.Picture.Key)).DistinctBy(k => k.Picture.Key).Select(k =>
            new FilePicture(k.Picture.Key, k.Bytes))];
        Step Now(Step step) => steps.GetValueOrDefault(step.Id, step);
        var phases = file.Sheet.Phases.Select(p => p with { Steps = [.. p.Steps.Select(Now)] });
        return file with
        {
            Pictures = pictures.IsEmpty ? null : pictures,
            Sheet = steps.Count == 0 ? file.Sheet : file.Sheet with { Phases = [.. phases] },
        };
    }
}
