using CsCheck;

namespace WornPath.Core.Tests.Walking;

/// <summary>Whatever is raised, set down and lowered in whatever order: each corner stands on one thing, and an end moves no other.</summary>
public class StandingTests
{
    private static readonly Ends[] Places =
    [
        Ends.None, Ends.Front, Ends.Rear, Ends.Left, Ends.Right, Ends.Front | Ends.Left, Ends.Front | Ends.Right, Ends.Rear | Ends.Left, Ends.Rear | Ends.Right,
    ];

    private static readonly Func<Standing, Ends, Standing>[] Moves =
    [
        (s, at) => s.Raise(at, Height.Raised), (s, at) => s.SetOnStands(at), (s, at) => s.OffStands(at), (s, at) => s.Lower(at, Height.TyresTouching),
        (s, at) => s.Lower(at, Height.OnGround),
    ];

    private static IEnumerable<Lifted> Elsewhere(Standing standing, Ends at) => standing.Lifts.Where(l => (l.Corners & CornersOf.Ends(at)) == 0);

    [Fact]
    public void Any_moves_keep_each_corner_on_one_thing_and_leave_other_ends_alone() =>
        Gen.Select(Gen.Int[0, 4], Gen.Int[0, 8]).Array[1, 20].Sample(moves =>
        {
            var now = default(Standing);
            foreach (var (move, place) in moves)
            {
                var (before, at) = (now, Places[place]);
                now = Moves[move](now, at);
                var lifts = now.Lifts.ToList();
                lifts.Sum(l => int.PopCount((int)l.Corners)).ShouldBe(int.PopCount((int)lifts.Aggregate(Corners.None, (all, l) => all | l.Corners)));
                lifts.ShouldAllBe(l => l.Height != Height.OnGround && l.Corners != Corners.None);
                now.Height.ShouldBe(lifts.Select(l => l.Height).DefaultIfEmpty(Height.OnGround).Max());
                now.InTheAir.ShouldBe(lifts.Where(l => l.Height is Height.Raised or Height.OnStands).Aggregate(Corners.None, (all, l) => all | l.Corners));
                // What is raised or set on stands at an end is up there, and no lift that is not at that end has moved.
                if (at != Ends.None && move < 2)
                {
                    (now.InTheAir & CornersOf.Ends(at)).ShouldBe(CornersOf.Ends(at));
                    Elsewhere(before, at).ShouldBeSubsetOf(lifts);
                }
                else if (at != Ends.None && move > 2 && before.Lifts.Except(Elsewhere(before, at)).Any())
                {
                    (now.InTheAir & CornersOf.Ends(at)).ShouldBe(Corners.None);
                    Elsewhere(before, at).ShouldBeSubsetOf(lifts);
                }
                else if (at == Ends.None && move == 4)
                {
                    lifts.ShouldBeEmpty();
                    now.ShouldBe(default);
                }
            }
        }, iter: 2000);

    [Fact]
    public void The_corners_of_an_end_are_named_by_it()
    {
        foreach (var at in Places.Skip(1)) CornersOf.Named(CornersOf.Ends(at)).ShouldBe(at);
        CornersOf.Named(Corners.All).ShouldBe(Ends.None);
        CornersOf.Ends(Ends.Front | Ends.Rear).ShouldBe(Corners.All);
    }
}
