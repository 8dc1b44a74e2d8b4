using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace KeepTally.Store.Migrations
{
    /// <inheritdoc />
    public partial class DrillBook : Migration
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

            migrationBuilder.AddColumn<bool>(
                name: "Archived",
                table: "Players",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "OptionsJson",
                table: "Blocks",
                type: "TEXT",
                nullable: false,
                defaultValue: "{}");

            migrationBuilder.AddColumn<string>(
                name: "Part",
                table: "Blocks",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "Limits",
                table: "Attendance",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.CreateTable(
                name: "Cards",
                columns: table => new
                {
                    Id = table.Column<string>(type: "TEXT", nullable: false),
                    Archived = table.Column<bool>(type: "INTEGER", nullable: false),
                    Revision = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Cards", x => x.Id);
                });

            // Cards that were there before the book: each version's card gets its row.
            migrationBuilder.Sql("INSERT INTO Cards (Id, Archived, Revision) SELECT DISTINCT CardId, 0, 1 FROM CardVersions;");

            migrationBuilder.CreateTable(
                name: "CardChanges",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    CardId = table.Column<string>(type: "TEXT", nullable: false),
                    Version = table.Column<int>(type: "INTEGER", nullable: false),
                    At = table.Column<long>(type: "INTEGER", nullable: false),
                    What = table.Column<string>(type: "TEXT", nullable: false),
                    Why = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_CardChanges", x => x.Id);
                    table.ForeignKey(
                        name: "FK_CardChanges_Cards_CardId",
                        column: x => x.CardId,
                        principalTable: "Cards",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_CardChanges_CardId",
                table: "CardChanges",
                column: "CardId");

            // The key from CardVersions to Cards is the model's alone: SQLite would have to write the table anew, outside of
            // any transaction, and a crash in the middle could lose cards.
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "CardChanges");

            migrationBuilder.DropTable(
                name: "Cards");

            migrationBuilder.DropColumn(
                name: "Split",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "SplitSeed",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "Archived",
                table: "Players");

            migrationBuilder.DropColumn(
                name: "OptionsJson",
                table: "Blocks");

            migrationBuilder.DropColumn(
                name: "Part",
                table: "Blocks");

            migrationBuilder.DropColumn(
                name: "Limits",
                table: "Attendance");
        }
    }
}
