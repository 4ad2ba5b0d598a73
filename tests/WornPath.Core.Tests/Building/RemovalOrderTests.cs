using CsCheck;
using WornPath.Core.Building;
using WornPath.Core.Workshops;

namespace WornPath.Core.Tests.Building;

public class RemovalOrderTests
{
    private static Written Hub() => new Written()
        .Part("caliper").Part("brake disc", behind: "caliper").Part("hub", behind: "brake disc").Part("mudguard")
        .Joint("caliper bolts", holds: "caliper").Joint("disc screws", holds: "brake disc").Joint("mudguard bolts", holds: "mudguard");

    private static string Name(Written sheet, string id) => sheet.Sheet.Find(id)!.Name;

    [Fact]
    public void To_reach_a_part_only_what_is_in_the_way_comes_off_in_an_order_it_can()
    {
        var sheet = Hub();
        RemovalOrder.Of(sheet.Sheet).ToReach("P3").Value.Select(id => Name(sheet, id)).ShouldBe(["caliper bolts", "caliper", "disc screws", "brake disc", "hub"]);
        RemovalOrder.Of(sheet.Sheet).ToReach("P4").Value.Select(id => Name(sheet, id)).ShouldBe(["mudguard bolts", "mudguard"]);
    }

    [Fact]
    public void It_says_why_a_part_is_not_the_first() =>
        RemovalOrder.Of(Hub().Sheet).Why("P2").ShouldBe("P2 brake disc is held by J2 disc screws and is behind P1 caliper (held by J1 caliper bolts).");

    [Fact]
    public void A_circle_is_named_with_the_way_to_break_it()
    {
        var sheet = Hub().Set("caliper", "behind", "P3");
        var problem = RemovalOrder.Of(sheet.Sheet).Whole().Problem!;
        problem.What.ShouldContain("P1 caliper");
        problem.What.ShouldContain("P3 hub");
        problem.WhatToDo.ShouldContain("behind");
        RemovalOrder.Of(sheet.Sheet).ToReach("P3").IsGood.ShouldBeFalse();
        RemovalOrder.Of(sheet.Sheet).ToReach("P4").IsGood.ShouldBeTrue();
    }

    [Fact]
    public void Every_order_has_each_thing_once_and_nothing_before_what_is_in_its_way() => Gen
        .Select(Gen.Int[1, 60], Gen.Int[0, 1000].Array[0, 120])
        .Sample((count, edges) =>
        {
            // A part is behind parts of lower numbers only: no circle can be.
            var parts = Enumerable.Range(1, count).Select(i => new Part { Id = $"P{i}", Name = $"cover {i}" }).ToArray();
            for (var e = 0; e + 1 < edges.Length; e += 2)
            {
                int a = edges[e] % count, b = edges[e + 1] % count;
                if (a < b && !parts[b].Behind.Contains(parts[a].Id)) parts[b] = parts[b] with { Behind = parts[b].Behind.Add(parts[a].Id) };
            }

            var order = RemovalOrder.Of(Sheet.Empty with { Parts = [.. parts] }).Whole().Value;
            order.Order().ShouldBe(parts.Select(p => p.Id).Order());
            foreach (var part in parts)
                foreach (var cover in part.Behind) order.IndexOf(cover).ShouldBeLessThan(order.IndexOf(part.Id));
        });

    /// <summary>The order to a part is walked as a procedure: it must come off without a Stop, and leaving any one thing out of it must not.</summary>
    [Fact]
    public void To_reach_a_part_takes_what_is_said_and_nothing_less() => Gen
        .Select(Gen.Int[2, 7], Gen.Int[0, 1000].Array[0, 14], Gen.Int[0, 1000].Array[1, 6])
        .Sample((count, covers, holds) =>
        {
            var sheet = new Written();
            for (var i = 1; i <= count; i++)
            {
                var behind = Enumerable.Range(1, i - 1).Where(k => covers.Contains((i * 31 + k * 7) % 40)).Select(k => $"plate {k}");
                sheet.Part($"plate {i}", behind: string.Join(", ", behind));
            }

            for (var i = 0; i < holds.Length; i++) sheet.Joint($"screws {i + 1}", "9 N·m", holds: $"plate {holds[i] % count + 1}");
            var order = RemovalOrder.Of(sheet.Sheet).ToReach($"P{count}").Value;
            order[^1].ShouldBe($"P{count}");
            Stops(order).ShouldBeEmpty();
            foreach (var left in order[..^1]) Stops(order.Where(id => id != left)).ShouldNotBeEmpty($"{left} of {string.Join(' ', order)}");

            List<string> Stops(IEnumerable<string> things)
            {
                var walked = things.Aggregate(sheet.Sheet, (s, id) => Editor.Apply(s, new InsertStep(null, "h1", s.Steps.LastOrDefault()?.Id, $"Remove the {s.Find(id)!.Name}.")).Value.Sheet);
                return [.. WalkSet.Run(walked, Workshop.Default).Findings.Where(f => f.Rule is "ORD001" or "ORD006").Select(f => f.Said)];
            }
        }, iter: 60);

    [Fact]
    public void A_chain_of_two_thousand_is_no_trouble()
    {
        var parts = Enumerable.Range(1, 2000).Select(i => new Part { Id = $"P{i}", Name = $"cover {i}", Behind = i < 2000 ? [$"P{i + 1}"] : [] });
        RemovalOrder.Of(Sheet.Empty with { Parts = [.. parts] }).ToReach("P1").Value.Length.ShouldBe(2000);
    }
}
