using WornPath.Core.Workshops;
using System.Text.Json;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Editing;
using WornPath.Core.Findings;
using WornPath.Core.Sheets;

namespace WornPath.Store.Drafts;

/// <summary>
/// Writes edits to the log, each in one transaction with the revision's numbers for the shelf. This is the one thing every
/// writer waits for: it keeps a connection and its prepared commands for itself and goes past the change tracker, which would
/// take longer than the disk.
/// </summary>
/// <param name="open">Opens the connection, when the first edit comes.</param>
/// <param name="time">The clock.</param>
public sealed class EditWriter(Func<SqliteConnection> open, TimeProvider time) : IDisposable
{
    private readonly Lock _gate = new();
    private SqliteConnection? _connection;
    private SqliteCommand? _begin, _insert, _contribute, _update, _snapshot, _commit, _rollback;

    /// <summary>
    /// Writes an edit. When this returns the edit is on the disk. Throws <see cref="DbUpdateException"/> where another edit
    /// of the same number or client id is there already, or where the revision is no draft any more (a trigger of the database sees to it).
    /// </summary>
    /// <param name="alsoBy">Who suggested it, where another than its writer did: what stands there is by both.</param>
    public void Append(int revisionId, LogLine line, Delta delta, Sheet after, IReadOnlyCollection<Finding> findings, bool snapshot,
        string? alsoBy = null)
    {
        var stops = findings.Count(f => f.Severity == Severity.Stop);
        var json = JsonSerializer.SerializeToUtf8Bytes(delta, SheetJson.Options);
        var sheet = snapshot ? SheetJson.Write(after) : null;
        lock (_gate)
        {
            try
            {
                Open();
                _begin!.ExecuteNonQuery();
                try
                {
                    var now = time.GetUtcNow().UtcDateTime;
                    Run(_insert!, revisionId, line.Seq, line.PersonId, now, line.Kind.ToString(), line.OfSeq, line.ClientId, line.Label, SheetFormat.Newest, json);
                    foreach (var element in delta.Elements())
                    {
                        Run(_contribute!, revisionId, element, line.PersonId);
                        if (alsoBy is not null) Run(_contribute!, revisionId, element, alsoBy);
                    }

                    Run(_update!, line.Seq, stops, findings.Count - stops, after.Phases.Sum(p => p.Steps.Length), now, revisionId);
                    if (sheet is not null) Run(_snapshot!, sheet, line.Seq, SheetFormat.Newest, revisionId);
                    _commit!.ExecuteNonQuery();
                }
                catch (SqliteException)
                {
                    // A full disk has rolled back already.
                    if (SQLitePCL.raw.sqlite3_get_autocommit(_connection!.Handle) == 0) _rollback!.ExecuteNonQuery();
                    throw;
                }
            }
            catch (SqliteException e)
            {
                throw new DbUpdateException("The edit was not written.", e);
            }
        }
    }

    public void Dispose() => _connection?.Dispose();

    private void Open()
    {
        if (_connection is not null) return;
        var connection = open();
        SqliteCommand Command(string sql, int parameters)
        {
            var command = connection.CreateCommand();
            command.CommandText = sql;
            for (var i = 1; i <= parameters; i++) command.Parameters.Add(new SqliteParameter { ParameterName = $"$p{i}" });
            return command;
        }

        // Immediate: who would have to wait for another writer waits here, not half way.
        _begin = Command("BEGIN IMMEDIATE", 0);
        _insert = Command("INSERT INTO Edits (RevisionId, Seq, PersonId, At, Kind, OfSeq, ClientId, Label, Format, Delta) VALUES ($p1, $p2, $p3, $p4, $p5, $p6, $p7, $p8, $p9, $p10)", 10);
        _contribute = Command("INSERT OR IGNORE INTO Contributions (RevisionId, Element, PersonId) VALUES ($p1, $p2, $p3)", 3);
        _update = Command("UPDATE Revisions SET Seq = $p1, Stops = $p2, Warnings = $p3, StepCount = $p4, ChangedAt = $p5, Stamp = Stamp + 1 WHERE Id = $p6", 6);
        _snapshot = Command("UPDATE Snapshots SET Json = $p1, Seq = $p2, Format = $p3 WHERE RevisionId = $p4", 4);
        _commit = Command("COMMIT", 0);
        _rollback = Command("ROLLBACK", 0);
        _connection = connection;
    }

    private static void Run(SqliteCommand command, params ReadOnlySpan<object?> values)
    {
        for (var i = 0; i < values.Length; i++) command.Parameters[i].Value = values[i] ?? DBNull.Value;
        command.ExecuteNonQuery();
    }
}
