using System.Collections.Immutable;
using WornPath.Core.Quantities;
using WornPath.Core.Sheets;

namespace WornPath.Core.Printing;

/// <summary>A step as printed.</summary>
public sealed record PrintedStep(int Number, string Text, ImmutableArray<Caution> Cautions);

/// <summary>A phase as printed.</summary>
public sealed record PrintedPhase(string Name, ImmutableArray<PrintedStep> Steps);

/// <summary>A row of the torque table.</summary>
public sealed record PrintedTorque(string Id, string Name, int Count, string Fastener, string Value, string Counterpart, string Treatment, string After, string Source, ImmutableArray<int> Steps);

/// <summary>A line of a list of tools, parts or consumables: what, how many or how much, and what it is for.</summary>
public sealed record PrintedItem(string What, string Amount, string For);

/// <summary>A sheet laid out for print: what to have in hand, the cautions before each step, the torque table.</summary>
public sealed record PrintedSheet(
    SheetHeader Header,
    ImmutableArray<PrintedItem> Parts,
    ImmutableArray<PrintedItem> Tools,
    ImmutableArray<PrintedItem> Consumables,
    ImmutableArray<PrintedPhase> Phases,
    ImmutableArray<PrintedTorque> Torques)
{
    /// <summary>Lays a sheet out.</summary>
    public static PrintedSheet Of(Sheet sheet)
    {
        var given = new HashSet<Caution>();
        var number = 0;
        var phases = sheet.Phases.Where(p => p.Steps.Length > 0)
            .Select(p => new PrintedPhase(p.Name, [.. p.Steps.Select(s => new PrintedStep(++number, s.Text, UsualCautions.For(s, sheet, given)))])).ToImmutableArray();
        var users = Users(sheet);
        return new PrintedSheet(sheet.Header, [.. PartsOf(sheet)], [.. ToolsOf(sheet, users)], [.. ConsumablesOf(sheet)], phases, [.. sheet.Joints.Select(j => Row(j, users))]);
    }

    private static Dictionary<string, List<int>> Users(Sheet sheet)
    {
        var users = new Dictionary<string, List<int>>();
        var number = 0;
        foreach (var step in sheet.Steps)
        {
            number++;
            foreach (var id in step.Actions.Select(a => a.Target).OfType<string>().Distinct())
            {
                if (!users.TryGetValue(id, out var list)) users[id] = list = [];
                list.Add(number);
            }
        }

        return users;
    }

    private static PrintedTorque Row(Joint joint, Dictionary<string, List<int>> users)
    {
        var after = new List<string>();
        if (joint.Reuse == ReuseRule.Renew) after.Add("renew");
        if (joint.Locking != Locking.None) after.Add(joint.Locking == Locking.CotterPin ? "new cotter pin" : "stake");
        if (joint.Mark) after.Add("mark");
        return new PrintedTorque(joint.Id, joint.Name, joint.Count, joint.Fastener?.ToString() ?? "", joint.TighteningText, joint.Torque?.ShownInCounterpart() ?? "",
            joint.Treatment == Treatment.None ? "" : Editing.Fields.WordOf(joint.Treatment), string.Join(", ", after), joint.Source, [.. users.GetValueOrDefault(joint.Id, [])]);
    }

    private static IEnumerable<PrintedItem> PartsOf(Sheet sheet)
    {
        foreach (var part in sheet.Parts)
        {
            if (part.Origin == Origin.Vehicle && part.Fate != Fate.Replace) continue;
            var from = part.Origin switch { Origin.Kit => "kit", Origin.ToBuy => "to buy", _ => "replaces the old one" };
            yield return new PrintedItem(part.Name, part.Quantity.ToString(), part.Note.Length > 0 ? $"{from}; {part.Note}" : from);
        }

        foreach (var joint in sheet.Joints)
        {
            var what = joint.Fastener is { } f && f.ToString().Length > 0 ? $"{joint.Name}, {f}" : joint.Name;
            if (joint.Origin != Origin.Vehicle) yield return new PrintedItem(what, joint.Count.ToString(), joint.Origin == Origin.Kit ? "kit" : "to buy");
            else if (joint.Reuse == ReuseRule.Renew) yield return new PrintedItem(what, joint.Count.ToString(), "new each time");
            if (joint.Locking == Locking.CotterPin) yield return new PrintedItem($"cotter pin for the {joint.Name}", joint.Count.ToString(), "new each time");
        }
    }

    private static IEnumerable<PrintedItem> ToolsOf(Sheet sheet, Dictionary<string, List<int>> users)
    {
        var used = sheet.Joints.Where(j => users.ContainsKey(j.Id)).ToList();
        foreach (var group in used.Where(j => j.Fastener?.Drive is not null).GroupBy(j => j.Fastener!.Drive!.Tool).OrderBy(g => g.Key, StringComparer.Ordinal))
            yield return new PrintedItem(group.Key, "", string.Join(", ", group.Select(j => j.Id)));
        var torques = used.Where(j => j.Torque is not null).Select(j => j.Torque!.Target.NewtonMetres).ToList();
        if (torques.Count > 0)
            yield return new PrintedItem($"torque wrenches for {Rounding.ToSettable(torques.Min()):0.#} to {Rounding.ToSettable(torques.Max()):0.#} N·m", "", "all values of the torque table");
        foreach (var tool in sheet.Tools) yield return new PrintedItem(tool.Name, "", "");
        foreach (var aid in sheet.Aids.Where(a => users.ContainsKey(a.Id) || sheet.Steps.Any(s => s.Actions.Any(x => x.With == a.Id))))
            yield return new PrintedItem(aid.Name, "", "temporary, must come away");
    }

    private static IEnumerable<PrintedItem> ConsumablesOf(Sheet sheet)
    {
        foreach (var consumable in sheet.Consumables) yield return new PrintedItem(consumable.Name, consumable.Amount, "");
        foreach (var group in sheet.Joints.Where(j => j.Treatment != Treatment.None).GroupBy(j => j.Treatment))
        {
            var word = Editing.Fields.WordOf(group.Key);
            if (!sheet.Consumables.Any(c => c.Name.Contains(word.Split(',')[0], StringComparison.OrdinalIgnoreCase)))
                yield return new PrintedItem(word, "", string.Join(", ", group.Select(j => j.Id)));
        }

        foreach (var fluid in sheet.Fluids) yield return new PrintedItem(fluid.Name, fluid.Capacity, fluid.FillTo.Length > 0 ? $"fill to {fluid.FillTo}" : "");
    }
}
