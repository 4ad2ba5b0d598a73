using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace WornPath.Store.Migrations
{
    /// <inheritdoc />
    public partial class Bulletins : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Bulletins",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    RevisionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", maxLength: 20, nullable: false),
                    Target = table.Column<string>(type: "TEXT", maxLength: 400, nullable: false),
                    Then = table.Column<string>(type: "TEXT", maxLength: 4000, nullable: false),
                    Text = table.Column<string>(type: "TEXT", maxLength: 2000, nullable: false),
                    PersonId = table.Column<string>(type: "TEXT", nullable: false),
                    Who = table.Column<string>(type: "TEXT", maxLength: 400, nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    TakenBackBy = table.Column<string>(type: "TEXT", maxLength: 400, nullable: true),
                    TakenBackAt = table.Column<DateTime>(type: "TEXT", nullable: true),
                    WhyTakenBack = table.Column<string>(type: "TEXT", maxLength: 2000, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Bulletins", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Bulletins_AspNetUsers_PersonId",
                        column: x => x.PersonId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_Bulletins_Revisions_RevisionId",
                        column: x => x.RevisionId,
                        principalTable: "Revisions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Bulletins_PersonId",
                table: "Bulletins",
                column: "PersonId");

            migrationBuilder.CreateIndex(
                name: "IX_Bulletins_RevisionId",
                table: "Bulletins",
                column: "RevisionId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Bulletins");
        }
    }
}
