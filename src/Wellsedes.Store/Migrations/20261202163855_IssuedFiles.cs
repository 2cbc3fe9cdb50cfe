using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Wellsedes.Store.Migrations
{
    /// <inheritdoc />
    public partial class IssuedFiles : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "IssuedFiles",
                columns: table => new
                {
                    PlanId = table.Column<Guid>(type: "uuid", nullable: false),
                    SheetId = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    Letter = table.Column<string>(type: "text", nullable: false),
                    Ending = table.Column<string>(type: "character varying(20)", maxLength: 20, nullable: false),
                    MediaType = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false),
                    Content = table.Column<byte[]>(type: "bytea", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_IssuedFiles", x => new { x.PlanId, x.SheetId, x.Letter, x.Ending });
                    table.ForeignKey(
                        name: "FK_IssuedFiles_Issued_PlanId_SheetId_Letter",
                        columns: x => new { x.PlanId, x.SheetId, x.Letter },
                        principalTable: "Issued",
                        principalColumns: new[] { "PlanId", "SheetId", "Letter" },
                        onDelete: ReferentialAction.Cascade);
                });

            // What was issued before stands as it was written.
            migrationBuilder.Sql(
                """
                INSERT INTO "IssuedFiles" ("PlanId", "SheetId", "Letter", "Ending", "MediaType", "Content")
                SELECT "PlanId", "SheetId", "Letter", 'pdf', 'application/pdf', "Pdf" FROM "Issued"
                UNION ALL SELECT "PlanId", "SheetId", "Letter", 'svg', 'image/svg+xml', "Svg" FROM "Issued"
                UNION ALL SELECT "PlanId", "SheetId", "Letter", 'csv', 'text/csv', "Csv" FROM "Issued"
                UNION ALL SELECT "PlanId", "SheetId", "Letter", 'json', 'application/json', "PlanFile" FROM "Issued";
                """
            );

            migrationBuilder.DropColumn(
                name: "Csv",
                table: "Issued");

            migrationBuilder.DropColumn(
                name: "Pdf",
                table: "Issued");

            migrationBuilder.DropColumn(
                name: "PlanFile",
                table: "Issued");

            migrationBuilder.DropColumn(
                name: "Svg",
                table: "Issued");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "IssuedFiles");

            migrationBuilder.AddColumn<byte[]>(
                name: "Csv",
                table: "Issued",
                type: "bytea",
                nullable: false,
                defaultValue: new byte[0]);

            migrationBuilder.AddColumn<byte[]>(
                name: "Pdf",
                table: "Issued",
                type: "bytea",
                nullable: false,
                defaultValue: new byte[0]);

            migrationBuilder.AddColumn<byte[]>(
                name: "PlanFile",
                table: "Issued",
                type: "bytea",
                nullable: false,
                defaultValue: new byte[0]);

            migrationBuilder.AddColumn<byte[]>(
                name: "Svg",
                table: "Issued",
                type: "bytea",
                nullable: false,
                defaultValue: new byte[0]);
        }
    }
}
