using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Wellsedes.Store.Migrations
{
    /// <inheritdoc />
    public partial class ProjectBooks : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "Books",
                columns: table => new
                {
                    ProjectId = table.Column<Guid>(type: "uuid", nullable: false),
                    Entities = table.Column<string>(type: "jsonb", nullable: false),
                    Format = table.Column<int>(type: "integer", nullable: false),
                    KeptAt = table.Column<DateTime>(type: "timestamp with time zone", nullable: false),
                    KeptBy = table.Column<string>(type: "character varying(80)", maxLength: 80, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Books", x => x.ProjectId);
                    table.ForeignKey(
                        name: "FK_Books_Projects_ProjectId",
                        column: x => x.ProjectId,
                        principalTable: "Projects",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Books");
        }
    }
}
