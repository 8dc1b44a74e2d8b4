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
                name: "CardJson",
                table: "Sheets",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Group",
                table: "Sheets",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Round",
                table: "Sheets",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Station",
                table: "Sheets",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Balls",
                table: "Practices",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Coaches",
                table: "Practices",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<int>(
                name: "Courts",
                table: "Practices",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "LevelBy",
                table: "Practices",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "SettledJson",
                table: "Practices",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "ByHandJson",
                table: "Blocks",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "GroupsBy",
                table: "Blocks",
                type: "TEXT",
                nullable: false,
                defaultValue: "Number");

            migrationBuilder.CreateTable(
                name: "Circuits",
                columns: table => new
                {
                    BlockId = table.Column<int>(type: "INTEGER", nullable: false),
                    MinutesEach = table.Column<double>(type: "REAL", nullable: false),
                    ChangeSeconds = table.Column<int>(type: "INTEGER", nullable: false),
                    Reverse = table.Column<bool>(type: "INTEGER", nullable: false),
                    CoachesMove = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Circuits", x => x.BlockId);
                    table.ForeignKey(
                        name: "FK_Circuits_Blocks_BlockId",
                        column: x => x.BlockId,
                        principalTable: "Blocks",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "KeptPairs",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    TeamId = table.Column<int>(type: "INTEGER", nullable: false),
                    OneId = table.Column<int>(type: "INTEGER", nullable: false),
                    OtherId = table.Column<int>(type: "INTEGER", nullable: false),
                    Together = table.Column<bool>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_KeptPairs", x => x.Id);
                    table.ForeignKey(
                        name: "FK_KeptPairs_Players_OneId",
                        column: x => x.OneId,
                        principalTable: "Players",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_KeptPairs_Players_OtherId",
                        column: x => x.OtherId,
                        principalTable: "Players",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                    table.ForeignKey(
                        name: "FK_KeptPairs_Teams_TeamId",
                        column: x => x.TeamId,
                        principalTable: "Teams",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "Stations",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    BlockId = table.Column<int>(type: "INTEGER", nullable: false),
                    Order = table.Column<int>(type: "INTEGER", nullable: false),
                    CardVersionId = table.Column<int>(type: "INTEGER", nullable: false),
                    Stage = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Stations", x => x.Id);
                    table.ForeignKey(
                        name: "FK_Stations_CardVersions_CardVersionId",
                        column: x => x.CardVersionId,
                        principalTable: "CardVersions",
                        principalColumn: "Id",
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "FK_Stations_Circuits_BlockId",
                        column: x => x.BlockId,
                        principalTable: "Circuits",
                        principalColumn: "BlockId",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "IX_KeptPairs_OneId_OtherId",
                table: "KeptPairs",
                columns: new[] { "OneId", "OtherId" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "IX_KeptPairs_OtherId",
                table: "KeptPairs",
                column: "OtherId");

            migrationBuilder.CreateIndex(
                name: "IX_KeptPairs_TeamId",
                table: "KeptPairs",
                column: "TeamId");

            migrationBuilder.CreateIndex(
                name: "IX_Stations_BlockId",
                table: "Stations",
                column: "BlockId");

            migrationBuilder.CreateIndex(
                name: "IX_Stations_CardVersionId",
                table: "Stations",
                column: "CardVersionId");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "KeptPairs");

            migrationBuilder.DropTable(
                name: "Stations");

            migrationBuilder.DropTable(
                name: "Circuits");

            migrationBuilder.DropColumn(
                name: "CardJson",
                table: "Sheets");

            migrationBuilder.DropColumn(
                name: "Group",
                table: "Sheets");

            migrationBuilder.DropColumn(
                name: "Round",
                table: "Sheets");

            migrationBuilder.DropColumn(
                name: "Station",
                table: "Sheets");

            migrationBuilder.DropColumn(
                name: "Balls",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "Coaches",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "Courts",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "LevelBy",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "SettledJson",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "ByHandJson",
                table: "Blocks");

            migrationBuilder.DropColumn(
                name: "GroupsBy",
                table: "Blocks");
        }
    }
}
