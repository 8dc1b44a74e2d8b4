using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace KeepTally.Store.Migrations
{
    /// <inheritdoc />
    public partial class FitsClock : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "FitsClock",
                table: "Blocks",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "FitsClock",
                table: "Blocks");
        }
    }
}
