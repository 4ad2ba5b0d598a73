namespace WornPath.Store;

/// <summary>A database that a later version of the program has written. Nothing is done to it.</summary>
/// <param name="migration">The first migration this program does not know.</param>
public sealed class NewerDatabaseException(string migration)
    : Exception($"The database was written by a later version of Worn Path (it has “{migration}”, which this one does not know). Start that version, or restore a backup from before.");
