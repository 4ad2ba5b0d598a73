using System.Net;
using System.Net.Http.Json;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using WornPath.Store;
using WornPath.Web.Access;
using WornPath.Web.Drafting;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>Where a source, a fastener with its value, a part or a tool is used; and what a new edition of a document touches.</summary>
public sealed class UseTests : IAsyncLifetime
{
    private readonly Workshop _own = new();
    private Somebody _ines = null!, _odo = null!, _tilde = null!, _office = null!;

    public async ValueTask InitializeAsync()
    {
        (_ines, _odo, _tilde, _office) = (await _own.As("ines"), await _own.As("odo"), await _own.As("tilde"), await _own.As("admin"));
        await IndexAsync();
    }

    public async ValueTask DisposeAsync() => await _own.DisposeAsync();

    private Task IndexAsync() => _own.Services.GetRequiredService<ShelfIndexer>().CatchUpAsync(CancellationToken.None);

    private static Task<UseEndpoints.UsesPage> FindAsync(Somebody who, string query) => who.GetAsync<UseEndpoints.UsesPage>($"/api/uses?{query}");

    private static async Task<UseEndpoints.UseView> OpenAsync(Somebody who, string kind, string name)
    {
        var row = (await FindAsync(who, $"kind={kind}&q={Uri.EscapeDataString(name)}")).Rows.Single(r => r.Name.Equals(name, StringComparison.OrdinalIgnoreCase));
        var view = await who.GetAsync<UseEndpoints.UseView>($"/api/uses/{row.Id}");
        (view.Sheets.Count + view.Withheld).ShouldBe(row.Sheets);
        return view;
    }

    private async Task<int> WriteAsync(string number, params string[] steps)
    {
        var id = await _ines.NewAsync(number);
        var phase = (await _ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Id;
        string? after = null;
        foreach (var (text, i) in steps.Select((t, i) => (t, i)))
        {
            await _ines.EditAsync(id, new InsertStep($"u{i}", phase, after, text));
            after = $"u{i}";
        }

        await IndexAsync();
        return id;
    }

    [Fact]
    public async Task What_is_written_is_found_where_it_stands_and_no_longer_once_it_is_gone()
    {
        var id = await WriteAsync("U-1", "Remove the zebrawood cover with a pry bar.", "Take the Zebrawood Cover to the bench.");
        var other = await WriteAsync("U-2", "Remove the zebrawood cover.");
        var use = await OpenAsync(_ines, "part", "zebrawood cover");
        use.Sheets.Select(s => (s.RevisionId, s.Number, s.At)).ShouldBe([(id, "U-1", "u0"), (other, "U-2", "u0")]);
        use.Sheets[0].Says.ShouldBe("P1, steps 1 and 2");
        (await FindAsync(_ines, "q=zebr")).Rows.Single().Sheets.ShouldBe(2, "the beginning of a word is enough");
        (await FindAsync(_ines, "q=zebr&kind=tool")).Rows.ShouldBeEmpty();
        // Installers know of nothing that is not released, not even that it is there.
        (await FindAsync(_tilde, "q=zebr")).Rows.ShouldBeEmpty();
        (await _tilde.Http.GetAsync($"/api/uses/{use.Id}")).StatusCode.ShouldBe(HttpStatusCode.NotFound);

        await _ines.EditAsync(other, new WriteStep("u0", "Remove the zebrawood cover.", "Remove the ashen lid."));
        var sheet = (await _ines.RevisionAsync(other)).Sheet;
        if (sheet.Things!.Value.FirstOrDefault(t => t.Name == "zebrawood cover") is { } left) await _ines.EditAsync(other, new RemoveThing(left.Id));
        await IndexAsync();
        (await OpenAsync(_ines, "part", "zebrawood cover")).Sheets.Select(s => s.RevisionId).ShouldBe([id]);
        (await FindAsync(_ines, "q=ashen")).Rows.Single().Sheets.ShouldBe(1);
    }

    [Fact]
    public async Task Counts_are_of_what_is_worked_on_or_worked_from_whatever_becomes_of_a_revision()
    {
        var released = (await _ines.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=OT-104")).Rows.Single().RevisionId;
        var draft = (await _ines.PostAsync($"/api/revisions/{released}/revise")).EnsureSuccessStatusCode();
        await IndexAsync();
        var caliper = await OpenAsync(_ines, "part", "caliper");
        caliper.Sheets.Select(s => s.State).ShouldBe([RevisionState.Released, RevisionState.Draft], "the released one, and the revision after it");
        (await OpenAsync(_tilde, "part", "caliper")).Sheets.Select(s => s.RevisionId).ShouldBe([released]);

        (await _odo.PostAsync($"/api/revisions/{released}/withdraw", new { text = "A wrong value." })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        // What was withdrawn a moment ago is told of no longer, before the counts have followed.
        (await _ines.GetAsync<UseEndpoints.UseView>($"/api/uses/{caliper.Id}")).Sheets.Select(s => s.State).ShouldBe([RevisionState.Draft]);
        await IndexAsync();
        (await OpenAsync(_ines, "part", "caliper")).Sheets.Select(s => s.State).ShouldBe([RevisionState.Draft]);
        (await FindAsync(_tilde, "q=caliper&kind=part")).Rows.ShouldBeEmpty();

        // Every count is that of its rows, and nothing is kept that nobody uses.
        await using var scope = _own.Services.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
        foreach (var name in await db.UsedNames.AsNoTracking().ToListAsync())
        {
            var states = await db.UsedOn.Where(u => u.NameId == name.Id).Select(u => db.Revisions.Single(r => r.Id == u.RevisionId).State).ToListAsync();
            (name.Current, name.Released).ShouldBe((states.Count, states.Count(s => s == RevisionState.Released)), name.Name);
            states.ShouldNotBeEmpty(name.Name);
            states.ShouldAllBe(s => WhereUsed.Uses(s));
        }

        (await db.Database.SqlQuery<int>($"SELECT rowid AS Value FROM UsedWords").ToListAsync())
            .ShouldBe(await db.UsedNames.Select(n => n.Id).ToListAsync(), ignoreOrder: true);
    }

    [Fact]
    public async Task Who_has_a_value_to_read_in_its_source_does_not_find_it_here()
    {
        // OT-207 is in review: Ines wrote it, Odo has its values to read.
        var values = (await FindAsync(_ines, "kind=joint")).Rows;
        var own = new List<UseEndpoints.UseView>();
        foreach (var row in values)
            if (await _ines.GetAsync<UseEndpoints.UseView>($"/api/uses/{row.Id}") is var view
                && view.Sheets.Any(s => s.Number == "OT-207")) own.Add(view);
        own.Count.ShouldBeGreaterThan(2);
        foreach (var use in own)
        {
            var elsewhere = use.Sheets.Count(s => s.Number != "OT-207");
            var answer = await _odo.Http.GetAsync($"/api/uses/{use.Id}");
            (await FindAsync(_odo, $"kind=joint&q={Uri.EscapeDataString(use.Name)}")).Rows.Any(r => r.Id == use.Id).ShouldBe(elsewhere > 0, use.Name);
            if (elsewhere == 0) answer.StatusCode.ShouldBe(HttpStatusCode.NotFound, use.Name);
            else (await _odo.GetAsync<UseEndpoints.UseView>($"/api/uses/{use.Id}")).ShouldSatisfyAllConditions(
                v => v.Sheets.ShouldAllBe(s => s.Number != "OT-207"), v => v.Withheld.ShouldBe(1));
        }

        // Its parts are nothing to be kept from her.
        (await FindAsync(_odo, "q=valve&kind=part")).Rows.ShouldNotBeEmpty();
    }

    [Theory]
    [InlineData("\"")]
    [InlineData("NEAR(")]
    [InlineData("* ^ : { }")]
    [InlineData("Name:x")]
    public async Task Signs_that_mean_something_to_the_index_find_nothing_here(string words) =>
        (await FindAsync(_ines, $"q={Uri.EscapeDataString(words)}")).Rows.ShouldBeEmpty();

    [Fact]
    public async Task A_new_edition_is_a_list_of_what_to_look_up_again_and_tells_who_writes_it()
    {
        _office.SaysAgain = true;
        var joined = await _own.As("admin");
        Task<List<FormerEditions.CitedView>> ListAsync() => _ines.GetAsync<List<FormerEditions.CitedView>>("/api/uses/former-editions");
        async Task<string[]> DeskAsync() => [.. (await _ines.GetAsync<List<Desk.DeskLine>>("/api/desk")).Where(l => l.Says.Contains("edition")).Select(l => $"{l.Sheet}: {l.Says}")];
        var manual = (await ListAsync()).Single(d => d.Name == "Sample workshop manual T28");
        manual.Former.Select(f => f.Number).ShouldBe(["OT-311"]);
        manual.Former[0].Values.Single().Source.ShouldContain("2nd ed.");
        (await DeskAsync()).ShouldBe(["OT-311 Loader brackets and roll-over bar pads, A: has values from a former edition of Sample workshop manual T28; the 3rd ed. is in force"]);

        await using (var scope = _own.Services.CreateAsyncScope())
        {
            var db = scope.ServiceProvider.GetRequiredService<WornPathDb>();
            await db.Users.Where(p => p.UserName == "ines").ExecuteUpdateAsync(set => set.SetProperty(p => p.Email, "ines@shop.example"));
        }

        var now = await joined.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
        (await joined.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version, Documents:
            [new SourceDocument("Sample workshop manual T28", "4th ed."), new SourceDocument("Sample spacer kit sheet WS-4", "1st ed.")]), SheetJson.Options))
            .EnsureSuccessStatusCode();
        manual = (await ListAsync()).Single(d => d.Name == "Sample workshop manual T28");
        manual.Former.Count.ShouldBe(manual.Sheets, "every sheet that cites it cites a former edition now");
        manual.Former.Select(f => f.Number).ShouldBe(["OT-104", "OT-126", "OT-311"]);
        (await ListAsync()).Single(d => d.Name == "Sample spacer kit sheet WS-4").Former.ShouldBeEmpty();
        (await DeskAsync()).Length.ShouldBe(3);
        var mail = (await _office.GetAsync<List<Mail>>("/api/mail")).Single(m => m.Subject.Contains("4th ed."));
        mail.To.ShouldContain("ines@shop.example");
        mail.Text.ShouldContain("OT-104 Front hub bearing, left, A, released: ");
        mail.Text.ShouldContain("/workshop/documents");

        // While it is being revised the revision waits, and no longer once its values were looked up.
        manual.Former.Where(f => f.MayRevise).Select(f => f.Number).ShouldBe(["OT-104", "OT-126"], "a draft is no revision to be made");
        (await _odo.GetAsync<List<FormerEditions.CitedView>>("/api/uses/former-editions")).ShouldAllBe(d => d.Former.All(f => !f.MayRevise));
        var released = manual.Former.Single(f => f.Number == "OT-104").RevisionId;
        (await _ines.PostAsync($"/api/revisions/{released}/revise")).EnsureSuccessStatusCode();
        await IndexAsync();
        (await ListAsync()).Single(d => d.Name == manual.Name).Former.Where(f => f.Number == "OT-104").Select(f => (f.Letter, f.IsRevised))
            .ShouldBe([("A", true), ("B", false)]);
        (await ListAsync()).Single(d => d.Name == manual.Name).Former.Where(f => f.MayRevise).Select(f => f.Number).ShouldBe(["OT-126"]);
        (await DeskAsync()).Count(l => l.StartsWith("OT-104", StringComparison.Ordinal)).ShouldBe(1);
        // Nobody who follows sheets reads what is wrong with others.
        (await _tilde.Http.GetAsync("/api/uses/former-editions")).StatusCode.ShouldBe(HttpStatusCode.Forbidden);
    }

    [Fact]
    public async Task A_kept_value_that_is_written_anew_lists_every_sheet_that_has_it_and_tells_who_writes_it()
    {
        _office.SaysAgain = true;
        var office = await _own.As("admin");
        async Task<List<FormerEditions.CitedView>> ListAsync() =>
            [.. (await _ines.GetAsync<List<FormerEditions.CitedView>>("/api/uses/former-editions")).Where(v => v.Kind == UseKind.Value)];
        async Task<string[]> DeskAsync() => [.. (await _ines.GetAsync<List<Desk.DeskLine>>("/api/desk")).Where(l => l.Says.Contains("value “")).Select(l => $"{l.Sheet}: {l.Says}")];
        async Task<HttpResponseMessage> KeepAsync(params (string Name, string Torque, string Source)[] values)
        {
            var now = await office.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
            return await office.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version, Values:
                [.. values.Select(v => new Dictionary<string, string> { ["name"] = v.Name, ["torque"] = v.Torque, ["source"] = v.Source })]), SheetJson.Options);
        }

        (await ListAsync()).Select(v => (v.Name, v.InForce, string.Join(' ', v.Former.Select(f => f.Number)))).ShouldBe(
            [("T28 front wheel nuts", "version 1", ""), ("T28 hitch frame bolts", "version 2", "OT-311"), ("Wheel nuts on spacers WS-4", "version 1", "")]);
        (await DeskAsync()).ShouldBe(["OT-311 Loader brackets and roll-over bar pads, A: has another version of the value “T28 hitch frame bolts”; version 2 is kept"]);
        await using (var scope = _own.Services.CreateAsyncScope())
            await scope.ServiceProvider.GetRequiredService<WornPathDb>().Users.Where(p => p.UserName == "ines")
                .ExecuteUpdateAsync(set => set.SetProperty(p => p.Email, "ines@shop.example"));

        // A value without a source, one without a unit and a name twice are refused whole: what was kept stays.
        foreach (var bad in ((string, string, string)[][])
            [[("Hub nut", "80 N·m", "")], [("Hub nut", "80", "manual p. 1")], [("Hub nut", "80 N·m", "manual p. 1"), ("hub NUT", "90 N·m", "manual p. 2")]])
            (await KeepAsync(bad)).StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await office.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop")).Values.Length.ShouldBe(3);
        (await _ines.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(1, Values: []), SheetJson.Options)).StatusCode
            .ShouldBe(HttpStatusCode.Forbidden, "an author takes values and keeps none");

        // The same source, another value; one is kept no more; one that nobody has is new.
        (await KeepAsync(("T28 front wheel nuts", "140 N·m", "Sample workshop manual T28, 3rd ed., p. 41"), ("T28 hitch frame bolts", "310 N·m", "Sample workshop manual T28, 3rd ed., p. 90"),
            ("T28 hub nut", "80 N·m", "Sample workshop manual T28, 3rd ed., p. 44"))).EnsureSuccessStatusCode();
        var kept = (await office.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop")).Values;
        kept.Select(v => (v.Cells["name"], v.Version)).ShouldBe([("T28 front wheel nuts", 2), ("T28 hitch frame bolts", 2), ("T28 hub nut", 1)]);
        (await ListAsync()).Select(v => (v.Name, v.InForce, string.Join(' ', v.Former.Select(f => f.Number)))).ShouldBe(
            [("T28 front wheel nuts", "version 2", "OT-104"), ("T28 hitch frame bolts", "version 2", "OT-311"), ("Wheel nuts on spacers WS-4", "", "OT-118")]);
        (await DeskAsync()).ShouldContain("OT-118 Rear wheel spacers and drawbar height, A: has the value “Wheel nuts on spacers WS-4”, which the workshop keeps no more");
        var mail = await _office.GetAsync<List<Mail>>("/api/mail");
        mail.Count(m => m.Subject.Contains("hitch frame")).ShouldBe(0, "nothing of it is another");
        var told = mail.Single(m => m.Subject == "“T28 front wheel nuts” is another value now, version 2");
        told.Text.ShouldContain("OT-104 Front hub bearing, left, A, released: J1 wheel nuts");
        told.Text.ShouldContain("/workshop/values");
        mail.ShouldContain(m => m.Subject == "The workshop keeps “Wheel nuts on spacers WS-4” no more");

        // The next revision finds it, takes it with one fix, and waits no more.
        var released = (await ListAsync())[0].Former.Single();
        released.MayRevise.ShouldBeTrue();
        var answer = await _ines.PostAsync($"/api/revisions/{released.RevisionId}/revise");
        var next = (await answer.Content.ReadFromJsonAsync<ShelfEndpoints.Opened>(SheetJson.Options))!.RevisionId;
        var finding = (await _ines.RevisionAsync(next)).Sheet.Findings!.Value.Single(f => f.Rule == "SRC008");
        finding.Message.ShouldContain("140 N·m");
        await _ines.EditAsync(next, finding.Fixes[0].Edit);
        var taken = (await _ines.RevisionAsync(next)).Sheet.Things!.Value.Single(t => t.Id == "J1").Fields;
        (taken["torque"], taken["kept"]).ShouldBe(("140 N·m", "T28 front wheel nuts, v2"));
        await IndexAsync();
        (await ListAsync())[0].Former.Select(f => (f.Letter, f.IsRevised)).ShouldBe([("A", true)]);
        (await FindAsync(_ines, "kind=value&q=front+wheel")).Rows.Select(r => (r.Name, r.Sheets)).ShouldBe(
            [("T28 front wheel nuts, v1", 1), ("T28 front wheel nuts, v2", 1)], ignoreOrder: true);
    }

    [Fact]
    public async Task A_block_that_is_written_anew_lists_the_sheets_its_steps_are_on()
    {
        var office = await _own.As("admin");
        async Task KeepAsync(params string[] steps)
        {
            var now = await office.GetAsync<WorkshopEndpoints.WorkshopView>("/api/workshop");
            (await office.Http.PutAsJsonAsync("/api/workshop", new WorkshopEndpoints.SettingsForm(now.Version, Blocks: [new Block("zebra guard off", [.. steps])]), SheetJson.Options))
                .EnsureSuccessStatusCode();
        }

        await KeepAsync("Remove the {joint: zebra bolts}.", "Take the {part: zebra guard} off.");
        var id = await _ines.NewAsync("U-9");
        var phase = (await _ines.RevisionAsync(id)).Sheet.Phases!.Value[0].Id;
        var answer = await _ines.PostAsync($"/api/revisions/{id}/blocks", new BuildingEndpoints.BlockForm("zebra guard off", phase, null, new Dictionary<string, string>()));
        await _ines.EditAsync(id, (await answer.Content.ReadFromJsonAsync<BuildingEndpoints.EditView>(SheetJson.Options))!.Edit);
        await IndexAsync();
        async Task<FormerEditions.CitedView> ListedAsync() =>
            (await _ines.GetAsync<List<FormerEditions.CitedView>>("/api/uses/former-editions")).Single(v => v.Kind == UseKind.Block && v.Name == "zebra guard off");
        (await ListedAsync()).Former.ShouldBeEmpty();
        (await FindAsync(_ines, "kind=block&q=zebra")).Rows.Single().Name.ShouldBe("zebra guard off, v1");

        await KeepAsync("Remove the {joint: zebra bolts} with the engine cold.", "Take the {part: zebra guard} off.");
        var listed = await ListedAsync();
        (listed.InForce, listed.Former.Single().Number, listed.Former[0].Values[0].Says).ShouldBe(("version 2", "U-9", "steps 1 and 2"));
        (await _ines.GetAsync<List<Desk.DeskLine>>("/api/desk")).ShouldContain(l => l.RevisionId == id && l.Says == "has another version of the block “zebra guard off”; version 2 is kept");
        (await _ines.RevisionAsync(id)).Sheet.Findings!.Value.Single(f => f.Rule == "SRC010").Message.ShouldContain("with the engine cold");
    }
}
