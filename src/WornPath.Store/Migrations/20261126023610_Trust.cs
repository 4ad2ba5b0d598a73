using WornPath.Core.Workshops;
using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace WornPath.Store.Migrations
{
    /// <inheritdoc />
    public partial class Trust : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "Format",
                table: "Workshops",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<string>(
                name: "Who",
                table: "Waivers",
                type: "TEXT",
                maxLength: 400,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Who",
                table: "ValueChecks",
                type: "TEXT",
                maxLength: 400,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Format",
                table: "Snapshots",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<long>(
                name: "Stamp",
                table: "Revisions",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0L);

            migrationBuilder.AddColumn<string>(
                name: "Who",
                table: "Events",
                type: "TEXT",
                maxLength: 400,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Format",
                table: "Edits",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<string>(
                name: "NameKey",
                table: "AspNetUsers",
                type: "TEXT",
                maxLength: 400,
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "AsksToWrite",
                columns: table => new
                {
                    ProcedureId = table.Column<int>(type: "INTEGER", nullable: false),
                    PersonId = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_AsksToWrite", x => new { x.ProcedureId, x.PersonId });
                    table.ForeignKey(
                        name: "FK_AsksToWrite_AspNetUsers_PersonId",
                        column: x => x.PersonId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_AsksToWrite_Procedures_ProcedureId",
                        column: x => x.ProcedureId,
                        principalTable: "Procedures",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Contributions",
                columns: table => new
                {
                    RevisionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Element = table.Column<string>(type: "TEXT", maxLength: 60, nullable: false),
                    PersonId = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Contributions", x => new { x.RevisionId, x.Element, x.PersonId });
                    table.ForeignKey(
                        name: "FK_Contributions_AspNetUsers_PersonId",
                        column: x => x.PersonId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_Contributions_Revisions_RevisionId",
                        column: x => x.RevisionId,
                        principalTable: "Revisions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "ProcedureAuthors",
                columns: table => new
                {
                    ProcedureId = table.Column<int>(type: "INTEGER", nullable: false),
                    PersonId = table.Column<string>(type: "TEXT", nullable: false),
                    IsOwner = table.Column<bool>(type: "INTEGER", nullable: false),
                    GivenById = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ProcedureAuthors", x => new { x.ProcedureId, x.PersonId });
                    table.ForeignKey(
                        name: "FK_ProcedureAuthors_AspNetUsers_GivenById",
                        column: x => x.GivenById,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_ProcedureAuthors_AspNetUsers_PersonId",
                        column: x => x.PersonId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_ProcedureAuthors_Procedures_ProcedureId",
                        column: x => x.ProcedureId,
                        principalTable: "Procedures",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            // Keys of names are worked out when the program starts; until then each is a person's own.
            migrationBuilder.Sql("UPDATE AspNetUsers SET NameKey = Id;");
            foreach (var table in (string[])["Events", "Waivers", "ValueChecks"])
                migrationBuilder.Sql($"UPDATE {table} SET Who = (SELECT DisplayName || ' (' || UserName || ')' FROM AspNetUsers WHERE Id = {table}.PersonId);");
            // Whoever began a procedure owns it; whoever wrote on it writes on.
            migrationBuilder.Sql("""
                INSERT INTO ProcedureAuthors (ProcedureId, PersonId, IsOwner, GivenById, At)
                SELECT p.Id, r.AuthorId, 1, r.AuthorId, p.CreatedAt FROM Procedures p JOIN Revisions r ON r.Id = (SELECT min(Id) FROM Revisions WHERE ProcedureId = p.Id);
                """);
            migrationBuilder.Sql("""
                INSERT OR IGNORE INTO ProcedureAuthors (ProcedureId, PersonId, IsOwner, GivenById, At)
                SELECT p.Id, w.PersonId, 0, w.PersonId, p.CreatedAt FROM Procedures p JOIN (
                    SELECT ProcedureId, AuthorId AS PersonId FROM Revisions UNION SELECT r.ProcedureId, e.PersonId FROM Edits e JOIN Revisions r ON r.Id = e.RevisionId) w ON w.ProcedureId = p.Id;
                """);
            // What exactly anybody wrote in an earlier revision is not on record: it counts for the whole, in all that came after.
            migrationBuilder.Sql("""
                INSERT OR IGNORE INTO Contributions (RevisionId, Element, PersonId)
                SELECT r.Id, '*', w.PersonId FROM Revisions r JOIN (
                    SELECT Id, ProcedureId, AuthorId AS PersonId FROM Revisions UNION SELECT o.Id, o.ProcedureId, e.PersonId FROM Edits e JOIN Revisions o ON o.Id = e.RevisionId) w
                ON w.ProcedureId = r.ProcedureId AND w.Id <= r.Id;
                """);

            migrationBuilder.CreateIndex(
                name: "IX_AspNetUsers_NameKey",
                table: "AspNetUsers",
                column: "NameKey",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_AsksToWrite_PersonId",
                table: "AsksToWrite",
                column: "PersonId");

            migrationBuilder.CreateIndex(
                name: "IX_Contributions_PersonId",
                table: "Contributions",
                column: "PersonId");

            migrationBuilder.CreateIndex(
                name: "IX_ProcedureAuthors_GivenById",
                table: "ProcedureAuthors",
                column: "GivenById");

            migrationBuilder.CreateIndex(
                name: "IX_ProcedureAuthors_Owner",
                table: "ProcedureAuthors",
                column: "ProcedureId",
                unique: true,
                filter: "IsOwner = 1");

            migrationBuilder.CreateIndex(
                name: "IX_ProcedureAuthors_PersonId",
                table: "ProcedureAuthors",
                column: "PersonId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "AsksToWrite");

            migrationBuilder.DropTable(
                name: "Contributions");

            migrationBuilder.DropTable(
                name: "ProcedureAuthors");

            migrationBuilder.DropIndex(
                name: "IX_AspNetUsers_NameKey",
                table: "AspNetUsers");

            migrationBuilder.DropColumn(
                name: "Format",
                table: "Workshops");

            migrationBuilder.DropColumn(
                name: "Who",
                table: "Waivers");

            migrationBuilder.DropColumn(
                name: "Who",
                table: "ValueChecks");

            migrationBuilder.DropColumn(
                name: "Format",
                table: "Snapshots");

            migrationBuilder.DropColumn(
                name: "Stamp",
                table: "Revisions");

            migrationBuilder.DropColumn(
                name: "Who",
                table: "Events");

            migrationBuilder.DropColumn(
                name: "Format",
                table: "Edits");

            migrationBuilder.DropColumn(
                name: "NameKey",
                table: "AspNetUsers");
        }
    }
}
