using WornPath.Core.Quantities;
using System.Collections.Immutable;
using WornPath.Core.Walking;

namespace WornPath.Core.Building;

/// <summary>Whether the job can begin: what must be in hand, how many people, how long, and by when.</summary>
/// <param name="Go">True where nothing is missing.</param>
/// <param name="Missing">How many are missing that are not optional.</param>
/// <param name="Begin">The last day to begin for the wanted day; null where there is none.</param>
/// <param name="Late">What is too late for the wanted day already, in sentences.</param>
public sealed record Readiness(ImmutableArray<ReadyItem> Items, TimePlan Plan, int People, bool Go, int Missing, DateOnly? Begin, ImmutableArray<string> Late)
{
    /// <summary>Minutes of a working day, for reckoning days from hands-on time.</summary>
    public const int WorkingDay = 8 * 60;

    /// <summary>What a walk needs.</summary>
    /// <param name="walk">The walk.</param>
    /// <param name="inHand">Keys that somebody has ticked off.</param>
    /// <param name="wanted">The day the vehicle is wanted; null for none.</param>
    /// <param name="crew">People there are; null for as many as the steps ask for.</param>
    public static Readiness Of(Walk walk, IReadOnlySet<string> inHand, DateOnly? wanted = null, int? crew = null)
    {
        var plan = TimePlan.Of(walk, crew);
        DateOnly? begin = null;
        if (wanted is { } day)
        {
            // Work fills working days; a cure goes on over night.
            var days = Math.Max(Math.Ceiling(plan.Steps.Where(s => s.Critical).Sum(s => s.HandsOn) / WorkingDay), Math.Ceiling(plan.ElapsedMinutes / (24 * 60)));
            begin = day.AddDays(-(int)Math.Max(0, days - 1));
        }

        ImmutableArray<ReadyItem> items = [.. Needs.Parts(walk).Concat(Needs.Tools(walk)).Concat(Needs.Consumables(walk)).Concat(Needs.People(walk))
            .Select(i => i with { InHand = i.InHand || inHand.Contains(i.Key) })
            .Select(i => !i.InHand && begin is { } start && i.LeadDays > 0 ? i with { OrderBy = start.AddDays(-i.LeadDays) } : i)];
        var missing = items.Count(i => i is { InHand: false, Optional: false });
        var today = walk.Workshop.Today;
        var late = ImmutableArray.CreateBuilder<string>();
        if (today > DateOnly.MinValue && begin is { } first && first < today) late.Add($"The job would have had to begin on {Days.Written(first)}.");
        foreach (var item in items)
            if (today > DateOnly.MinValue && item is { OrderBy: { } by, InHand: false, Optional: false } && by < today) late.Add($"{Reading.Sentences.Capital(item.What)} takes {item.LeadDays} day{(item.LeadDays == 1 ? "" : "s")} and would have had to be ordered on {Days.Written(by)}.");
        return new Readiness(items, plan, plan.Steps.Select(s => s.People).DefaultIfEmpty(1).Max(), missing == 0, missing, begin, late.ToImmutable());
    }
}
