using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace WornPath.Store.Migrations
{
    /// <inheritdoc />
    public partial class Waivers : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<int>(
                name: "WorkshopVersion",
                table: "Revisions",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "InHand",
                columns: table => new
                {
                    RevisionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Key = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    PersonId = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_InHand", x => new { x.RevisionId, x.Key });
                    table.ForeignKey(
                        name: "FK_InHand_AspNetUsers_PersonId",
                        column: x => x.PersonId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_InHand_Revisions_RevisionId",
                        column: x => x.RevisionId,
                        principalTable: "Revisions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Waivers",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    RevisionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Key = table.Column<string>(type: "TEXT", maxLength: 400, nullable: false),
                    Seal = table.Column<string>(type: "TEXT", maxLength: 64, nullable: false),
                    PersonId = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Reason = table.Column<string>(type: "TEXT", maxLength: 2000, nullable: false),
                    TakenBackBy = table.Column<string>(type: "TEXT", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Waivers", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Waivers_AspNetUsers_PersonId",
                        column: x => x.PersonId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_Waivers_Revisions_RevisionId",
                        column: x => x.RevisionId,
                        principalTable: "Revisions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_InHand_PersonId",
                table: "InHand",
                column: "PersonId");

            migrationBuilder.CreateIndex(
                name: "IX_Waivers_PersonId",
                table: "Waivers",
                column: "PersonId");

            migrationBuilder.CreateIndex(
                name: "IX_Waivers_RevisionId",
                table: "Waivers",
                column: "RevisionId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "InHand");

            migrationBuilder.DropTable(
                name: "Waivers");

            migrationBuilder.DropColumn(
                name: "WorkshopVersion",
                table: "Revisions");
        }
    }
}
