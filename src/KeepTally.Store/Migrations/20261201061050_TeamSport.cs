using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace KeepTally.Store.Migrations
{
    /// <inheritdoc />
    public partial class TeamSport : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Sport",
                table: "Teams",
                type: "TEXT",
                nullable: false,
                defaultValue: "");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Sport",
                table: "Teams");
        }
    }
}
