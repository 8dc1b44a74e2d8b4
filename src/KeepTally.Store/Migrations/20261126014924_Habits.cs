using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace KeepTally.Store.Migrations
{
    /// <inheritdoc />
    public partial class Habits : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Habits",
                table: "Teams",
                type: "TEXT",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Habits",
                table: "Teams");
        }
    }
}
