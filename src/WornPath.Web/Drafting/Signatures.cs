using System.Collections.Immutable;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Formats;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;

namespace WornPath.Web.Drafting;

/// <summary>The signatures of revisions: given, held against what stands now, and taken out with what was signed.</summary>
public sealed class Signatures(WornPathDb db, WorkshopKey key)
{
    /// <summary>A signature as it is shown.</summary>
    /// <param name="Who">Name and account of who signed.</param>
    /// <param name="At">When.</param>
    /// <param name="Holds">Whether it is of what stands on the sheet now.</param>
    public sealed record SignatureView(string Who, DateTime At, bool Holds);

    /// <summary>The hash of what would be signed now.</summary>
    public static string HashOf(Revision revision, Procedure procedure, Sheet sheet) => RecordChain.Hash(ContentOf(revision, procedure, sheet));

    private static byte[] ContentOf(Revision revision, Procedure procedure, Sheet sheet) => SignedFile.Content(new ProcedureFile
    {
        Number = procedure.Number,
        Title = procedure.Title,
        Platform = procedure.Platform,
        Revision = revision.Letter,
        Sheet = sheet
    });

    /// <summary>The ids of those whose signatures hold.</summary>
    /// <param name="now">The hash of what stands; asked for only where somebody has signed, since it is made of the whole sheet.</param>
    public async Task<IReadOnlyCollection<string>> SignedAsync(int revisionId, Func<string> now)
    {
        var all = await db.Signatures.AsNoTracking().Where(s => s.RevisionId == revisionId).Select(s => new { s.PersonId, s.Content }).ToListAsync();
        if (all.Count == 0) return [];
        var content = now();
        return [.. all.Where(s => s.Content == content).Select(s => s.PersonId).Distinct()];
    }

    /// <summary>The signatures of a revision, oldest first. What is released is what was signed last.</summary>
    public async Task<ImmutableArray<SignatureView>> OfAsync(Revision revision, Func<string> now)
    {
        var all = await db.Signatures.AsNoTracking().Where(s => s.RevisionId == revision.Id).OrderBy(s => s.Id)
            .Select(s => new { s.Who, s.At, s.Content }).ToListAsync();
        if (all.Count == 0) return [];
        var content = revision.State is RevisionState.Draft or RevisionState.InReview ? now() : all[^1].Content;
        return [.. all.Select(s => new SignatureView(s.Who, s.At, s.Content == content))];
    }

    /// <summary>Signs what stands on a sheet. Within the transaction of the act that does it, behind what it has written.</summary>
    /// <param name="record">The last link of the record.</param>
    public async Task AddAsync(Revision revision, Procedure procedure, Sheet sheet, string personId, DateTime at, string record)
    {
        var content = ContentOf(revision, procedure, sheet);
        var hash = RecordChain.Hash(content);
        if (!await db.SignedContents.AnyAsync(c => c.Hash == hash)) db.SignedContents.Add(new SignedContent { Hash = hash, Json = content });
        var who = await db.WhoAsync(personId);
        var says = new SignatureSays(hash, procedure.Number, revision.Letter, who, RecordChain.Time(at), record, key.Thumbprint);
        db.Signatures.Add(new Signature
        {
            RevisionId = revision.Id,
            Content = hash,
            PersonId = personId,
            Who = who,
            At = at,
            Jws = key.Sign(says)
        });
    }

    /// <summary>A revision as a file of what was signed last, with its signatures; null where nobody has signed what stands.</summary>
    /// <param name="file">The same as it would be written now, with its pictures.</param>
    public async Task<byte[]?> FileAsync(Revision revision, Func<string> now, ProcedureFile file)
    {
        var last = await db.Signatures.AsNoTracking().Where(s => s.RevisionId == revision.Id).OrderByDescending(s => s.Id).Select(s => s.Content)
            .FirstOrDefaultAsync();
        if (last is null || revision.State is RevisionState.Draft or RevisionState.InReview && now() != last) return null;
        var content = await db.SignedContents.AsNoTracking().SingleAsync(c => c.Hash == last);
        var signatures = await db.Signatures.AsNoTracking().Where(s => s.RevisionId == revision.Id && s.Content == last).OrderBy(s => s.Id)
            .Select(s => s.Jws).ToListAsync();
        return SignedFile.Write(content.Json, signatures, file);
    }
}
