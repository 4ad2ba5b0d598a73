using WornPath.Core.Workshops;
﻿using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace WornPath.Store.Migrations
{
    /// <inheritdoc />
    public partial class ValueChecks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "ValueChecks",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    RevisionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Joint = table.Column<string>(type: "TEXT", maxLength: 20, nullable: false),
                    Seal = table.Column<string>(type: "TEXT", maxLength: 64, nullable: false),
                    Read = table.Column<string>(type: "TEXT", maxLength: 200, nullable: false),
                    Agrees = table.Column<bool>(type: "INTEGER", nullable: false),
                    PersonId = table.Column<string>(type: "TEXT", nullable: false),
                    At = table.Column<DateTime>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_ValueChecks", x => x.Id);
                    table.ForeignKey(
                        name: "FK_ValueChecks_AspNetUsers_PersonId",
                        column: x => x.PersonId,
                        principalTable: "AspNetUsers",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_ValueChecks_Revisions_RevisionId",
                        column: x => x.RevisionId,
                        principalTable: "Revisions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_ValueChecks_PersonId",
                table: "ValueChecks",
                column: "PersonId");

            migrationBuilder.CreateIndex(
                name: "IX_ValueChecks_RevisionId",
                table: "ValueChecks",
                column: "RevisionId");

            migrationBuilder.Sql("""
                CREATE TRIGGER ValueChecks_Stand BEFORE UPDATE ON ValueChecks
                BEGIN SELECT RAISE(ABORT, 'A value that was read cannot change.'); END;
                """);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "ValueChecks");
        }
    }
}
