using WornPath.Core.Sheets;

namespace WornPath.Store;

/// <summary>
/// The pictures of figures, in the folder <c>files/pictures</c> beside the database: each once, named by its content. Nothing in it ever
/// changes or goes: what an undo or an old revision shows is there.
/// </summary>
/// <param name="folder">The data folder.</param>
public sealed class PictureFiles(string folder)
{
    /// <summary>True where a picture is kept.</summary>
    public bool Has(string key) => FigurePicture.IsKey(key) && File.Exists(PathOf(key));

    /// <summary>A picture's bytes; null where it is not kept.</summary>
    public byte[]? Read(string key) => Has(key) ? File.ReadAllBytes(PathOf(key)) : null;

    /// <summary>Keeps a picture. It is on the disk, whole and under its name, when this returns.</summary>
    /// <exception cref="ArgumentException">The key is none.</exception>
    public void Keep(string key, byte[] bytes)
    {
        if (!FigurePicture.IsKey(key)) throw new ArgumentException($"“{key}” is no key of a picture.", nameof(key));
        var path = PathOf(key);
        if (File.Exists(path)) return;
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        // Under another name first: what is cut short never bears the name of a whole one.
        var part = $"{path}.{Guid.NewGuid():N}.part";
        try
        {
            using (var file = new FileStream(part, FileMode.CreateNew, FileAccess.Write))
            {
                file.Write(bytes);
                file.Flush(flushToDisk: true);
            }

            File.Move(part, path, overwrite: true);
        }
        finally
        {
            File.Delete(part);
        }
    }

    // Two letters a folder: none gets long.
    private string PathOf(string key) => Path.Combine(folder, Backup.Beside, "pictures", key[..2], key);
}
