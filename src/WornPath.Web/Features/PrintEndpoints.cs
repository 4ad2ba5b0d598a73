using WornPath.Core.Workshops;
using System.Collections.Immutable;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Mvc;
using WornPath.Core.Building;
using WornPath.Core.Printing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Formats;
using WornPath.Formats.Out;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The sheet as it prints.</summary>
public static class PrintEndpoints
{
    /// <summary>A step as printed, its text as safe HTML.</summary>
    /// <param name="Tightens">The joints that are brought to a value here, with what the wrench is set to.</param>
    /// <param name="Figures">What it shows, numbered.</param>
    /// <param name="Changed">True where something is other than in the revision people worked from before.</param>
    public sealed record PrintedStepView(int Number, string Html, ImmutableArray<Caution> Cautions, int? People, ImmutableArray<PrintedTightening> Tightens,
        ImmutableArray<PrintedFigure> Figures, bool Changed);

    /// <summary>A phase as printed.</summary>
    public sealed record PrintedPhaseView(string Name, ImmutableArray<PrintedStepView> Steps, ImmutableArray<OwedTorque> Owed);

    /// <summary>Who put a name to the revision, for what, and when.</summary>
    /// <param name="When">Null where no day is kept: of values read one by one.</param>
    public sealed record SignedView(string For, string Who, DateTime? When);

    /// <summary>Where the revision is to be found as it stands today.</summary>
    /// <param name="Address">As people open it.</param>
    /// <param name="Picture">The same to scan.</param>
    public sealed record WhereView(string Address, string Picture);

    /// <summary>What is other than in the revision people worked from before.</summary>
    /// <param name="Letter">That revision.</param>
    /// <param name="Why">Why, as its author said it; empty where she has not yet.</param>
    /// <param name="Says">A sentence for each difference, or that there is none.</param>
    /// <param name="Joints">Ids of the joints whose values are others.</param>
    public sealed record ChangesView(string Letter, string Why, ImmutableArray<string> Says, ImmutableArray<string> Joints);

    /// <summary>The printed sheet: what to have in hand, steps with their cautions, the torque table.</summary>
    /// <param name="Bulletins">What is said against it, a sentence each.</param>
    /// <param name="Changes">Null for a procedure's first revision.</param>
    /// <param name="VerifiedBy">Who read all values from their sources a second time; empty where one is still to be read, or there is none.</param>
    public sealed record PrintView(string Number, string Title, string Platform, string Letter, RevisionState State, string Author, string? ReleasedBy, DateTime? ReleasedAt,
        SheetHeader Header, ImmutableArray<PrintedItem> Parts, ImmutableArray<ToolLine> Tools, ImmutableArray<PrintedItem> Consumables,
            ImmutableArray<PrintedPhaseView> Phases, ImmutableArray<PrintedTorque> Torques, ImmutableArray<PrintedPattern> Patterns,
        ImmutableArray<PrintedLater> Later, ImmutableArray<string> Practice, string As, string VerifiedBy, string NotJudged,
            ImmutableArray<SignedView> Signed, WhereView Where, ChangesView? Changes, ImmutableArray<string> Bulletins);

    /// <summary>A format a sheet goes out in.</summary>
    public sealed record ExportFormatView(string Id, string Name, string Says);

    public static void MapPrint(this IEndpointRouteBuilder api)
    {
        api.MapGet("/revisions/{id:int}/print", GetAsync).RequireAuthorization().WithTags("Revision").WithName("GetPrint");
        api.MapGet("/revisions/{id:int}/export/{format}", ExportAsync).RequireAuthorization().WithTags("Revision").WithName("ExportSheet")
            .Produces<string>(200, "text/plain").WithMetadata(new BlindWay(BlindWay.Kind.Refused));
        api.MapGet("/export-formats", () => TypedResults.Ok(ExportFormat.All.Select(f => new ExportFormatView(f.Id, f.Name, f.Says)).ToArray()))
            .RequireAuthorization().WithTags("Revision").WithName("GetExportFormats");
    }

    private static async Task<Results<FileContentHttpResult, ProblemHttpResult>> ExportAsync(int id, string format, [FromQuery(Name = "as")] string? walkAs,
        RevisionEndpoints.Shelf shelf, Drafts drafts, Former former, PictureFiles pictures, Holders holders, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if (ExportFormat.Find(format) is not { } written) return Problems.NotThere("This format");
        var walk = draft.Now.Walks.As(walkAs);
        var events = await shelf.EventsAsync(id);
        var released = events.LastOrDefault(e => e.Kind == ReviewEventKind.Released);
        var bulletins = await BulletinsAsync(revision, draft, shelf, me);
        var label = new SheetLabel(revision.Procedure.Number, revision.Procedure.Title, revision.Procedure.Platform, revision.Letter,
            string.Join(' ', bulletins.Prepend(SheetStanding.Of(revision.State, released is null ? null : (released.Who, released.At),
                revision.Author.DisplayName, VerifiedBy(draft, revision)))),
            revision.State == RevisionState.Released && bulletins.IsEmpty, AsOf(walk, draft.Now.Sheet));
        var (before, differences) = await former.SinceAsync(revision, draft, walk, drafts, me);
        var document = SheetDocument.Of(label, PrintedSheet.Of(walk), pictures.Read) with
        {
            Findings = draft.Now.Findings,
            Changes = before is null || differences is null ? null : new DocumentTable($"Changed since revision {before.Letter}", ["What"],
                [.. differences.Summary().Prepend(Former.WhyIn(events) is { Length: > 0 } why ? $"Because: {why}" : "").Where(l => l.Length > 0)
                    .Select(l => ImmutableArray.Create(l))]),
        };
        await holders.NoteAsync(revision, me.Id(), HoldingKind.Saved);
        return TypedResults.File(written.Write(document), written.MediaType, written.FileName(label));
    }

    private static string VerifiedBy(Draft draft, Revision revision) =>
        ValueChecks.VerifiedBy(draft.Now.Sheet, draft.Now.Reviewed.Checks, revision.State is RevisionState.Draft or RevisionState.InReview);

    private static string AsOf(Walk walk, Sheet sheet) => sheet.Header.Variants.IsEmpty ? "" : walk.Combination.Says(sheet);

    private static async Task<Results<Ok<PrintView>, ProblemHttpResult>> GetAsync(int id, [FromQuery(Name = "as")] string? walkAs,
        RevisionEndpoints.Shelf shelf, Drafts drafts, Former former, Signatures signatures, MarkdownHtml html, ClaimsPrincipal me, HttpRequest request,
        AccessOptions access)
    {
        if (await shelf.FindAsync(id, me) is not { } revision || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        var walk = draft.Now.Walks.As(walkAs);
        var sheet = PrintedSheet.Of(walk);
        var (before, differences) = await former.SinceAsync(revision, draft, walk, drafts, me);
        string[] ids = [.. walk.Written.Steps.Select(s => s.Id)];
        var events = await shelf.EventsAsync(id);
        var released = events.LastOrDefault(e => e.Kind == ReviewEventKind.Released);
        var verified = VerifiedBy(draft, revision);
        var submitted = events.LastOrDefault(e => e.Kind == ReviewEventKind.Sent);
        List<SignedView> signed = [new("written by", revision.Author.DisplayName, submitted?.At)];
        if (verified.Length > 0) signed.Add(new("values read from their sources by", verified, null));
        if (released is not null)
        {
            // Who releases it signs it by that; who else did stands before.
            var others = (await signatures.OfAsync(revision, () => "")).Where(s => s.Holds && s.Who != released.Who).ToList();
            if (others.Count > 0) signed.Add(new("signed by", string.Join(", ", others.Select(s => s.Who)), others[^1].At));
            signed.Add(new("released by", released.Who, released.At));
        }

        return TypedResults.Ok(new PrintView(
            revision.Procedure.Number, revision.Procedure.Title, revision.Procedure.Platform, revision.Letter, revision.State, revision.Author.DisplayName, released?.Who, released?.At,
            sheet.Header, sheet.Parts, sheet.Tools, sheet.Consumables,
            [.. sheet.Phases.Select(p => new PrintedPhaseView(p.Name, [.. p.Steps.Select(s => new PrintedStepView(s.Number, html.Of(s.Text),
                s.Cautions, s.People, s.Tightens, s.Figures, differences?.Changed.Contains(ids[s.Number - 1]) == true))], p.Owed))],
            sheet.Torques, sheet.Patterns, sheet.Later, sheet.Practice, AsOf(walk, draft.Now.Sheet), verified, PrintedSheet.NotJudged, [.. signed],
            WhereIs(new Uri(access.Address(request), $"/r/{id}/follow")),
            before is null || differences is null ? null : new ChangesView(before.Letter, Former.WhyIn(events), [.. differences.Summary()],
                [.. differences.Lines.Where(l => l.Group is DifferenceGroup.Values or DifferenceGroup.Safety).Select(l => l.Thing).OfType<string>()
                    .Distinct()]), await BulletinsAsync(revision, draft, shelf, me)));
    }

    // On paper it stands as it stood when it was printed: with its day. A draft is not worked from; what holds against it is for its author.
    private static async Task<ImmutableArray<string>> BulletinsAsync(Revision revision, Draft draft, RevisionEndpoints.Shelf shelf, ClaimsPrincipal me) =>
        revision.State is RevisionState.Draft or RevisionState.InReview ? [] : [.. (await RevisionEndpoints.BulletinsAsync(revision, draft, shelf, me))
            .Select(b => SheetStanding.Bulletin(b.At, b.Who, b.Place, b.Text))];

    private static WhereView WhereIs(Uri address) => new(address.AbsoluteUri, QrPicture.Of(address.AbsoluteUri));
}
