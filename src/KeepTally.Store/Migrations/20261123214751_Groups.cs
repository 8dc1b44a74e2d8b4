using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace KeepTally.Store.Migrations
{
    /// <inheritdoc />
    public partial class Groups : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Split",
                table: "Practices",
                type: "TEXT",
                nullable: false,
                defaultValue: "Listed");

            migrationBuilder.AddColumn<int>(
                name: "SplitSeed",
                table: "Practices",
                type: "INTEGER",
                nullable: false,
                defaultValue: 1);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "Split",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "SplitSeed",
                table: "Practices");
        }
    }
}
