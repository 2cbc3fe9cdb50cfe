using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Wellsedes.Store.Migrations
{
    /// <inheritdoc />
    public partial class HouseTurned : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropPrimaryKey(
                name: "PK_Issued",
                table: "Issued");

            migrationBuilder.DropIndex(
                name: "IX_Issued_PlanId_SchemeId_Number",
                table: "Issued");

            migrationBuilder.AddColumn<int>(
                name: "Format",
                table: "Snapshots",
                type: "integer",
                nullable: false,
                defaultValue: 1);

            migrationBuilder.AddColumn<string>(
                name: "Versions",
                table: "Snapshots",
                type: "jsonb",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "DeletedAt",
                table: "Projects",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "DeletedAt",
                table: "Plans",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<DateTime>(
                name: "DeletedAt",
                table: "Pictures",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "SheetId",
                table: "Issued",
                type: "character varying(60)",
                maxLength: 60,
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Format",
                table: "Changes",
                type: "integer",
                nullable: false,
                defaultValue: 1);

            // Until now a scheme had one sheet, and its revisions hung on the scheme: they are that sheet's.
            migrationBuilder.Sql(
                """
                update "Issued" i set "SheetId" = coalesce((
                    select e ->> 'id' from "Snapshots" s, jsonb_array_elements(s."Entities") e
                    where s."PlanId" = i."PlanId" and e ->> 'type' = 'sheet' and e ->> 'schemeId' = i."SchemeId"
                    order by s."Revision", e ->> 'id' limit 1), i."SchemeId");
                """);

            migrationBuilder.AddPrimaryKey(
                name: "PK_Issued",
                table: "Issued",
                columns: new[] { "PlanId", "SheetId", "Letter" });

            migrationBuilder.CreateTable(
                name: "Library",
                columns: table => new
                {
                    ProjectId = table.Column<Guid>(type: "uuid", nullable: false),
                    Revision = table.Column<long>(type: "bigint", nullable: false),
                    AuthorId = table.Column<Guid>(type: "uuid", nullable: false),
                    MadeAt = table.Column<DateTime>(type: "timestamp with time zone", nullable: false),
                    Key = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    Content = table.Column<string>(type: "jsonb", nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Library", x => new { x.ProjectId, x.Revision });
                    table.ForeignKey(
                        name: "FK_Library_Projects_ProjectId",
                        column: x => x.ProjectId,
                        principalTable: "Projects",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_Issued_PlanId_SheetId_Number",
                table: "Issued",
                columns: new[] { "PlanId", "SheetId", "Number" },
                unique: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Library");

            migrationBuilder.DropPrimaryKey(
                name: "PK_Issued",
                table: "Issued");

            migrationBuilder.DropIndex(
                name: "IX_Issued_PlanId_SheetId_Number",
                table: "Issued");

            migrationBuilder.DropColumn(
                name: "Format",
                table: "Snapshots");

            migrationBuilder.DropColumn(
                name: "Versions",
                table: "Snapshots");

            migrationBuilder.DropColumn(
                name: "DeletedAt",
                table: "Projects");

            migrationBuilder.DropColumn(
                name: "DeletedAt",
                table: "Plans");

            migrationBuilder.DropColumn(
                name: "DeletedAt",
                table: "Pictures");

            migrationBuilder.DropColumn(
                name: "SheetId",
                table: "Issued");

            migrationBuilder.DropColumn(
                name: "Format",
                table: "Changes");

            migrationBuilder.AddPrimaryKey(
                name: "PK_Issued",
                table: "Issued",
                columns: new[] { "PlanId", "SchemeId", "Letter" });

            migrationBuilder.CreateIndex(
                name: "IX_Issued_PlanId_SchemeId_Number",
                table: "Issued",
                columns: new[] { "PlanId", "SchemeId", "Number" },
                unique: true);
        }
    }
}
