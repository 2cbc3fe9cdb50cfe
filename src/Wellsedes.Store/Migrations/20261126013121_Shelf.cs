using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Wellsedes.Store.Migrations
{
    /// <inheritdoc />
    public partial class Shelf : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<DateTime>(
                name: "ArchivedAt",
                table: "Plans",
                type: "timestamp with time zone",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "DemoFile",
                table: "Plans",
                type: "character varying(80)",
                maxLength: 80,
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "ArchivedAt",
                table: "Plans");

            migrationBuilder.DropColumn(
                name: "DemoFile",
                table: "Plans");
        }
    }
}
