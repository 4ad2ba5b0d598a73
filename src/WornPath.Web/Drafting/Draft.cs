using System.Collections.Immutable;
using WornPath.Core.Findings;
using WornPath.Core.Revisions;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;
using WornPath.Store.Drafts;
using WornPath.Store.Entities;

namespace WornPath.Web.Drafting;

/// <summary>A revision held open: its sheet, its walk and findings, and the lines of its log. One edit at a time goes through <see cref="Gate"/>.</summary>
public sealed class Draft
{
    private Walked _now = null!;
    private volatile bool _isOutdated;
    private HashSet<string> _clientIds = [];
    private Dictionary<string, (List<LogLine> Undo, List<LogLine> Redo)> _reach = [];

    internal Draft(int revisionId, Content content)
    {
        RevisionId = revisionId;
        Load(content);
    }

    /// <summary>What the database has of a revision.</summary>
    public sealed record Content(StoredSheet Stored, List<LogLine> Lines, Reviewed Reviewed, Authorship Authorship, HashSet<string> Writers, Workshop Workshop);

    /// <summary>Entered by whoever edits.</summary>
    public SemaphoreSlim Gate { get; } = new(1, 1);

    public int RevisionId { get; }

    /// <summary>True where the database may have something else than what is held.</summary>
    public bool IsOutdated
    {
        get => _isOutdated;
        set => _isOutdated = value;
    }

    /// <summary>Who writes on the procedure.</summary>
    public Authorship Authorship { get; private set; } = null!;

    /// <summary>Everybody who wrote on what stands in it.</summary>
    public IReadOnlySet<string> Writers { get; private set; } = null!;

    /// <summary>Sheet, walk, findings and number as one: read without the gate, replaced whole.</summary>
    public Walked Now => _now;

    /// <summary>Number of the edit the last snapshot was written after.</summary>
    public int BaseSeq { get; private set; }

    /// <summary>The revision's state. Changed behind the gate; the database refuses on its own, too.</summary>
    public RevisionState State => _now.Reviewed.State;

    /// <summary>The version of the workshop's settings whose house rules it keeps; null for today's.</summary>
    public int? WorkshopVersion { get; private set; }

    /// <summary>Takes what the database has, behind the gate or before anybody else has the draft.</summary>
    internal void Load(Content content)
    {
        BaseSeq = content.Stored.BaseSeq;
        WorkshopVersion = content.Stored.WorkshopVersion;
        (Authorship, Writers) = (content.Authorship, content.Writers);
        _clientIds = [.. content.Lines.Select(l => l.ClientId)];
        _reach = ReachOf(content.Lines);
        _now = Walked.Of(content.Stored.Sheet, content.Stored.Seq, content.Workshop, content.Reviewed);
        IsOutdated = false;
    }

    /// <summary>How far a revision is, and what its reviewers have said.</summary>
    /// <param name="State">Its state.</param>
    /// <param name="Waivers">The waivers given and not taken back.</param>
    /// <param name="Checks">The values second persons have read, oldest first.</param>
    public sealed record Reviewed(RevisionState State, ImmutableArray<Waiver> Waivers, ImmutableArray<ValueCheck> Checks)
    {
        /// <summary>A draft nobody has reviewed.</summary>
        public static readonly Reviewed Not = new(RevisionState.Draft, [], []);
    }

    /// <summary>A sheet with what was computed from it.</summary>
    /// <param name="House">The workshop it is judged in.</param>
    public sealed record Walked(Sheet Sheet, int Seq, Workshop House, Reviewed Reviewed, WalkSet Walks, ImmutableArray<Finding> Findings)
    {
        public static Walked Of(Sheet sheet, int seq, Workshop house, Reviewed reviewed)
        {
            // Second persons are asked for its values while it is in review.
            var walks = WalkSet.Run(sheet, reviewed.State == RevisionState.InReview ? house with { Checks = reviewed.Checks } : house);
            return new Walked(sheet, seq, house, reviewed, walks, Waivers.Apply(walks.Findings, sheet, reviewed.Waivers));
        }
    }

    /// <summary>Judges the sheet in a workshop whose rules, crib or day have changed; an edit that comes in between judges it itself.</summary>
    public void JudgeIn(Workshop workshop)
    {
        var now = _now;
        if (!ReferenceEquals(now.House, workshop)) Interlocked.CompareExchange(ref _now, Walked.Of(now.Sheet, now.Seq, workshop, now.Reviewed), now);
    }

    /// <summary>True where an edit with this client id was taken already.</summary>
    public bool Has(string clientId) => _clientIds.Contains(clientId);

    /// <summary>The last edits of one person that can be undone or done again.</summary>
    public (LogLine? Undo, LogLine? Redo) Reach(string personId) =>
        _reach.TryGetValue(personId, out var own) ? (own.Undo.LastOrDefault(), own.Redo.LastOrDefault()) : (null, null);

    private static Dictionary<string, (List<LogLine> Undo, List<LogLine> Redo)> ReachOf(List<LogLine> lines)
    {
        var reach = new Dictionary<string, (List<LogLine> Undo, List<LogLine> Redo)>();
        foreach (var line in lines) Count(reach, line);
        return reach;
    }

    // What a line of the log does to what its writer can undo and redo.
    private static void Count(Dictionary<string, (List<LogLine> Undo, List<LogLine> Redo)> reach, LogLine line)
    {
        if (!reach.TryGetValue(line.PersonId, out var own)) reach[line.PersonId] = own = ([], []);
        var (undo, redo) = own;
        switch (line.Kind)
        {
            case EntryKind.Edit:
                undo.Add(line);
                redo.Clear();
                break;
            case EntryKind.Undo:
                redo.AddRange(undo.Where(l => l.Seq == line.OfSeq));
                undo.RemoveAll(l => l.Seq == line.OfSeq);
                break;
            case EntryKind.Redo:
                undo.AddRange(redo.Where(l => l.Seq == line.OfSeq));
                redo.RemoveAll(l => l.Seq == line.OfSeq);
                break;
        }
    }

    /// <summary>Takes an edit that is on the disk.</summary>
    public void Take(Walked walked, LogLine line, bool snapshot)
    {
        _now = walked;
        Count(_reach, line);
        _clientIds.Add(line.ClientId);
        if (snapshot) BaseSeq = walked.Seq;
        if (Writers.Contains(line.PersonId)) return;
        Writers = new HashSet<string>(Writers) { line.PersonId };
        // What she said as a reviewer does not hold any more.
        IsOutdated = !walked.Reviewed.Checks.IsEmpty || !walked.Reviewed.Waivers.IsEmpty;
    }
}
