using System.Collections.Immutable;
using System.ComponentModel.DataAnnotations;
using System.Security.Claims;
using Microsoft.AspNetCore.Http.HttpResults;
using WornPath.Core.Calculators;
using WornPath.Core.Sheets;
using WornPath.Web.Drafting;

namespace WornPath.Web.Features;

/// <summary>The calculators: alone, and beside a joint with its numbers in their cells.</summary>
public static class CalculatorEndpoints
{
    /// <summary>A calculator with its cells.</summary>
    public sealed record CalculatorView(string Id, string Title, ImmutableArray<SlipCell> Cells);

    /// <summary>A slip worked out for a joint.</summary>
    /// <param name="Id">The calculator.</param>
    /// <param name="Title">Its question.</param>
    /// <param name="Cells">Its cells, the joint's numbers as examples.</param>
    /// <param name="Slip">The slip; null where the joint's numbers do not work out.</param>
    /// <param name="Problem">Why there is none; empty where there is.</param>
    public sealed record JointSlipView(string Id, string Title, ImmutableArray<SlipCell> Cells, Slip? Slip, string Problem);

    /// <summary>The texts of a calculator's cells.</summary>
    public sealed record CellTexts([property: Required, MaxLength(20)] IReadOnlyDictionary<string, string> Cells);

    public static void MapCalculators(this IEndpointRouteBuilder api)
    {
        var group = api.MapGroup("/calculators").WithTags("Calculators").RequireAuthorization();
        group.MapGet("", () => TypedResults.Ok(CalculatorList.All.Select(c => new CalculatorView(c.Id, c.Title, c.Cells)).ToList())).WithName("ListCalculators");
        // Nothing is changed by it; it is a POST because its cells are a body.
        group.MapPost("/{id}", WorkAsync).WithName("WorkCalculator");
        api.MapGet("/revisions/{id:int}/slips/{joint}", ForJointAsync).WithTags("Calculators").RequireAuthorization().WithName("GetSlips").WithMetadata(new BlindWay(BlindWay.Kind.Refused));
    }

    private static async Task<Results<Ok<Slip>, ProblemHttpResult>> WorkAsync(string id, CellTexts form, WorkshopBook book)
    {
        if (CalculatorList.Find(id) is not { } calculator) return Problems.NotThere("This calculator");
        var slip = calculator.Work(form.Cells, (await book.NowAsync()).Workshop);
        return slip.IsGood ? TypedResults.Ok(slip.Value) : slip.Problem.ToHttp();
    }

    private static async Task<Results<Ok<List<JointSlipView>>, ProblemHttpResult>> ForJointAsync(int id, string joint, RevisionEndpoints.Shelf shelf, Drafts drafts, ClaimsPrincipal me)
    {
        if (await shelf.FindAsync(id, me) is null || await drafts.OpenAsync(id) is not { } draft) return Problems.NotThere("This revision");
        if (draft.Now.Sheet.Find(joint) is not Joint found) return Problems.NotThere("This joint");
        var workshop = draft.Now.Walks.Workshop;
        var slips = new List<JointSlipView>();
        foreach (var calculator in CalculatorList.All)
        {
            if (calculator.For(found, workshop) is not { } texts) continue;
            var slip = calculator.Work(texts, workshop);
            slips.Add(new JointSlipView(calculator.Id, calculator.Title, [.. calculator.Cells.Select(c => c with { Example = texts[c.Name] })], slip.IsGood ? slip.Value : null, slip.Problem?.ToString() ?? ""));
        }

        return TypedResults.Ok(slips);
    }
}
