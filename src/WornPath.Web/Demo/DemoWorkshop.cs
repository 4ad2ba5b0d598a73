using System.Collections.Immutable;
using System.Text.Json;
using WornPath.Core.Quantities;
using WornPath.Core.Editing;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Core.Revisions;
using WornPath.Formats;
using WornPath.Formats.Pictures;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Drafting;

namespace WornPath.Web.Demo;

/// <summary>Fills an empty database with the sample workshop: its people and its procedures, from the files of the demo folder.</summary>
public sealed class DemoWorkshop(WornPathDb db, UserManager<Person> people, Procedures procedures, Comments comments, Holders holders,
    WorkshopBook book,
    DemoMode demo, PictureFiles pictures, TimeProvider time)
{
    /// <summary>Fills a demo's database if nothing is on its shelf yet.</summary>
    public async Task FillAsync()
    {
        if (!demo.IsOn) throw new InvalidOperationException("The people of the demo belong into a demo's database alone.");
        // All of it or nothing: a start that is cut short begins anew.
        await using var transaction = await db.Database.BeginTransactionAsync();
        foreach (var person in DemoPeople.All) await AddAsync(person);
        if (await db.Procedures.AnyAsync())
        {
            await transaction.CommitAsync();
            return;
        }

        string author = await IdAsync("ines"), approver = await IdAsync("odo");
        Must(await FillWorkshopAsync(await IdAsync("admin")));
        foreach (var (file, sent, released) in ((string, bool, bool)[])
            [("loader-brackets", false, false), ("second-remote-valve", true, false), ("front-hub-bearing", true, true),
            ("rear-wheel-spacers", true, true), ("front-weights", true, true)])
        {
            var read = ProcedureFileText.Read(await File.ReadAllBytesAsync(Path.Combine(demo.Folder, file + ".json")));
            foreach (var picture in read.Value.Pictures ?? []) pictures.Keep(picture.Key, picture.Data);
            var id = (await procedures.AddAsync(read.Value.Number, read.Value.Title, read.Value.Platform, read.Value.Sheet, author)).Value;
            await BringAsync(id, sent, released, author, approver, "");
            // What became of it since: each later revision is the edits that lie between.
            foreach (var later in Directory.EnumerateFiles(Path.Combine(demo.Folder, "later"), $"{file}.*.json").Order(StringComparer.Ordinal))
                id = await ReviseAsync(id, await File.ReadAllBytesAsync(later), author, approver);
        }

        await CommentAsync(await ProcedureAsync("OT-207"));
        var weights = await ProcedureAsync("OT-126");
        Must(await procedures.LookAgainAsync(await db.Revisions.AsNoTracking().SingleAsync(r => r.ProcedureId == weights
            && r.State == RevisionState.Released),
            approver, DateOnly.FromDateTime(time.GetUtcNow().UtcDateTime.AddDays(20))));
        // Ines lets Marta write along on the draft; on the sheet in review she has asked to.
        var marta = await IdAsync("marta");
        db.ProcedureAuthors.Add(new ProcedureAuthor { ProcedureId = await ProcedureAsync("OT-311"), PersonId = marta, GivenById = author, At = time.GetUtcNow().UtcDateTime });
        db.AsksToWrite.Add(new AskToWrite { ProcedureId = await ProcedureAsync("OT-207"), PersonId = marta, At = time.GetUtcNow().UtcDateTime });
        await db.SaveChangesAsync();
        await transaction.CommitAsync();
    }

    // What is released was read a second time; of what is in review, the first value was.
    private async Task BringAsync(int id, bool sent, bool released, string author, string approver, string why)
    {
        var revision = await db.Revisions.AsNoTracking().Include(r => r.Snapshot).SingleAsync(r => r.Id == id);
        if (sent) Must(await procedures.SendAsync(revision, author, why, released ? [] : [approver, await IdAsync("marta")]));
        foreach (var (value, i) in StatedValue.All(SheetJson.Read(revision.Snapshot.Json)).Select((v, i) => (v, i)))
            if (released || (sent && i == 0)) Must(await procedures.CheckAsync(revision, approver, value.Seal, value.Stands));
        if (!released) return;
        // Where lives hang on it, a second person signs before the approver does.
        if (Signing.Needed(SheetJson.Read(revision.Snapshot.Json), (await book.InAsync(db)).Workshop.Rules) > 1)
            Must(await procedures.SignAsync(revision, await IdAsync("marta")));
        Must(await procedures.ReleaseAsync(revision, approver));
    }

    // What is said of the sheet in review: a question that is answered, another text that is suggested, and one that is settled.
    private async Task CommentAsync(int procedureId)
    {
        var revision = await db.Revisions.AsNoTracking().SingleAsync(r => r.ProcedureId == procedureId);
        // Read within this transaction, and not through what others hold.
        var sheet = SheetJson.Read((await db.Snapshots.AsNoTracking().SingleAsync(s => s.RevisionId == revision.Id)).Json);
        string ines = await IdAsync("ines"), odo = await IdAsync("odo"), marta = await IdAsync("marta");
        var steps = sheet.Steps.ToList();
        Step Of(string text) => steps.Single(s => s.Text.Contains(text, StringComparison.Ordinal));
        var made = 0;
        Comments.Saying Says(string text, Edit? suggested = null) => new($"sample-comment-{++made}", text, suggested);
        async Task<int> BeginAsync(string who, AnchorKind kind, string id, string words, Comments.Saying saying)
        {
            var at = words.Length == 0 ? default : new Span(Of(words).Text.IndexOf(words, StringComparison.Ordinal), words.Length);
            var begun = await comments.BeginAsync(revision, sheet, who, CommentAnchor.In(sheet, [], kind, id, at).Value, saying);
            Must(begun.Problem);
            return begun.Value;
        }

        var (fittings, caps) = (Of("one flat past hand-tight"), Of("Cap both lines"));
        await BeginAsync(marta, AnchorKind.Words, fittings.Id, "with a second wrench on the valve",
            Says("@Ines Aldaro, say which wrench: two of one size do not fit side by side there.",
            new WriteStep(fittings.Id, fittings.Text, fittings.Text.Replace("with a second wrench on the valve",
                "with a thin open-end wrench on the valve", StringComparison.Ordinal))));
        var dry = await BeginAsync(odo, AnchorKind.Value, sheet.Joints.Single(j => j.Name == "stud nuts").Id, "",
            Says("Does the sheet’s value hold for oiled studs?"));
        Must((await comments.AnswerAsync(revision, sheet, ines, dry, Says("For dry ones. The O-rings are oiled, the studs are wiped."))).Problem);
        var capped = await BeginAsync(marta, AnchorKind.Step, caps.Id, "", Says("Are there caps in the kit?"));
        Must((await comments.SettleAsync(revision, sheet, marta, reviews: true, writes: false, capped, settled: true,
            Says("Found them on the parts list."))).Problem);
    }

    // A later revision: why there is one, what was done to the one before, and the bulletin that was out against that one meanwhile.
    private sealed record Later(string Why, Edit[] Edits, string? Bulletin = null);

    private async Task<int> ReviseAsync(int from, byte[] json, string author, string approver)
    {
        var former = await db.Revisions.AsNoTracking().SingleAsync(r => r.Id == from);
        var later = JsonSerializer.Deserialize<Later>(json, SheetJson.Options)!;
        // What Tilde had on paper is older than what people work from now.
        await holders.NoteAsync(former, await IdAsync("tilde"), HoldingKind.Printed);
        if (later.Bulletin is { } text) Must(await procedures.WarnAsync(former, approver, new CommentAnchor { Kind = AnchorKind.Sheet }, text));
        var id = (await procedures.ReviseAsync(former, author)).Value;
        var sheet = SheetJson.Read((await db.Snapshots.AsNoTracking().SingleAsync(s => s.RevisionId == id)).Json);
        foreach (var edit in later.Edits)
        {
            var applied = Editor.Apply(sheet, edit);
            Must(applied.Problem);
            sheet = applied.Value.Sheet;
        }

        var written = SheetJson.Write(sheet);
        await db.Snapshots.Where(s => s.RevisionId == id).ExecuteUpdateAsync(set => set.SetProperty(s => s.Json, written));
        await BringAsync(id, true, true, author, approver, later.Why);
        return id;
    }

    private Task<int> ProcedureAsync(string number) => db.Procedures.Where(p => p.Number == number).Select(p => p.Id).SingleAsync();

    // The tools were calibrated so many months ago, whenever the sample is looked at; the last is overdue.
    private async Task<Core.Problem?> FillWorkshopAsync(string keeper)
    {
        var crib = CribCsv.Read(await File.ReadAllTextAsync(Path.Combine(demo.Folder, "crib.csv")));
        if (!crib.IsGood) return crib.Problem;
        var today = DateOnly.FromDateTime(time.GetLocalNow().DateTime);
        int[] monthsAgo = [3, 7, 5, 14];
        return await book.WriteAsync(db, w => w with
        {
            HandTools = [HandToolSet.Usual],
            Documents = [new("Sample workshop manual T28", "3rd ed.") { Dated = "2026-02" },
                new("Sample spacer kit sheet WS-4", "1st ed."), new(ValveKit, "1st ed.") { Dated = "2025" }],
            Pages = [Page(4), Page(5)],
            Values = Values,
            Crib = [.. crib.Value.Select((t, i) => t with { Calibrated = today.AddMonths(-monthsAgo[i]) })],
        }, 0, keeper);
    }

    private const string ValveKit = "Sample valve kit sheet RV-2";

    // Drawn for the sample: the sheet in review is read from them.
    private SourcePage Page(int number)
    {
        var drawn = KeptPicture.Take(File.ReadAllBytes(Path.Combine(demo.Folder, "pages", $"rv-2-p{number}.svg"))).Value;
        pictures.Keep(drawn.Picture.Key, drawn.Bytes);
        return new SourcePage($"{ValveKit}, 1st ed., p. {number}", drawn.Picture);
    }

    // The third edition gives another value for the hitch frame than the second, which a draft still has.
    private static ImmutableArray<KeptValue> Values => KeptValue.Numbered(
        [Value("T28 hitch frame bolts", "320 N·m", "Sample workshop manual T28, 2nd ed., p. 88")],
    [
        Value("T28 front wheel nuts", "130 N·m", "Sample workshop manual T28, 3rd ed., p. 41") with { Condition = TighteningCondition.TyreTouching },
        Value("T28 hitch frame bolts", "310 N·m", "Sample workshop manual T28, 3rd ed., p. 90"),
        Value("Wheel nuts on spacers WS-4", "180 N·m", "Sample spacer kit sheet WS-4, 1st ed., p. 3") with
        {
            Condition = TighteningCondition.TyreTouching,
            Variants = [new("cast wheels", TorqueText.Parse("200 N·m").Value)],
        },
    ]);

    private static KeptValue Value(string name, string torque, string source) => new(name, 1, TorqueText.Parse(torque).Value, source);

    private static void Must(Core.Problem? problem)
    {
        if (problem is not null) throw new InvalidOperationException($"The sample workshop is not what it should be: {problem}");
    }

    private async Task<string> IdAsync(string userName) => (await people.FindByNameAsync(userName))!.Id;

    private async Task AddAsync(DemoPerson wanted)
    {
        if (await people.FindByNameAsync(wanted.UserName) is { } known)
        {
            // A sample that was taken out in open forms and brought in again: passwords are not in it.
            if (!await people.HasPasswordAsync(known)) await people.AddPasswordAsync(known, DemoPeople.Password);
            return;
        }

        var person = new Person { UserName = wanted.UserName, DisplayName = wanted.Name, NameKey = PersonName.Key(wanted.Name) };
        var made = await people.CreateAsync(person, DemoPeople.Password);
        if (!made.Succeeded) throw new InvalidOperationException(string.Join(" ", made.Errors.Select(e => e.Description)));
        await people.AddToRolesAsync(person, wanted.Roles);
    }
}
