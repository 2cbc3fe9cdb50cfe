using Microsoft.AspNetCore.Identity;
using Microsoft.AspNetCore.Identity.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;

namespace Wellsedes.Store;

public sealed class WellsedesContext(DbContextOptions<WellsedesContext> options)
    : IdentityDbContext<Person, IdentityRole<Guid>, Guid>(options)
{
    public DbSet<Project> Projects => Set<Project>();
    public DbSet<ProjectMember> Members => Set<ProjectMember>();
    public DbSet<PlanRecord> Plans => Set<PlanRecord>();
    public DbSet<PlanChange> Changes => Set<PlanChange>();
    public DbSet<PlanSnapshot> Snapshots => Set<PlanSnapshot>();
    public DbSet<PlanPicture> Pictures => Set<PlanPicture>();
    public DbSet<IssuedRevision> Issued => Set<IssuedRevision>();
    public DbSet<IssuedFile> IssuedFiles => Set<IssuedFile>();
    public DbSet<TakenView> Taken => Set<TakenView>();
    public DbSet<LibraryChange> Library => Set<LibraryChange>();
    public DbSet<ProjectBooks> Books => Set<ProjectBooks>();
    public DbSet<OwnedItem> OwnedItems => Set<OwnedItem>();

    protected override void OnModelCreating(ModelBuilder builder)
    {
        base.OnModelCreating(builder);
        builder.Entity<Person>().Property(person => person.DisplayName).HasMaxLength(80);
        builder.Entity<Project>().Property(project => project.Name).HasMaxLength(80);
        builder.Entity<ProjectMember>().HasKey(member => new { member.ProjectId, member.PersonId });
        builder.Entity<ProjectMember>().Property(member => member.Role).HasConversion<string>().HasMaxLength(10);
        builder.Entity<PlanRecord>(plan =>
        {
            plan.Property(p => p.Title).HasMaxLength(80);
            plan.Property(p => p.DemoFile).HasMaxLength(80);
            plan.Property(p => p.Revision).IsConcurrencyToken();
        });
        builder.Entity<PlanChange>(change =>
        {
            change.HasKey(c => new { c.PlanId, c.Revision });
            change.Property(c => c.Content).HasColumnType("jsonb");
            change.Property(c => c.Label).HasMaxLength(200);
            change.Property(c => c.Format).HasDefaultValue(1);
            change.HasOne<PlanRecord>().WithMany().HasForeignKey(c => c.PlanId);
        });
        builder.Entity<PlanSnapshot>(snapshot =>
        {
            snapshot.HasKey(s => new { s.PlanId, s.Revision });
            snapshot.Property(s => s.Entities).HasColumnType("jsonb");
            snapshot.Property(s => s.Versions).HasColumnType("jsonb");
            snapshot.Property(s => s.Format).HasDefaultValue(1);
            snapshot.HasOne<PlanRecord>().WithMany().HasForeignKey(s => s.PlanId);
        });
        builder.Entity<PlanPicture>(picture =>
        {
            picture.HasKey(p => new { p.PlanId, p.Id });
            picture.Property(p => p.Name).HasMaxLength(120);
            picture.Property(p => p.MediaType).HasMaxLength(20);
            picture.HasOne<PlanRecord>().WithMany().HasForeignKey(p => p.PlanId);
        });
        builder.Entity<LibraryChange>(change =>
        {
            change.HasKey(c => new { c.ProjectId, c.Revision });
            change.Property(c => c.Key).HasMaxLength(60);
            change.Property(c => c.Content).HasColumnType("jsonb");
            change.HasOne<Project>().WithMany().HasForeignKey(c => c.ProjectId);
        });
        builder.Entity<ProjectBooks>(books =>
        {
            books.HasKey(b => b.ProjectId);
            books.Property(b => b.Entities).HasColumnType("jsonb");
            books.Property(b => b.KeptBy).HasMaxLength(80);
            books.HasOne<Project>().WithOne().HasForeignKey<ProjectBooks>(b => b.ProjectId);
        });
        builder.Entity<OwnedItem>(item =>
        {
            item.HasKey(i => new { i.PersonId, i.Key });
            item.Property(i => i.Key).HasMaxLength(60);
            item.Property(i => i.Content).HasColumnType("jsonb");
            item.HasOne<Person>().WithMany().HasForeignKey(i => i.PersonId);
        });
        builder.Entity<IssuedRevision>(issued =>
        {
            issued.Property(i => i.SheetId).HasMaxLength(60);
            issued.Property(i => i.LevelName).HasMaxLength(40).HasDefaultValue("");
            issued.HasKey(i => new
            {
                i.PlanId,
                i.SheetId,
                i.Letter,
            });
            issued
                .HasIndex(i => new
                {
                    i.PlanId,
                    i.SheetId,
                    i.Number,
                })
                .IsUnique();
            issued.HasOne<PlanRecord>().WithMany().HasForeignKey(i => i.PlanId);
        });
        builder.Entity<IssuedFile>(file =>
        {
            file.Property(f => f.SheetId).HasMaxLength(60);
            file.Property(f => f.Ending).HasMaxLength(20);
            file.Property(f => f.MediaType).HasMaxLength(80);
            file.HasKey(f => new
            {
                f.PlanId,
                f.SheetId,
                f.Letter,
                f.Ending,
            });
            file.HasOne<IssuedRevision>()
                .WithMany(i => i.Files)
                .HasForeignKey(f => new
                {
                    f.PlanId,
                    f.SheetId,
                    f.Letter,
                });
        });
        builder.Entity<TakenView>(taken =>
        {
            taken.HasKey(t => new { t.PlanId, t.Id });
            taken.Property(t => t.SchemeId).HasMaxLength(60);
            taken.Property(t => t.Name).HasMaxLength(40);
            taken.HasOne<PlanRecord>().WithMany().HasForeignKey(t => t.PlanId);
        });
    }
}

/// <summary>Lets the migration tool make a context without the server; it never connects.</summary>
public sealed class DesignTimeContext : IDesignTimeDbContextFactory<WellsedesContext>
{
    public WellsedesContext CreateDbContext(string[] args) =>
        new(new DbContextOptionsBuilder<WellsedesContext>().UseNpgsql("Host=localhost;Database=design").Options);
}
