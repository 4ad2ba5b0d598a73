namespace WornPath.Store.Entities;

/// <summary>The workshop's settings as they were from a moment on: house rules and crib. Rows are only ever added; the last one holds.</summary>
public sealed class WorkshopVersion
{
    /// <summary>From 1, one more with each change: two who change it at once cannot both have the same.</summary>
    public int Version { get; set; }

    public required string PersonId { get; set; }

    public DateTime At { get; set; }

    /// <summary>Version of the form it is written in.</summary>
    public int Format { get; set; } = WornPath.Core.Sheets.SheetFormat.Newest;

    /// <summary>House rules and crib as JSON.</summary>
    public required byte[] Json { get; set; }
}
