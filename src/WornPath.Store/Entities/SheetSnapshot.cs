namespace WornPath.Store.Entities;

/// <summary>A revision's sheet written whole. In a table of its own: SQLite writes a row anew at every change, and the revision's row changes with every edit.</summary>
public sealed class SheetSnapshot
{
    public int RevisionId { get; set; }

    /// <summary>The sheet as JSON, as it was after edit <see cref="Seq"/>.</summary>
    public required byte[] Json { get; set; }

    /// <summary>Version of the form it is written in (<see cref="WornPath.Core.Sheets.SheetFormat"/>).</summary>
    public int Format { get; set; } = WornPath.Core.Sheets.SheetFormat.Newest;

    /// <summary>Number of the last edit that is in it.</summary>
    public int Seq { get; set; }
}
