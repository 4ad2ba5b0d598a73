using System.Text.Json;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;

namespace WornPath.Web.Drafting;

/// <summary>
/// The values that were taken from an edition of a source document before the one in force: which sheets have them, who writes those, and
/// who is told when another edition comes into force.
/// </summary>
public sealed partial class FormerEditions(WornPathDb db, WorkshopBook book, Mailbox mail, ILogger<FormerEditions> log)
{
    /// <summary>A document of the workshop, and what is taken from it.</summary>
    /// <param name="Name">The document.</param>
    /// <param name="Edition">The edition in force.</param>
    /// <param name="Sheets">How many drafts and released sheets cite it, in whatever edition.</param>
    /// <param name="Former">Those that cite a former one, by number: what is to be looked up again.</param>
    public sealed record DocumentView(string Name, string Edition, int Sheets, IReadOnlyList<FormerSheetView> Former);

    /// <summary>A sheet with values from a former edition.</summary>
    /// <param name="Owner">Who owns the procedure.</param>
    /// <param name="IsRevised">True for a released one while a later revision of it is being written.</param>
    /// <param name="MayRevise">True where who asks may start the next revision.</param>
    public sealed record FormerSheetView(int RevisionId, string Number, string Title, string Letter, RevisionState State, string Owner, bool IsRevised,
        bool MayRevise, IReadOnlyList<FormerValueView> Values)
    {
        /// <summary>The procedure.</summary>
        internal int ProcedureId { get; init; }
    }

    /// <summary>Where a sheet cites a former edition.</summary>
    /// <param name="Source">The source as it stands there.</param>
    /// <param name="At">Id of the first step it comes up in; empty where none does.</param>
    /// <param name="Says">What is taken from it: "J4 caliper bolts".</param>
    public sealed record FormerValueView(string Source, string At, string Says);

    private static readonly WhereUsed.Reader Everything = new(true, null);

    /// <summary>The documents the workshop keeps, in its order.</summary>
    /// <param name="author">Id of an author who asks what she may revise of it; null where nobody does.</param>
    public async Task<IReadOnlyList<DocumentView>> AllAsync(string? author = null)
    {
        var documents = (await book.NowAsync()).Workshop.Documents;
        var mine = author is null ? [] : await MineAsync(author);
        var views = new List<DocumentView>();
        foreach (var document in documents) views.Add(await OfAsync(document, documents, mine));
        return views;
    }

    private async Task<HashSet<int>> MineAsync(string personId) =>
        [.. await db.ProcedureAuthors.Where(a => a.PersonId == personId).Select(a => a.ProcedureId).ToListAsync()];

    private async Task<DocumentView> OfAsync(SourceDocument document, IReadOnlyList<SourceDocument> documents, HashSet<int> mine)
    {
        if (ShelfWords.Match(document.Name) is not { } match) return new DocumentView(document.Name, document.Edition, 0, []);
        var cited = (await WhereUsed.SourcesAsync(db, match)).FindAll(n => SourceDocument.Cited(documents, n.Name) == document);
        var ids = cited.ConvertAll(n => n.Id);
        var sheets = await db.UsedOn.Where(u => ids.Contains(u.NameId)).Select(u => u.RevisionId).Distinct().CountAsync();
        var former = cited.Where(n => document.FormerIn(n.Name) is not null).ToDictionary(n => n.Id, n => n.Name);
        var (rows, _) = await WhereUsed.OnAsync(db, [.. former.Keys], false, Everything, int.MaxValue);
        var revised = rows.Count == 0 ? [] : await RevisedAsync([.. rows.Select(r => r.ProcedureId).Distinct()]);
        return new DocumentView(document.Name, document.Edition, sheets, [.. rows.GroupBy(r => r.RevisionId).Select(SheetOf)]);

        FormerSheetView SheetOf(IGrouping<int, WhereUsed.SheetRow> uses)
        {
            var row = uses.First();
            var isReleased = row.State == RevisionState.Released;
            var isRevised = revised.Contains(row.ProcedureId);
            return new FormerSheetView(row.RevisionId, row.Number, row.Title, row.Letter, row.State, row.Owner,
                isReleased && isRevised, isReleased && !isRevised && mine.Contains(row.ProcedureId),
                [.. uses.Select(u => new FormerValueView(former[u.NameId], u.At, u.Says))])
            { ProcedureId = row.ProcedureId };
        }
    }

    // Those of which a revision is being written.
    private async Task<HashSet<int>> RevisedAsync(List<int> procedures) =>
        [.. await db.Revisions.Where(r => procedures.Contains(r.ProcedureId) && (r.State == RevisionState.Draft || r.State == RevisionState.InReview))
            .Select(r => r.ProcedureId).Distinct().ToListAsync()];

    /// <summary>What a person writes that has values from a former edition, and since when another is in force.</summary>
    public async Task<IReadOnlyList<(FormerSheetView Sheet, DocumentView Document, DateTime Since)>> WaitForAsync(string personId)
    {
        var mine = await MineAsync(personId);
        if (mine.Count == 0) return [];
        var waiting = new List<(FormerSheetView, DocumentView, DateTime)>();
        foreach (var document in await AllAsync())
        {
            // Of one that is being written anew, that revision waits.
            var sheets = document.Former.Where(s => !s.IsRevised && s.State != RevisionState.InReview && mine.Contains(s.ProcedureId)).ToList();
            if (sheets.Count == 0) continue;
            var since = await SinceAsync(document);
            waiting.AddRange(sheets.Select(s => (s, document, since)));
        }

        return waiting;
    }

    // When the edition came into force: the settings are kept version by version.
    private async Task<DateTime> SinceAsync(DocumentView document)
    {
        var since = DateTime.UnixEpoch;
        await foreach (var version in db.Workshops.AsNoTracking().OrderByDescending(w => w.Version).AsAsyncEnumerable())
        {
            var then = JsonSerializer.Deserialize<Workshop>(version.Json, SheetJson.Options)!.Documents;
            if (then.IsDefault || !then.Any(d => d.Name == document.Name && d.Edition == document.Edition)) break;
            since = version.At;
        }

        return since;
    }

    /// <summary>Writes to the owners of sheets that cite a former edition of documents of which another has come into force, but for who wrote it.</summary>
    /// <param name="before">The documents as they were.</param>
    /// <param name="from">Who keeps the workshop.</param>
    /// <param name="where">Where the list is.</param>
    public async Task TellAsync(IReadOnlyList<SourceDocument> before, string from, Uri where)
    {
        var now = await AllAsync();
        foreach (var document in now.Where(d => d.Former.Count > 0 && !before.Any(b => b.Name == d.Name && b.Edition == d.Edition)))
        {
            var procedures = document.Former.Select(s => s.ProcedureId).ToHashSet();
            var owners = await db.ProcedureAuthors.AsNoTracking().Where(a => a.IsOwner && procedures.Contains(a.ProcedureId) && a.PersonId != from
                && a.Person.Email != null && a.Person.DisabledAt == null).Select(a => new { a.ProcedureId, a.Person }).ToListAsync();
            foreach (var owner in owners.GroupBy(o => o.Person.Id))
            {
                var sheets = document.Former.Where(s => owner.Any(o => o.ProcedureId == s.ProcedureId));
                try
                {
                    mail.Tell(owner.First().Person, $"The {document.Edition} of {document.Name} is in force",
                        "These sheets of yours have values from an edition before:\n\n" + string.Join('\n', sheets.Select(s =>
                            $"{s.Number} {s.Title}, {s.Letter}, {EnumWord.Of(s.State)}: {string.Join("; ", s.Values.Select(v => v.Says))}"))
                        + $"\n\nLook each up in the edition in force, and write its page beside the value. The whole list: {where}");
                }
                catch (IOException full)
                {
                    // The edition is in force, and her shelf says so.
                    NotMailed(log, owner.First().Person.DisplayName, full);
                }
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The message to {Who} about a new edition could not be put into the outbox.")]
    private static partial void NotMailed(ILogger log, string who, Exception why);
}
