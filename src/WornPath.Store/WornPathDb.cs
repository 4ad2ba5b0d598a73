using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;
using WornPath.Core.Revisions;
using WornPath.Store.Entities;

namespace WornPath.Store;

/// <summary>The database: people, procedures, revisions and their logs.</summary>
public sealed class WornPathDb(DbContextOptions<WornPathDb> options) : IdentityDbContext<Person, IdentityRole, string>(options)
{
    public DbSet<Procedure> Procedures => Set<Procedure>();

    public DbSet<Revision> Revisions => Set<Revision>();

    public DbSet<SheetSnapshot> Snapshots => Set<SheetSnapshot>();

    public DbSet<EditEntry> Edits => Set<EditEntry>();

    public DbSet<ReviewEvent> Events => Set<ReviewEvent>();

    public DbSet<WaiverEntry> Waivers => Set<WaiverEntry>();

    public DbSet<ValueCheckEntry> ValueChecks => Set<ValueCheckEntry>();

    public DbSet<Comment> Comments => Set<Comment>();

    public DbSet<CommentEntry> CommentEntries => Set<CommentEntry>();

    public DbSet<CommentMention> CommentMentions => Set<CommentMention>();

    public DbSet<ReviewAsk> ReviewAsks => Set<ReviewAsk>();

    public DbSet<Bulletin> Bulletins => Set<Bulletin>();

    public DbSet<Holding> Holdings => Set<Holding>();

    public DbSet<RecordLink> RecordLinks => Set<RecordLink>();

    public DbSet<Signature> Signatures => Set<Signature>();

    public DbSet<SignedContent> SignedContents => Set<SignedContent>();

    public DbSet<Contribution> Contributions => Set<Contribution>();

    public DbSet<ProcedureAuthor> ProcedureAuthors => Set<ProcedureAuthor>();

    public DbSet<AskToWrite> AsksToWrite => Set<AskToWrite>();

    public DbSet<InHand> InHand => Set<InHand>();

    public DbSet<WorkshopVersion> Workshops => Set<WorkshopVersion>();

    public DbSet<PersonSession> Sessions => Set<PersonSession>();

    public DbSet<Invitation> Invitations => Set<Invitation>();

    public DbSet<RecoveryCode> RecoveryCodes => Set<RecoveryCode>();

    public DbSet<AuditEntry> Audit => Set<AuditEntry>();

    public DbSet<Fact> Facts => Set<Fact>();

    public DbSet<ShelfEntry> ShelfEntries => Set<ShelfEntry>();

    public DbSet<UsedName> UsedNames => Set<UsedName>();

    public DbSet<UsedOn> UsedOn => Set<UsedOn>();

    /// <summary>Name and account as they are now: what is written down stays, whatever the person is called later.</summary>
    public async Task<string> WhoAsync(string personId)
    {
        var person = await Users.Where(p => p.Id == personId).Select(p => new { p.DisplayName, p.UserName }).SingleAsync();
        return PersonName.InRecords(person.DisplayName, person.UserName!);
    }

    public override int SaveChanges(bool acceptAllChangesOnSuccess)
    {
        StampRevisions();
        return base.SaveChanges(acceptAllChangesOnSuccess);
    }

    public override Task<int> SaveChangesAsync(bool acceptAllChangesOnSuccess, CancellationToken cancellationToken = default)
    {
        StampRevisions();
        return base.SaveChangesAsync(acceptAllChangesOnSuccess, cancellationToken);
    }

    private void StampRevisions()
    {
        foreach (var entry in ChangeTracker.Entries<Revision>())
            if (entry.State == EntityState.Modified) entry.Entity.Stamp++;
    }

    // SQLite keeps a time without its zone; all of them are UTC, and say so when they leave.
    protected override void ConfigureConventions(ModelConfigurationBuilder configurationBuilder) =>
        configurationBuilder.Properties<DateTime>().HaveConversion<UtcTimes>();

    private sealed class UtcTimes() : ValueConverter<DateTime, DateTime>(t => t, t => DateTime.SpecifyKind(t, DateTimeKind.Utc));

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<Person>(person =>
        {
            person.Property(p => p.DisplayName).HasMaxLength(100);
            person.Property(p => p.NameKey).HasMaxLength(400);
            person.HasIndex(p => p.NameKey).IsUnique();
            person.Property(p => p.FactorSecret).HasMaxLength(1000);
            person.Property(p => p.CalendarKeyHash).HasMaxLength(64);
            person.HasIndex(p => p.CalendarKeyHash).IsUnique();
            person.Ignore(p => p.State);
            person.Ignore(p => p.HasFactor);
        });
        builder.Entity<PersonSession>(session =>
        {
            session.Property(s => s.KeyHash).HasMaxLength(64);
            session.HasIndex(s => s.KeyHash).IsUnique();
            session.Property(s => s.Why).HasConversion<string>().HasMaxLength(20);
            session.Property(s => s.Address).HasMaxLength(64);
            session.Property(s => s.Browser).HasMaxLength(200);
            session.HasOne(s => s.Person).WithMany().HasForeignKey(s => s.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<Invitation>(invitation =>
        {
            invitation.Property(i => i.TokenHash).HasMaxLength(64);
            invitation.HasIndex(i => i.TokenHash).IsUnique();
            invitation.HasOne(i => i.Person).WithMany().HasForeignKey(i => i.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<RecoveryCode>(code =>
        {
            code.Property(c => c.CodeHash).HasMaxLength(64);
            code.HasIndex(c => c.CodeHash).IsUnique();
            code.HasOne(c => c.Person).WithMany().HasForeignKey(c => c.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<AuditEntry>(entry =>
        {
            entry.ToTable("Audit");
            entry.Property(e => e.Kind).HasConversion<string>().HasMaxLength(30);
            entry.Property(e => e.Who).HasMaxLength(400);
            entry.Property(e => e.Whom).HasMaxLength(400);
            entry.Property(e => e.Address).HasMaxLength(64);
            entry.Property(e => e.Text).HasMaxLength(400);
            entry.HasIndex(e => e.At);
        });
        builder.Entity<ShelfEntry>(entry =>
        {
            entry.HasKey(e => e.RevisionId);
            entry.HasOne<Revision>().WithOne().HasForeignKey<ShelfEntry>(e => e.RevisionId);
            entry.Property(e => e.State).HasConversion<string>().HasMaxLength(20);
        });
        builder.Entity<UsedName>(used =>
        {
            used.Property(u => u.Kind).HasConversion<string>().HasMaxLength(20);
            used.Property(u => u.Name).HasMaxLength(SheetUse.LongestName).UseCollation("NOCASE");
            used.HasIndex(u => new { u.Kind, u.Name }).IsUnique();
            used.HasIndex(u => u.Current);
            used.HasIndex(u => u.Released);
        });
        builder.Entity<UsedOn>(use =>
        {
            use.HasKey(u => new { u.NameId, u.RevisionId });
            use.Property(u => u.At).HasMaxLength(20);
            use.Property(u => u.Says).HasMaxLength(2000);
            use.HasOne<UsedName>().WithMany().HasForeignKey(u => u.NameId);
            use.HasOne<Revision>().WithMany().HasForeignKey(u => u.RevisionId);
        });
        builder.Entity<Fact>(fact =>
        {
            fact.HasKey(f => f.Name);
            fact.Property(f => f.Name).HasMaxLength(40);
            fact.Property(f => f.Value).HasMaxLength(200);
        });
        builder.Entity<Procedure>(procedure =>
        {
            procedure.Property(p => p.Number).HasMaxLength(40).UseCollation("NOCASE");
            procedure.HasIndex(p => p.Number).IsUnique();
            procedure.Property(p => p.Title).HasMaxLength(200);
            procedure.Property(p => p.Platform).HasMaxLength(200);
        });
        builder.Entity<Revision>(revision =>
        {
            revision.Property(r => r.State).HasConversion<string>().HasMaxLength(20);
            revision.Property(r => r.Letter).HasMaxLength(4);
            revision.Property(r => r.Stamp).IsConcurrencyToken();
            revision.HasIndex(r => new { r.ProcedureId, r.Letter }).IsUnique();
            revision.HasIndex(r => r.LookAgainBy).HasFilter("LookAgainBy IS NOT NULL");
            revision.HasOne(r => r.Author).WithMany().HasForeignKey(r => r.AuthorId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<SheetSnapshot>(snapshot =>
        {
            snapshot.HasKey(s => s.RevisionId);
            snapshot.HasOne<Revision>().WithOne(r => r.Snapshot).HasForeignKey<SheetSnapshot>(s => s.RevisionId);
        });
        builder.Entity<EditEntry>(edit =>
        {
            edit.Property(e => e.Kind).HasConversion<string>().HasMaxLength(10);
            edit.Property(e => e.ClientId).HasMaxLength(64);
            edit.Property(e => e.Label).HasMaxLength(200);
            edit.HasIndex(e => new { e.RevisionId, e.Seq }).IsUnique();
            edit.HasIndex(e => new { e.RevisionId, e.ClientId }).IsUnique();
            edit.HasOne<Revision>().WithMany(r => r.Edits).HasForeignKey(e => e.RevisionId);
            edit.HasOne<Person>().WithMany().HasForeignKey(e => e.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<Contribution>(contribution =>
        {
            contribution.HasKey(c => new { c.RevisionId, c.Element, c.PersonId });
            contribution.Property(c => c.Element).HasMaxLength(60);
            contribution.HasOne<Revision>().WithMany().HasForeignKey(c => c.RevisionId);
            contribution.HasOne<Person>().WithMany().HasForeignKey(c => c.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<ProcedureAuthor>(author =>
        {
            author.HasKey(a => new { a.ProcedureId, a.PersonId });
            author.HasIndex(a => a.ProcedureId, "IX_ProcedureAuthors_Owner").IsUnique().HasFilter("IsOwner = 1");
            author.HasOne<Procedure>().WithMany(p => p.Authors).HasForeignKey(a => a.ProcedureId);
            author.HasOne(a => a.Person).WithMany().HasForeignKey(a => a.PersonId).OnDelete(DeleteBehavior.Restrict);
            author.HasOne<Person>().WithMany().HasForeignKey(a => a.GivenById).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<AskToWrite>(ask =>
        {
            ask.HasKey(a => new { a.ProcedureId, a.PersonId });
            ask.HasOne<Procedure>().WithMany().HasForeignKey(a => a.ProcedureId);
            ask.HasOne(a => a.Person).WithMany().HasForeignKey(a => a.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<Comment>(comment =>
        {
            comment.Property(c => c.Kind).HasConversion<string>().HasMaxLength(20);
            comment.Property(c => c.Target).HasMaxLength(400);
            comment.Property(c => c.Then).HasMaxLength(4000);
            comment.Ignore(c => c.Anchor);
            comment.HasIndex(c => c.ProcedureId);
            comment.HasOne<Procedure>().WithMany().HasForeignKey(c => c.ProcedureId);
            comment.HasOne<Revision>().WithMany().HasForeignKey(c => c.RevisionId);
        });
        builder.Entity<CommentEntry>(entry =>
        {
            entry.Property(e => e.Kind).HasConversion<string>().HasMaxLength(20);
            entry.Property(e => e.Text).HasMaxLength(4000);
            entry.Property(e => e.SuggestedSays).HasMaxLength(400);
            entry.Property(e => e.ClientId).HasMaxLength(64);
            entry.HasIndex(e => e.ClientId).IsUnique();
            entry.HasOne<Comment>().WithMany(c => c.Entries).HasForeignKey(e => e.CommentId);
            entry.HasOne<Revision>().WithMany().HasForeignKey(e => e.RevisionId);
            entry.HasOne<Person>().WithMany().HasForeignKey(e => e.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<CommentMention>(mention =>
        {
            mention.HasKey(m => new { m.EntryId, m.PersonId });
            mention.HasOne<CommentEntry>().WithMany(e => e.Mentions).HasForeignKey(m => m.EntryId);
            mention.HasOne<Person>().WithMany().HasForeignKey(m => m.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<Holding>(holding =>
        {
            holding.Property(r => r.Kind).HasConversion<string>().HasMaxLength(10);
            holding.Property(r => r.Who).HasMaxLength(400);
            holding.HasIndex(r => new { r.RevisionId, r.PersonId, r.Kind }).IsUnique();
            holding.HasOne<Revision>().WithMany().HasForeignKey(r => r.RevisionId);
            holding.HasOne<Person>().WithMany().HasForeignKey(r => r.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<Bulletin>(bulletin =>
        {
            bulletin.Property(b => b.Kind).HasConversion<string>().HasMaxLength(20);
            bulletin.Property(b => b.Target).HasMaxLength(400);
            bulletin.Property(b => b.Then).HasMaxLength(4000);
            bulletin.Property(b => b.Text).HasMaxLength(2000);
            bulletin.Property(b => b.TakenBackBy).HasMaxLength(400);
            bulletin.Property(b => b.WhyTakenBack).HasMaxLength(2000);
            bulletin.Ignore(b => b.Anchor);
            bulletin.HasIndex(b => b.RevisionId);
            bulletin.HasOne<Revision>().WithMany().HasForeignKey(b => b.RevisionId);
            bulletin.HasOne<Person>().WithMany().HasForeignKey(b => b.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<RecordLink>(link =>
        {
            link.HasKey(l => new { l.ProcedureId, l.Number });
            link.Property(l => l.Hash).HasMaxLength(64);
            link.HasIndex(l => l.EditId).IsUnique();
            link.HasIndex(l => l.EventId).IsUnique();
            link.HasOne<Procedure>().WithMany().HasForeignKey(l => l.ProcedureId);
            link.HasOne<EditEntry>().WithMany().HasForeignKey(l => l.EditId);
            link.HasOne<ReviewEvent>().WithMany().HasForeignKey(l => l.EventId);
        });
        builder.Entity<Signature>(signature =>
        {
            signature.Property(s => s.Content).HasMaxLength(64);
            signature.Property(s => s.Jws).HasMaxLength(8000);
            signature.HasIndex(s => s.RevisionId);
            signature.HasOne<Revision>().WithMany().HasForeignKey(s => s.RevisionId);
            signature.HasOne<SignedContent>().WithMany().HasForeignKey(s => s.Content);
            signature.HasOne<Person>().WithMany().HasForeignKey(s => s.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<SignedContent>(content =>
        {
            content.HasKey(c => c.Hash);
            content.Property(c => c.Hash).HasMaxLength(64);
        });
        builder.Entity<ReviewAsk>(ask =>
        {
            ask.HasKey(a => new { a.EventId, a.PersonId });
            ask.HasOne<ReviewEvent>().WithMany().HasForeignKey(a => a.EventId);
            ask.HasOne<Person>().WithMany().HasForeignKey(a => a.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        foreach (var (record, property) in ((Type, string)[])[(typeof(ReviewEvent), nameof(ReviewEvent.Who)),
            (typeof(WaiverEntry), nameof(WaiverEntry.Who)), (typeof(ValueCheckEntry), nameof(ValueCheckEntry.Who)),
            (typeof(CommentEntry), nameof(CommentEntry.Who)), (typeof(Bulletin), nameof(Bulletin.Who)), (typeof(ReviewAsk), nameof(ReviewAsk.Who)),
            (typeof(Signature), nameof(Signature.Who))])
            builder.Entity(record).Property<string>(property).HasMaxLength(400);
        // What stands from before a form had a number is of the first.
        foreach (var stored in (Type[])[typeof(SheetSnapshot), typeof(EditEntry), typeof(WorkshopVersion)])
            builder.Entity(stored).Property<int>("Format").HasDefaultValue(1).ValueGeneratedNever();
        builder.Entity<WorkshopVersion>(workshop =>
        {
            workshop.HasKey(w => w.Version);
            workshop.Property(w => w.Version).ValueGeneratedNever();
            workshop.HasOne<Person>().WithMany().HasForeignKey(w => w.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<WaiverEntry>(waiver =>
        {
            waiver.Property(w => w.Key).HasMaxLength(400);
            waiver.Property(w => w.Seal).HasMaxLength(64);
            waiver.Property(w => w.Reason).HasMaxLength(2000);
            waiver.HasIndex(w => w.RevisionId);
            waiver.HasOne<Revision>().WithMany().HasForeignKey(w => w.RevisionId);
            waiver.HasOne(w => w.Person).WithMany().HasForeignKey(w => w.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<ValueCheckEntry>(check =>
        {
            check.Property(c => c.Joint).HasMaxLength(20);
            check.Property(c => c.Seal).HasMaxLength(64);
            check.Property(c => c.Read).HasMaxLength(200);
            check.HasIndex(c => c.RevisionId);
            check.HasOne<Revision>().WithMany().HasForeignKey(c => c.RevisionId);
            check.HasOne(c => c.Person).WithMany().HasForeignKey(c => c.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<InHand>(ticked =>
        {
            ticked.HasKey(t => new { t.RevisionId, t.Key });
            ticked.Property(t => t.Key).HasMaxLength(200);
            ticked.HasOne<Revision>().WithMany().HasForeignKey(t => t.RevisionId);
            ticked.HasOne<Person>().WithMany().HasForeignKey(t => t.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
        builder.Entity<ReviewEvent>(review =>
        {
            review.Property(e => e.Kind).HasConversion<string>().HasMaxLength(20);
            review.Property(e => e.Text).HasMaxLength(2000);
            review.HasOne<Revision>().WithMany(r => r.Events).HasForeignKey(e => e.RevisionId);
            review.HasOne(e => e.Person).WithMany().HasForeignKey(e => e.PersonId).OnDelete(DeleteBehavior.Restrict);
        });
    }
}
