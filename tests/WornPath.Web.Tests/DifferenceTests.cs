using System.Net;
using System.Text.RegularExpressions;
using CsCheck;
using WornPath.Core.Editing;
using WornPath.Core.Revisions;
using WornPath.Web.Features;

namespace WornPath.Web.Tests;

/// <summary>What has changed since another revision, over the API: against which, who may see it, and what a blind reader sees of it.</summary>
public sealed class DifferenceTests(Workshop workshop) : IClassFixture<Workshop>
{
    private static Task<DifferenceEndpoints.DifferencesView> OfAsync(Somebody who, int id, string query = "") =>
        who.GetAsync<DifferenceEndpoints.DifferencesView>($"/api/revisions/{id}/differences{query}");

    private static async Task<(int A, int B, int C)> WeightsAsync(Somebody who)
    {
        var row = (await who.GetAsync<ShelfEndpoints.ShelfPage>("/api/procedures?q=OT-126")).Rows.Single();
        var ids = (await who.RevisionAsync(row.RevisionId)).Revisions.OrderBy(r => r.Id).Select(r => r.Id).ToArray();
        return (ids[0], ids[1], ids[2]);
    }

    [Fact]
    public async Task A_revision_is_held_against_the_one_before_and_against_any_other_that_is_asked_for()
    {
        var ines = await workshop.As("ines");
        var (a, b, c) = await WeightsAsync(ines);
        var told = await OfAsync(ines, c);
        (told.Since!.Id, told.Since.Letter).ShouldBe((b, "B"));
        told.Others.Select(o => o.Letter).ShouldBe(["B", "A"], "no draft begun by another test is older");
        told.Lines.Select(l => l.Says).ShouldContain("Step 10 of B is step 14 now: “Strap off.”");
        told.Lines[0].Group.ShouldBe(DifferenceGroup.Safety);
        var more = await OfAsync(ines, c, $"?since={a}");
        more.Lines.Select(l => l.Says).ShouldContain(l => l.StartsWith("J2 carrier bolts: torque 170 N·m → 190 N·m", StringComparison.Ordinal));
        (await OfAsync(ines, a)).Since.ShouldBeNull("there is none before it");
        (await OfAsync(ines, a, $"?since={c}")).Lines.Select(l => l.Says).ShouldContain(l => l.StartsWith("J2 carrier bolts: torque 190 N·m → 170 N·m", StringComparison.Ordinal), "back in time, too");
        (await ines.Http.GetAsync($"/api/revisions/{c}/differences?since=1")).StatusCode.ShouldBe(HttpStatusCode.NotFound, "another procedure's");
        // On paper, too: what is new, and where.
        var paper = await ines.GetAsync<PrintEndpoints.PrintView>($"/api/revisions/{c}/print");
        paper.Changes!.Letter.ShouldBe("B");
        paper.Changes.Joints.ShouldBe(["J1"]);
        paper.Phases.SelectMany(p => p.Steps).Where(s => s.Changed).Select(s => s.Number).ShouldBe([10, 13, 14, 15, 16], "the caution, the new step, the strap, the new bolts and where they are torqued");
        (await ines.GetAsync<PrintEndpoints.PrintView>($"/api/revisions/{a}/print")).Changes.ShouldBeNull();
        // And in what is taken out.
        var markdown = await ines.Http.GetStringAsync($"/api/revisions/{c}/export/markdown");
        markdown.ShouldContain("## Changed since revision B");
        markdown.ShouldContain("Because: A weight slipped before its bolt was in.");
        (await ines.Http.GetStringAsync($"/api/revisions/{a}/export/markdown")).ShouldNotContain("Changed since");
    }

    [Fact]
    public async Task Who_only_works_from_released_sheets_sees_what_changed_since_the_last_one_and_no_draft()
    {
        Somebody ines = await workshop.As("ines"), tilde = await workshop.As("tilde");
        var (_, b, c) = await WeightsAsync(ines);
        (await OfAsync(tilde, c)).Since!.Id.ShouldBe(b);
        (await tilde.Http.GetAsync($"/api/revisions/{b}/differences")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await tilde.Http.GetAsync($"/api/revisions/{c}/differences?since=1")).StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task Who_reads_values_blind_sees_that_they_differ_and_neither_of_the_two()
    {
        await using var own = new Workshop();
        Somebody ines = await own.As("ines"), odo = await own.As("odo");
        var (_, _, c) = await WeightsAsync(ines);
        await ines.PostAsync($"/api/revisions/{c}/revise");
        var id = (await ines.RevisionAsync(c)).Revisions[0].Id;
        var step = (await ines.RevisionAsync(id)).Sheet.Steps.Single(s => s.Text.StartsWith("Torque the carrier bolts", StringComparison.Ordinal));
        await ines.EditAsync(id, new SetField("J2", "torque", "190 N·m", "195 N·m"));
        await ines.EditAsync(id, new WriteStep(step.Id, step.Text, "Torque the carrier bolts to 195 N·m, crosswise."));
        (await OfAsync(ines, id)).Lines.Select(l => l.Says).ShouldContain("J2 carrier bolts: torque 190 N·m → 195 N·m");
        // What people work from is not changed without a reason, which stands on the sheet.
        (await ines.RevisionAsync(id)).May.SayWhy.ShouldBeTrue();
        (await ines.RevisionAsync(c)).May.SayWhy.ShouldBeFalse("it was said");
        (await Somebody.ProblemOf(await ines.PostAsync($"/api/revisions/{id}/send"), HttpStatusCode.Conflict)).GetProperty("title").GetString()
            .ShouldBe("It changes what people work from, and does not say why.");
        (await ines.PostAsync($"/api/revisions/{id}/send", new { why = "The third edition says so." })).StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await ines.GetAsync<PrintEndpoints.PrintView>($"/api/revisions/{id}/print")).Changes!.Why.ShouldBe("The third edition says so.");
        (await odo.Http.GetStringAsync($"/api/revisions/{id}/release")).ShouldContain("The third edition says so.");
        foreach (var path in (string[])["differences", "print"])
        {
            var blind = await (await odo.Http.GetAsync($"/api/revisions/{id}/{path}")).Content.ReadAsStringAsync();
            blind.ShouldContain("J2 carrier bolts: torque");
            // But for the code that is scanned, which is drawn with numbers.
            var said = Regex.Replace(blind, "\"picture\":\"[^\"]*\"", "");
            said.ShouldNotContain("195");
            said.ShouldNotContain("190");
        }
    }

    /// <summary>Whatever two texts are, the words that stayed and went are the first, and those that stayed and came the second; too much to compare is told whole.</summary>
    [Fact]
    public void Marked_words_put_together_are_both_texts() => Gen.Select(Gen.String[Gen.Char["ab ,.\n"], 0, 60], Gen.String[Gen.Char["ab ,.\n"], 0, 60], Gen.Bool).Sample((before, after, much) =>
    {
        var marks = new WordMarks();
        if (much) marks.Of(new string('a', 40_000), new string('b', 40_000)).Length.ShouldBe(2);
        var words = marks.Of(before, after);
        string Put(WordMark mark) => string.Concat(words.Where(w => w.Mark == WordMark.Same || w.Mark == mark).Select(w => w.Text));
        Put(WordMark.Gone).ShouldBe(before);
        Put(WordMark.New).ShouldBe(after);
    }, iter: 300);
}
