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
    public sealed record CitedDocumentView(string Name, string Edition, int Sheets, IReadOnlyList<FormerSheetView> Former);

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
    public async Task<IReadOnlyList<CitedDocumentView>> AllAsync(string? author = null)
    {
        var documents = (await book.NowAsync()).Workshop.Documents;
        var mine = author is null ? [] : await MineAsync(author);
        var views = new List<CitedDocumentView>();
        foreach (var document in documents) views.Add(await OfAsync(document, documents, mine));
        return views;
    }

    private async Task<HashSet<int>> MineAsync(string personId) =>
        [.. await db.ProcedureAuthors.Where(a => a.PersonId == personId).Select(a => a.ProcedureId).ToListAsync()];

    private async Task<CitedDocumentView> OfAsync(SourceDocument document, IReadOnlyList<SourceDocument> documents, HashSet<int> mine)
    {
        if (ShelfWords.Match(document.Name) is not { } match) return new CitedDocumentView(document.Name, document.Edition, 0, []);
        var cited = (await WhereUsed.SourcesAsync(db, match)).FindAll(n => SourceDocument.Cited(documents, n.Name) == document);
        var ids = cited.ConvertAll(n => n.Id);
        var sheets = await db.UsedOn.Where(u => EF.Parameter(ids).Contains(u.NameId)).Select(u => u.RevisionId).Distinct().CountAsync();
        var former = cited.Where(n => document.FormerIn(n.Name) is not null).ToDictionary(n => n.Id, n => n.Name);
        var (rows, _) = await WhereUsed.OnAsync(db, [.. former.Keys], false, Everything, int.MaxValue);
        var revised = rows.Count == 0 ? [] : await RevisedAsync([.. rows.Select(r => r.ProcedureId).Distinct()]);
        return new CitedDocumentView(document.Name, document.Edition, sheets, [.. rows.GroupBy(r => r.RevisionId).Select(SheetOf)]);

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
        [.. await db.Revisions.Where(r => EF.Parameter(procedures).Contains(r.ProcedureId)
            && (r.State == RevisionState.Draft || r.State == RevisionState.InReview))
            .Select(r => r.ProcedureId).Distinct().ToListAsync()];

    /// <summary>A sheet somebody writes, and the document of which it has values from a former edition.</summary>
    /// <param name="Since">Since when another edition is in force.</param>
    public sealed record Waiting(int RevisionId, string Sheet, SourceDocument Document, DateTime Since);

    /// <summary>
    /// What a person writes that has values from a former edition: asked at every look at the shelf, and so of her own sheets alone. Of one that
    /// is being written anew, that revision waits; in review nobody writes.
    /// </summary>
    public async Task<IReadOnlyList<Waiting>> WaitForAsync(string personId)
    {
        var documents = (await book.NowAsync()).Workshop.Documents;
        if (documents.IsEmpty) return [];
        var cited = await (from use in db.UsedOn.AsNoTracking()
                           join name in db.UsedNames on use.NameId equals name.Id
                           join revision in db.Revisions on use.RevisionId equals revision.Id
                           where name.Kind == UseKind.Source && revision.Procedure.Authors.Any(a => a.PersonId == personId)
                               && (revision.State == RevisionState.Draft || revision.State == RevisionState.Released && !db.Revisions.Any(r =>
                                   r.ProcedureId == revision.ProcedureId && (r.State == RevisionState.Draft || r.State == RevisionState.InReview)))
                           orderby revision.Procedure.Number, revision.Id
                           select new
                           {
                               revision.Id,
                               Sheet = revision.Procedure.Number + " " + revision.Procedure.Title + ", " + revision.Letter,
                               name.Name,
                           }).ToListAsync();
        var former = cited.Select(c => (c.Id, c.Sheet, Document: SourceDocument.Cited(documents, c.Name) is { } document
            && document.FormerIn(c.Name) is not null ? document : null)).Where(c => c.Document is not null).Distinct().ToList();
        var waiting = new List<Waiting>();
        foreach (var of in former.GroupBy(c => c.Document!))
        {
            var since = await SinceAsync(of.Key);
            waiting.AddRange(of.Select(c => new Waiting(c.Id, c.Sheet, of.Key, since)));
        }

        return waiting;
    }

    // When the edition came into force: the settings are kept version by version.
    private async Task<DateTime> SinceAsync(SourceDocument document)
    {
        var since = DateTime.UnixEpoch;
        await foreach (var version in db.Workshops.AsNoTracking().OrderByDescending(w => w.Version).AsAsyncEnumerable())
        {
            var then = JsonSerializer.Deserialize<Workshop>(version.Json, SheetJson.Options)!.Documents;
            if (then.IsDefault || !then.Contains(document)) break;
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
            var procedures = document.Former.Select(s => s.ProcedureId).Distinct().ToList();
            var owners = await db.ProcedureAuthors.AsNoTracking().Where(a => a.IsOwner && EF.Parameter(procedures).Contains(a.ProcedureId)
                && a.PersonId != from
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
