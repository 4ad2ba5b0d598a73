using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;

namespace WornPath.Store.Migrations;

/// <summary>
/// What the program promises about revisions, kept by the database itself: the sheet of a revision that is no draft does not
/// change, its log does not grow, and no log row is ever changed or taken away.
/// </summary>
[DbContext(typeof(WornPathDb))]
[Migration("20261124040000_ReleasedStands")]
public sealed class ReleasedStands : Migration
{
    protected override void Up(MigrationBuilder migrationBuilder)
    {
        migrationBuilder.Sql("""
            CREATE TRIGGER Snapshots_Stand BEFORE UPDATE ON Snapshots
            WHEN (SELECT State FROM Revisions WHERE Id = OLD.RevisionId) <> 'Draft'
            BEGIN SELECT RAISE(ABORT, 'The sheet of a revision that is no draft cannot change.'); END;
            """);
        migrationBuilder.Sql("""
            CREATE TRIGGER Snapshots_Stay BEFORE DELETE ON Snapshots
            WHEN (SELECT State FROM Revisions WHERE Id = OLD.RevisionId) <> 'Draft'
            BEGIN SELECT RAISE(ABORT, 'The sheet of a revision that is no draft cannot be deleted.'); END;
            """);
        migrationBuilder.Sql("""
            CREATE TRIGGER Revisions_Stand BEFORE UPDATE OF Seq, Letter, ProcedureId, AuthorId ON Revisions
            WHEN OLD.State <> 'Draft'
            BEGIN SELECT RAISE(ABORT, 'A revision that is no draft cannot change.'); END;
            """);
        migrationBuilder.Sql("""
            CREATE TRIGGER Revisions_Stay BEFORE DELETE ON Revisions WHEN OLD.State <> 'Draft'
            BEGIN SELECT RAISE(ABORT, 'A revision that is no draft cannot be deleted.'); END;
            """);
        migrationBuilder.Sql("""
            CREATE TRIGGER Revisions_Released_Stays BEFORE UPDATE OF State ON Revisions
            WHEN OLD.State IN ('Released', 'Superseded', 'Withdrawn') AND NEW.State NOT IN ('Released', 'Superseded', 'Withdrawn')
            BEGIN SELECT RAISE(ABORT, 'A released revision does not become a draft again.'); END;
            """);
        migrationBuilder.Sql("""
            CREATE TRIGGER Edits_Draft_Only BEFORE INSERT ON Edits
            WHEN (SELECT State FROM Revisions WHERE Id = NEW.RevisionId) <> 'Draft'
            BEGIN SELECT RAISE(ABORT, 'Only a draft can be edited.'); END;
            """);
        migrationBuilder.Sql("""
            CREATE TRIGGER Edits_Stand BEFORE UPDATE ON Edits
            BEGIN SELECT RAISE(ABORT, 'A row of the log cannot change.'); END;
            """);
    }

    protected override void Down(MigrationBuilder migrationBuilder)
    {
        foreach (var trigger in (string[])["Snapshots_Stand", "Snapshots_Stay", "Revisions_Stand", "Revisions_Stay", "Revisions_Released_Stays", "Edits_Draft_Only", "Edits_Stand"])
            migrationBuilder.Sql($"DROP TRIGGER {trigger};");
    }
}
