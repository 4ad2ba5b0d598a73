using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
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

    public DbSet<InHand> InHand => Set<InHand>();

    public DbSet<WorkshopVersion> Workshops => Set<WorkshopVersion>();

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<Person>().Property(p => p.DisplayName).HasMaxLength(100);
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
            revision.HasIndex(r => new { r.ProcedureId, r.Letter }).IsUnique();
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
