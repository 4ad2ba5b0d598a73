using System.Collections.Immutable;
using WornPath.Core.Sheets;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings.Catalogue;

/// <summary>SRC005: a value from an edition that a later one has taken the place of: the one in force in the workshop, or one cited beside it.</summary>
public sealed class EditionSuperseded : ThingRule<Joint>
{
    private static readonly Memo<Joint, Citation> Cited = new(j => Citation.Of(j.Source));

    private static readonly Memo<Joint, ImmutableArray<SourceDocument>, SourceDocument?> Kept =
        new((j, documents) => SourceDocument.Cited(documents, j.Source));

    public override RuleInfo Info { get; } = new("SRC005", Severity.Warn, "Source edition superseded");

    protected internal override void Find(Walk walk, Joint joint, Found found)
    {
        if (joint.Torque is null || Cited.Of(joint) is not { Edition: { } edition } cited) return;
        if (!walk.Workshop.Documents.IsEmpty && Kept.Of(joint, walk.Workshop.Documents) is { } document)
        {
            if (FormerEdition.Says(document, joint.Source, $"The value of {joint.Label} is") is { } message) found.Add(AtTorque(walk, joint, message));
            return;
        }

        var newest = found.Kept(this, () => Newest(walk.Sheet)).GetValueOrDefault(cited.Document.ToUpperInvariant());
        if (newest is { } other && edition.IsBefore(other.Edition))
            found.Add(AtTorque(walk, joint, $"The value of {joint.Label} is from {edition.Named} of “{cited.Document}”; {other.Joint.Label} is from {other.Edition.Named.TrimEnd('.')}. Look it up there, and write its page."));
    }

    // The newest edition the sheet cites of each document.
    private static Dictionary<string, (Joint Joint, Edition Edition)?> Newest(Sheet sheet)
    {
        var newest = new Dictionary<string, (Joint Joint, Edition Edition)?>(StringComparer.Ordinal);
        foreach (var joint in sheet.Joints)
        {
            if (joint.Torque is null || Cited.Of(joint) is not { Edition: { } edition, Document.Length: > 0 } cited) continue;
            var name = cited.Document.ToUpperInvariant();
            if (newest.GetValueOrDefault(name) is not { } known || known.Edition.IsBefore(edition)) newest[name] = (joint, edition);
        }

        return newest;
    }
}
