using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace WornPath.Store.Migrations
{
    /// <inheritdoc />
    public partial class Holders : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateOnly>(
                name: "LookAgainBy",
                table: "Revisions",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "CalendarKeyHash",
                table: "AspNetUsers",
                type: "TEXT",
                maxLength: 64,
                nullable: true);

            migrationBuilder.CreateTable(
                name: "Holdings",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    RevisionId = table.Column<int>(type: "INTEGER", nullable: false),
                    PersonId = table.Column<string>(type: "TEXT", nullable: false),
                    Kind = table.Column<string>(type: "TEXT", maxLength: 10, nullable: false),
                    Who = table.Column<string>(type: "TEXT", maxLength: 400, nullable: false),
                    First = table.Column<DateTime>(type: "TEXT", nullable: false),
                    Last = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Holdings", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Holdings_AspNetUsers_PersonId",
                        column: x => x.PersonId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_Holdings_Revisions_RevisionId",
                        column: x => x.RevisionId,
                        principalTable: "Revisions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Revisions_LookAgainBy",
                table: "Revisions",
                column: "LookAgainBy",
                filter: "LookAgainBy IS NOT NULL");

            migrationBuilder.CreateIndex(
                name: "IX_AspNetUsers_CalendarKeyHash",
                table: "AspNetUsers",
                column: "CalendarKeyHash",
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_Holdings_PersonId",
                table: "Holdings",
                column: "PersonId");

            migrationBuilder.CreateIndex(
                name: "IX_Holdings_RevisionId_PersonId_Kind",
                table: "Holdings",
                columns: new[] { "RevisionId", "PersonId", "Kind" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Holdings");

            migrationBuilder.DropIndex(
                name: "IX_Revisions_LookAgainBy",
                table: "Revisions");

            migrationBuilder.DropIndex(
                name: "IX_AspNetUsers_CalendarKeyHash",
                table: "AspNetUsers");

            migrationBuilder.DropColumn(
                name: "LookAgainBy",
                table: "Revisions");

            migrationBuilder.DropColumn(
                name: "CalendarKeyHash",
                table: "AspNetUsers");
        }
    }
}
