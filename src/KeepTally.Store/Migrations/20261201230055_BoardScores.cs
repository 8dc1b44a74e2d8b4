using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace KeepTally.Store.Migrations
{
    /// <inheritdoc />
    public partial class BoardScores : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "HidesScores",
                table: "Doors",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "HidesScores",
                table: "Doors");
        }
    }
}
