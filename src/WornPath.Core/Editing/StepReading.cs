using System.Collections.Immutable;
using WornPath.Core.Reading;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>Reads steps into a sheet: their actions, the values they state, and the things their words name that it did not have.</summary>
internal static class StepReading
{
    /// <summary>
    /// Reads a text as a step's. What only this step named before, and nobody has looked at, goes first and comes again under the same
    /// id where the words still name it: a name typed letter by letter, or mended, leaves nothing behind.
    /// </summary>
    public static Sheet Read(Sheet sheet, Step step, string text, Spoken? before = null)
    {
        var own = OwnOf(sheet, step);
        var bare = own.Count == 0 ? sheet : Without(sheet, own);
        var names = NameIndex.Of(bare);
        var reading = SentenceReader.Read(bare, names, step, text, before);
        var (ids, things) = Place(bare, reading.Assumed, own);
        if (things.Count > 0) bare = With(bare, things);
        bare = PutStep(bare, Renamed(step with
        {
            Text = text,
            Actions = reading.Actions,
            Questions = reading.Questions,
            Branches = reading.Branches,
            Table = reading.Table,
            Uses = reading.Uses,
            Hands = reading.People,
            Residue = reading.Residue,
            SentenceSays = null,
        }, ids));
        foreach (var (id, torque, only) in reading.Taken)
            if (bare.Find(ids.GetValueOrDefault(id, id)) is Joint joint) bare = Slots.Put(bare, only is null ? joint with { Torque = torque } : WithValue(joint, only.ToString(), torque));
        return bare;
    }

    /// <summary>
    /// Reads a step, and after it every other step whose words name what came or went with it: a name that arrives answers what was
    /// asked before, a name that goes is asked about again.
    /// </summary>
    public static Sheet ReadWithOthers(Sheet sheet, Step step, string text)
    {
        var after = Read(sheet, step, text);
        return after.SameThings(sheet) ? after : ReadNaming(after, HeadsChanged(sheet, after), step.Id);
    }

    /// <summary>Reads many steps that follow each other, and after them, once, every other step whose words name what came with them.</summary>
    public static Sheet ReadWithOthers(Sheet sheet, IReadOnlyList<(Step Step, string Text)> many)
    {
        if (many.Count == 1) return ReadWithOthers(sheet, many[0].Step, many[0].Text);
        var before = new Spoken();
        var names = NameIndex.Of(sheet);
        foreach (var step in sheet.Steps.TakeWhile(s => s.Id != many[0].Step.Id)) before.Take(step, names);
        var after = sheet;
        foreach (var (step, text) in many)
        {
            after = Read(after, step, text, new Spoken(before));
            before.Take(after.FindStep(step.Id)!, NameIndex.Of(after));
        }

        return after.SameThings(sheet) ? after : ReadNaming(after, HeadsChanged(sheet, after));
    }

    /// <summary>Reads anew the steps that still ask, those that name one of the words, and those that guess what they drain.</summary>
    public static Sheet ReadNaming(Sheet sheet, IReadOnlyCollection<string> words, string? exceptStep = null)
    {
        bool NamesWhatIsGone(Step step) => step.Named.Any(id => sheet.Find(id) is null);
        if (words.Count == 0 && !sheet.Steps.Any(s => s.Questions.Length > 0 || NamesWhatIsGone(s))) return sheet;
        var before = new Spoken();
        words = [.. words.SelectMany(Trade.WaysToWrite)];
        foreach (var step in sheet.Steps.ToList())
        {
            var reads = step.Id != exceptStep && (step.Questions.Any(q => q.Kind is not QuestionKind.NoVerb)
                || words.Any(w => step.Text.Contains(w, StringComparison.OrdinalIgnoreCase)) || Guesses(sheet, step)
                // "Set it aside": named without its name.
                || NamesWhatIsGone(step));
            if (reads && sheet.FindStep(step.Id) is { } now) sheet = Read(sheet, now, now.Text, new Spoken(before));
            before.Take(reads ? sheet.FindStep(step.Id)! : step, NameIndex.Of(sheet));
        }

        return sheet;
    }

    // "Drain the box": what runs out there is said where it is filled in again.
    private static bool Guesses(Sheet sheet, Step step) => sheet.Fluids.Length > 1
        && step.Actions.Any(a => a is { Verb: Verb.Drain, Target: { } id } && sheet.Find(id) is Fluid { Assumed: true } fluid
            && NameIndex.NamesOf(fluid) is [[.., var last], ..] && !step.Text.Contains(last, StringComparison.OrdinalIgnoreCase))
        && sheet.Steps.Any(s => s.Id != step.Id && s.Actions.Any(a => a.Verb == Verb.Fill));

    /// <summary>The last words of the names of what is on one of the sheets and not on the other, or not as it was, and of what its fastener is called.</summary>
    public static HashSet<string> HeadsChanged(Sheet before, Sheet after)
    {
        Dictionary<string, Thing> were = before.Things.ToDictionary(t => t.Id), are = after.Things.ToDictionary(t => t.Id);
        var heads = new HashSet<string>();
        foreach (var id in were.Keys.Union(are.Keys))
        {
            Thing? was = were.GetValueOrDefault(id), now = are.GetValueOrDefault(id);
            if (ReferenceEquals(was, now) || was is not null && now is not null && MeansTheSame(was, now)) continue;
            foreach (var name in new[] { was, now }.OfType<Thing>().SelectMany(t => NameIndex.NamesOf(t).Concat(CalledOf(t))))
                if (name.Length > 0) heads.Add(name[^1]);
        }

        return heads;
    }

    // Named alike, on and under the same, fasteners called the same and of the same fate.
    private static bool MeansTheSame(Thing was, Thing now) => was.Name == now.Name && was.AlsoCalled.SequenceEqual(now.AlsoCalled)
        && was.PartIds.SequenceEqual(now.PartIds) && (was, now) switch
        {
            (Joint one, Joint other) => one.SupersededBy == other.SupersededBy && one.Fastener?.IsCalled == other.Fastener?.IsCalled
                && one.Fastener?.Form == other.Fastener?.Form,
            (Connection one, Connection other) => one.GoesTo == other.GoesTo,
            _ => true,
        };

    private static IEnumerable<string[]> CalledOf(Thing thing) => thing is Joint joint ? NameIndex.CalledAs(joint) : [];

    /// <summary>The joint with a value for a variant.</summary>
    public static Joint WithValue(Joint joint, string when, Quantities.TorqueSpec torque) =>
        joint with { Variants = joint.Variants.RemoveAll(v => v.When.Equals(when, StringComparison.OrdinalIgnoreCase)).Add(new VariantValue(when, torque)) };

    /// <summary>The sheet with one step put in the place of the one of its id.</summary>
    public static Sheet PutStep(Sheet sheet, Step step)
    {
        for (var p = 0; p < sheet.Phases.Length; p++)
        {
            var steps = sheet.Phases[p].Steps;
            for (var i = 0; i < steps.Length; i++)
                if (steps[i].Id == step.Id) return sheet with { Phases = sheet.Phases.SetItem(p, sheet.Phases[p] with { Steps = steps.SetItem(i, step) }) };
        }

        return sheet;
    }

    /// <summary>The sheet without what no step names any more and nobody has looked at.</summary>
    public static Sheet WithoutUnnamed(Sheet sheet)
    {
        if (!sheet.Things.Any(t => t.Assumed)) return sheet;
        var used = sheet.Steps.SelectMany(s => s.Named).ToHashSet();
        var gone = sheet.Things.Where(t => t.Assumed && !used.Contains(t.Id)).ToList();
        return gone.Count == 0 ? sheet : Without(sheet, gone);
    }

    // What only this step names, and nobody has looked at.
    private static List<Thing> OwnOf(Sheet sheet, Step step)
    {
        if (step.Actions.IsEmpty && step.Uses.IsEmpty) return [];
        var own = step.Named.Distinct().Select(sheet.Find).OfType<Thing>().Where(t => t.Assumed).ToList();
        if (own.Count == 0) return own;
        // What a balloon shows stays, whatever the words come to.
        var elsewhere = sheet.Steps.SelectMany(s => s.Id == step.Id ? s.Figures.SelectMany(f => f.Ids) : s.Named).ToHashSet();
        return own.FindAll(t => !elsewhere.Contains(t.Id));
    }

    private static Sheet Without(Sheet sheet, List<Thing> things)
    {
        var ids = things.Select(t => t.Id).ToHashSet();
        foreach (var kind in things.Select(t => t.Kind).Distinct()) sheet = Slots.With(sheet, kind, Slots.List(sheet, kind).Where(t => !ids.Contains(t.Id)));
        if (!things.Exists(t => t is Part)) return sheet;
        return Slots.WithParts(sheet, id => ids.Contains(id) ? null : id);
    }

    // Each assumed thing under its id: the one it had before by name, else one of its kind that went, else a new number.
    private static (Dictionary<string, string> Ids, List<Thing> Things) Place(Sheet sheet, ImmutableArray<AssumedThing> assumed, List<Thing> own)
    {
        var ids = new Dictionary<string, string>();
        var things = new List<Thing>();
        if (assumed.IsEmpty) return (ids, things);
        var left = own.ToList();
        var same = assumed.ToDictionary(a => a.Id, a => left.Find(t => t.Kind == a.Kind && t.Name == a.Name));
        foreach (var thing in same.Values.OfType<Thing>()) left.Remove(thing);
        var issued = new Dictionary<string, int>();
        foreach (var one in assumed)
        {
            var was = same[one.Id];
            if (was is null && left.Find(t => t.Kind == one.Kind) is { } free)
            {
                was = free;
                left.Remove(free);
            }

            var id = was?.Id ?? NewId(sheet, one.Kind, issued);
            ids[one.Id] = id;
            things.Add(was is not null && was.Name == one.Name ? was : Make(one, id));
        }

        return (ids, [.. things.Select(t => t is Joint j && assumed.First(a => ids[a.Id] == j.Id).Holds is { } holds && j.Holds.IsEmpty ? j with { Holds = [ids.GetValueOrDefault(holds, holds)] } : t)]);
    }

    private static string NewId(Sheet sheet, ThingKind kind, Dictionary<string, int> issued)
    {
        var letter = Thing.Letter(kind);
        var number = issued.GetValueOrDefault(letter, sheet.Issued.GetValueOrDefault(letter));
        string id;
        do id = letter + ++number;
        while (sheet.Find(id) is not null || sheet.FindStep(id) is not null || sheet.Phases.Any(p => p.Id == id));
        issued[letter] = number;
        return id;
    }

    private static Thing Make(AssumedThing one, string id)
    {
        var origin = one.FromKit ? Origin.Kit : Origin.Vehicle;
        return one.Kind switch
        {
            ThingKind.Part => new Part { Id = id, Name = one.Name, Quantity = one.Count, Origin = origin, Assumed = true },
            ThingKind.Joint => new Joint
            {
                Id = id,
                Name = one.Name,
                Count = one.Count,
                Origin = origin,
                Fastener = one.Fastener,
                Stack = one.Stack,
                Assumed = true,
            },
            ThingKind.Connection => new Connection { Id = id, Name = one.Name, Origin = origin, Assumed = true },
            ThingKind.Fluid => new Fluid { Id = id, Name = one.Name, Assumed = true },
            ThingKind.Aid => new Aid { Id = id, Name = one.Name, Assumed = true },
            ThingKind.Tool => new Tool { Id = id, Name = one.Name, Assumed = true },
            ThingKind.Consumable => new Consumable { Id = id, Name = one.Name, Assumed = true },
            ThingKind.Control => new Control { Id = id, Name = one.Name, Assumed = true },
            _ => throw new ArgumentOutOfRangeException(nameof(one)),
        };
    }

    /// <summary>The sheet with what a reading assumed.</summary>
    public static Sheet With(Sheet sheet, ImmutableArray<AssumedThing> assumed) =>
        assumed.IsEmpty ? sheet : With(sheet, assumed.Select(one => Make(one, one.Id)).ToList());

    private static Sheet With(Sheet sheet, List<Thing> things)
    {
        var issued = sheet.Issued;
        foreach (var kind in things.Select(t => t.Kind).Distinct())
        {
            var letter = Thing.Letter(kind);
            var fresh = things.Where(t => t.Kind == kind).ToList();
            // Those that were there before stand where they stood.
            sheet = Slots.With(sheet, kind, Slots.List(sheet, kind).Concat(fresh).OrderBy(t => int.TryParse(t.Id.AsSpan(1), out var n) ? n : int.MaxValue));
            var most = fresh.Max(t => int.TryParse(t.Id.AsSpan(1), out var n) ? n : 0);
            if (most > issued.GetValueOrDefault(letter)) issued = issued.SetItem(letter, most);
        }

        sheet = sheet with { Issued = issued };
        foreach (var part in things.OfType<Part>())
            foreach (var joint in sheet.Joints.Where(j => j.Holds.IsEmpty && HeldBy(sheet, j.Name).Contains(part.Id)).ToList()) sheet = Slots.Put(sheet, joint with { Holds = [part.Id] });
        foreach (var joint in things.OfType<Joint>().Where(j => j.Holds.IsEmpty))
            if (HeldBy(sheet, joint.Name).ToImmutableArray() is { IsEmpty: false } holds) sheet = Slots.Put(sheet, joint with { Holds = holds });
        return sheet;
    }

    /// <summary>"Caliper bolts" hold the caliper: the name without its last word, where exactly that is a part.</summary>
    public static IEnumerable<string> HeldBy(Sheet sheet, string jointName)
    {
        var stems = NameIndex.StemsOf(jointName)[..^1];
        if (stems.Length == 0) return [];
        return sheet.Parts.Where(p => NameIndex.NamesOf(p)[0].SequenceEqual(stems)).Select(p => p.Id);
    }

    private static Step Renamed(Step step, Dictionary<string, string> ids)
    {
        if (ids.All(i => i.Key == i.Value)) return step;
        string? Now(string? id) => id is not null && ids.TryGetValue(id, out var now) ? now : id;
        return step with
        {
            Actions = [.. step.Actions.Select(a => a.Renamed(Now))],
            Uses = [.. step.Uses.Select(u => Now(u)!)],
            Questions = [.. step.Questions.Select(q => q with { Candidates = [.. q.Candidates.Select(c => Now(c)!)] })],
        };
    }
}
