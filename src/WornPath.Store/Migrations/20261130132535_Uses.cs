using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace WornPath.Store.Migrations
{
    /// <inheritdoc />
    public partial class Uses : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "State",
                table: "ShelfEntries",
                type: "TEXT",
                maxLength: 20,
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "UsedNames",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Kind = table.Column<string>(type: "TEXT", maxLength: 20, nullable: false),
                    Name = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false, collation: "NOCASE"),
                    Current = table.Column<int>(type: "INTEGER", nullable: false),
                    Released = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_UsedNames", x => x.Id);
                });

            migrationBuilder.CreateTable(
                name: "UsedOn",
                columns: table => new
                {
                    NameId = table.Column<int>(type: "INTEGER", nullable: false),
                    RevisionId = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<string>(type: "TEXT", maxLength: 20, nullable: false),
                    Says = table.Column<string>(type: "TEXT", maxLength: 2000, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_UsedOn", x => new { x.NameId, x.RevisionId });
                    table.ForeignKey(
                        name: "FK_UsedOn_Revisions_RevisionId",
                        column: x => x.RevisionId,
                        principalTable: "Revisions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_UsedOn_UsedNames_NameId",
                        column: x => x.NameId,
                        principalTable: "UsedNames",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_UsedNames_Current",
                table: "UsedNames",
                column: "Current");

            migrationBuilder.CreateIndex(
                name: "IX_UsedNames_Kind_Name",
                table: "UsedNames",
                columns: new[] { "Kind", "Name" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_UsedNames_Released",
                table: "UsedNames",
                column: "Released");

            migrationBuilder.CreateIndex(
                name: "IX_UsedOn_RevisionId",
                table: "UsedOn",
                column: "RevisionId");

            migrationBuilder.Sql(WhereUsed.Create);
            // All words are written anew, and what is used with them.
            migrationBuilder.Sql("DELETE FROM ShelfEntries");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.Sql("DROP TABLE UsedWords");

            migrationBuilder.DropTable(
                name: "UsedOn");

            migrationBuilder.DropTable(
                name: "UsedNames");

            migrationBuilder.DropColumn(
                name: "State",
                table: "ShelfEntries");
        }
    }
}
