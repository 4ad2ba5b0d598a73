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
/// The values that were taken from an edition of a source document before the one in force, or from the workshop's library of values and blocks
/// in another version than it keeps: which sheets have them, who writes those, and who is told when another comes into force.
/// </summary>
public sealed partial class FormerEditions(WornPathDb db, WorkshopBook book, Mailbox mail, ILogger<FormerEditions> log)
{
    /// <summary>A document, a kept value or a block of the workshop, and what is taken from it.</summary>
    /// <param name="Kind">A source, a value or a block of the library.</param>
    /// <param name="Name">What it is called.</param>
    /// <param name="InForce">The edition or version in force; empty for a value that is kept no more.</param>
    /// <param name="Sheets">How many drafts and released sheets have it, in whatever edition.</param>
    /// <param name="Former">Those that have another than the one in force, by number: what is to be looked up again.</param>
    public sealed record CitedView(UseKind Kind, string Name, string InForce, int Sheets, IReadOnlyList<FormerSheetView> Former);

    /// <summary>A sheet with values from a former edition or version.</summary>
    /// <param name="Owner">Who owns the procedure.</param>
    /// <param name="IsRevised">True for a released one while a later revision of it is being written.</param>
    /// <param name="MayRevise">True where who asks may start the next revision.</param>
    public sealed record FormerSheetView(int RevisionId, string Number, string Title, string Letter, RevisionState State, string Owner, bool IsRevised,
        bool MayRevise, IReadOnlyList<FormerValueView> Values)
    {
        /// <summary>The procedure.</summary>
        internal int ProcedureId { get; init; }
    }

    /// <summary>Where a sheet has a former edition or version.</summary>
    /// <param name="Source">The source, or the kept value with its version, as it stands there.</param>
    /// <param name="At">Id of the first step it comes up in; empty where none does.</param>
    /// <param name="Says">What is taken from it: "J4 caliper bolts".</param>
    public sealed record FormerValueView(string Source, string At, string Says);

    private static readonly WhereUsed.Reader Everything = new(true, null);

    /// <summary>What sheets take values from, as it is in force.</summary>
    /// <param name="Kind">A source, or a value of the library.</param>
    /// <param name="Name">What it is called.</param>
    /// <param name="InForce">The edition or version; empty for a value that is kept no more.</param>
    /// <param name="IsFormer">Whether a name sheets use is another edition or version of it.</param>
    /// <param name="StoodIn">Whether it was in force in the workshop of a day.</param>
    private sealed record Kept(UseKind Kind, string Name, string InForce, Predicate<string> IsFormer, Predicate<Workshop> StoodIn)
    {
        public static Kept Of(SourceDocument document) => new(UseKind.Source, document.Name, document.Edition,
            source => document.FormerIn(source) is not null, then => then.Documents.Any(d => d.Name == document.Name && d.Edition == document.Edition));

        public static Kept Of(KeptValue value) => new(UseKind.Value, value.Name, $"version {value.Version}",
            name => KeptFrom.Parse(name) is { IsGood: true, Value: var from } && from.Version != value.Version,
            then => then.Values.Any(v => v.From == value.From));

        public static Kept Of(Block block) => new(UseKind.Block, block.Name, $"version {block.Version}",
            name => KeptFrom.Parse(name) is { IsGood: true, Value: var from } && from.Version != block.Version,
            then => then.AllBlocks.Any(b => b.From == block.From));

        public static Kept NoMore(UseKind kind, string name) => new(kind, name, "", _ => true,
            then => NamesOf(kind, then).All(n => !n.Equals(name, StringComparison.OrdinalIgnoreCase)));

        private static IEnumerable<string> NamesOf(UseKind kind, Workshop workshop) =>
            kind == UseKind.Value ? workshop.Values.Select(v => v.Name) : workshop.AllBlocks.Select(b => b.Name);
    }

    // What a name sheets use is taken from; null for a source the workshop does not keep.
    private static Kept? KeptOf(Workshop workshop, UseKind kind, string name)
    {
        if (kind == UseKind.Source) return SourceDocument.Cited(workshop.Documents, name) is { } document ? Kept.Of(document) : null;
        // A name that was cut short is of none.
        if (KeptFrom.Parse(name) is not { IsGood: true, Value: var from } || kind == UseKind.Value && workshop.Values.IsEmpty) return null;
        if (kind == UseKind.Block) return workshop.BlockOf(from) is { } block ? Kept.Of(block) : Kept.NoMore(kind, from.Name);
        return KeptValue.Called(workshop.Values, from) is { } value ? Kept.Of(value) : Kept.NoMore(kind, from.Name);
    }

    /// <summary>The documents the workshop keeps, in its order, and the values of its library that sheets have, by name.</summary>
    /// <param name="author">Id of an author who asks what she may revise of it; null where nobody does.</param>
    public async Task<IReadOnlyList<CitedView>> AllAsync(string? author = null)
    {
        var workshop = (await book.NowAsync()).Workshop;
        var mine = author is null ? [] : await MineAsync(author);
        var views = new List<CitedView>();
        foreach (var document in workshop.Documents)
        {
            var cited = ShelfWords.Match(document.Name) is not { } match ? []
                : (await WhereUsed.SourcesAsync(db, match)).FindAll(n => SourceDocument.Cited(workshop.Documents, n.Name) == document);
            views.Add(await OfAsync(Kept.Of(document), cited, mine));
        }

        var taken = await db.UsedNames.AsNoTracking().Where(n => n.Kind == UseKind.Value || n.Kind == UseKind.Block).OrderBy(n => n.Name).ToListAsync();
        foreach (var of in taken.Select(n => (Name: n, Kept: KeptOf(workshop, n.Kind, n.Name))).Where(n => n.Kept is not null)
            .GroupBy(n => (n.Name.Kind, n.Kept!.Name.ToUpperInvariant())))
            views.Add(await OfAsync(of.First().Kept!, [.. of.Select(n => n.Name)], mine));
        return views;
    }

    private async Task<HashSet<int>> MineAsync(string personId) =>
        [.. await db.ProcedureAuthors.Where(a => a.PersonId == personId).Select(a => a.ProcedureId).ToListAsync()];

    private async Task<CitedView> OfAsync(Kept kept, List<UsedName> names, HashSet<int> mine)
    {
        var ids = names.ConvertAll(n => n.Id);
        var sheets = await db.UsedOn.Where(u => EF.Parameter(ids).Contains(u.NameId)).Select(u => u.RevisionId).Distinct().CountAsync();
        var former = names.Where(n => kept.IsFormer(n.Name)).ToDictionary(n => n.Id, n => n.Name);
        var (rows, _) = await WhereUsed.OnAsync(db, [.. former.Keys], false, Everything, int.MaxValue);
        var revised = rows.Count == 0 ? [] : await RevisedAsync([.. rows.Select(r => r.ProcedureId).Distinct()]);
        return new CitedView(kept.Kind, kept.Name, kept.InForce, sheets, [.. rows.GroupBy(r => r.RevisionId).Select(SheetOf)]);

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

    /// <summary>A sheet somebody writes that has values from a former edition or version.</summary>
    /// <param name="RevisionId">Where it is to be found.</param>
    /// <param name="Sheet">Which sheet, in words.</param>
    /// <param name="Says">What of it is to be looked up again.</param>
    /// <param name="Since">Since when another is in force.</param>
    public sealed record Waiting(int RevisionId, string Sheet, string Says, DateTime Since);

    /// <summary>
    /// What a person writes that has values from a former edition or version: asked at every look at the shelf, and so of her own sheets alone.
    /// Of one that is being written anew, that revision waits; in review nobody writes.
    /// </summary>
    public async Task<IReadOnlyList<Waiting>> WaitForAsync(string personId)
    {
        var workshop = (await book.NowAsync()).Workshop;
        var used = await (from use in db.UsedOn.AsNoTracking()
                          join name in db.UsedNames on use.NameId equals name.Id
                          join revision in db.Revisions on use.RevisionId equals revision.Id
                          where (name.Kind == UseKind.Source || name.Kind == UseKind.Value || name.Kind == UseKind.Block)
                              && revision.Procedure.Authors.Any(a => a.PersonId == personId)
                              && (revision.State == RevisionState.Draft || revision.State == RevisionState.Released && !db.Revisions.Any(r =>
                                  r.ProcedureId == revision.ProcedureId && (r.State == RevisionState.Draft || r.State == RevisionState.InReview)))
                          orderby revision.Procedure.Number, revision.Id
                          select new
                          {
                              revision.Id,
                              Sheet = revision.Procedure.Number + " " + revision.Procedure.Title + ", " + revision.Letter,
                              name.Kind,
                              name.Name,
                          }).ToListAsync();
        var former = used.Select(u => (u.Id, u.Sheet, u.Name, Kept: KeptOf(workshop, u.Kind, u.Name))).Where(u => u.Kept?.IsFormer(u.Name) == true).ToList();
        var waiting = new List<Waiting>();
        foreach (var of in former.GroupBy(u => (u.Kept!.Kind, u.Kept.Name)))
        {
            var kept = of.First().Kept!;
            var says = kept switch
            {
                { Kind: UseKind.Source } => $"has values from a former edition of {kept.Name}; the {kept.InForce} is in force",
                { InForce: "" } => $"has the {EnumWord.Of(kept.Kind)} “{kept.Name}”, which the workshop keeps no more",
                _ => $"has another version of the {EnumWord.Of(kept.Kind)} “{kept.Name}”; {kept.InForce} is kept",
            };
            var since = await SinceAsync(kept);
            waiting.AddRange(of.Select(u => (u.Id, u.Sheet)).Distinct().Select(u => new Waiting(u.Id, u.Sheet, says, since)));
        }

        return waiting;
    }

    // When it came into force: the settings are kept version by version.
    private async Task<DateTime> SinceAsync(Kept kept)
    {
        var since = DateTime.UnixEpoch;
        await foreach (var version in db.Workshops.AsNoTracking().OrderByDescending(w => w.Version).AsAsyncEnumerable())
        {
            if (!kept.StoodIn(JsonSerializer.Deserialize<Workshop>(version.Json, SheetJson.Options)!)) break;
            since = version.At;
        }

        return since;
    }

    /// <summary>Writes to the owners of sheets with values from what another edition or version of has come into force, but for who wrote it.</summary>
    /// <param name="before">The workshop as it was.</param>
    /// <param name="from">Who keeps the workshop.</param>
    /// <param name="where">Where the list of a kind is.</param>
    public async Task TellAsync(Workshop before, string from, Func<UseKind, Uri> where)
    {
        var workshop = (await book.NowAsync()).Workshop;
        foreach (var cited in (await AllAsync()).Where(c => c.Former.Count > 0))
        {
            // One of the names that are to be looked up tells what it is of.
            var kept = KeptOf(workshop, cited.Kind, cited.Former[0].Values[0].Source)!;
            if (kept.StoodIn(before)) continue;
            var procedures = cited.Former.Select(s => s.ProcedureId).Distinct().ToList();
            var owners = await db.ProcedureAuthors.AsNoTracking().Where(a => a.IsOwner && EF.Parameter(procedures).Contains(a.ProcedureId)
                && a.PersonId != from
                && a.Person.Email != null && a.Person.DisabledAt == null).Select(a => new { a.ProcedureId, a.Person }).ToListAsync();
            foreach (var owner in owners.GroupBy(o => o.Person.Id))
            {
                var sheets = cited.Former.Where(s => owner.Any(o => o.ProcedureId == s.ProcedureId));
                var (subject, have, what) = kept switch
                {
                    { Kind: UseKind.Source } => ($"The {kept.InForce} of {kept.Name} is in force", "values from an edition before",
                        "Look each up in the edition in force, and write its page beside the value."),
                    { InForce: "" } => ($"The workshop keeps “{kept.Name}” no more", $"that {EnumWord.Of(kept.Kind)}",
                        "Look at each, and say whether it is the sheet’s own."),
                    { Kind: UseKind.Block } => ($"The block “{kept.Name}” reads otherwise now, {kept.InForce}", "another version of it",
                        "Each says how the block reads now: change its steps as far as it matters there."),
                    _ => ($"“{kept.Name}” is another value now, {kept.InForce}", "another version of it",
                        "Each says what is kept now, and takes it with one click."),
                };
                try
                {
                    mail.Tell(owner.First().Person, subject, $"These sheets of yours have {have}:\n\n" + string.Join('\n', sheets.Select(s =>
                            $"{s.Number} {s.Title}, {s.Letter}, {EnumWord.Of(s.State)}: {string.Join("; ", s.Values.Select(v => v.Says))}"))
                        + $"\n\n{what} The whole list: {where(kept.Kind)}");
                }
                catch (IOException full)
                {
                    // It is in force, and her shelf says so.
                    NotMailed(log, owner.First().Person.DisplayName, full);
                }
            }
        }
    }

    [LoggerMessage(Level = LogLevel.Warning, Message = "The message to {Who} about a new edition could not be put into the outbox.")]
    private static partial void NotMailed(ILogger log, string who, Exception why);
}
