using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace KeepTally.Store.Migrations
{
    /// <inheritdoc />
    public partial class TimingSheets : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "DailyCard",
                table: "Teams",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<double>(
                name: "DailyMinutes",
                table: "Teams",
                type: "REAL",
                nullable: false,
                defaultValue: 5.0);

            migrationBuilder.AddColumn<int>(
                name: "Age",
                table: "Practices",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "BroughtJson",
                table: "Practices",
                type: "TEXT",
                nullable: false,
                defaultValue: "{}");

            migrationBuilder.AddColumn<int>(
                name: "LargestGroup",
                table: "Practices",
                type: "INTEGER",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LongestDrill",
                table: "Practices",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "LongestWait",
                table: "Practices",
                type: "REAL",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "Place",
                table: "Practices",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Reserve",
                table: "Practices",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Series",
                table: "Practices",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<int>(
                name: "SheetVersion",
                table: "Practices",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0);

            migrationBuilder.AddColumn<bool>(
                name: "ChangeInside",
                table: "Circuits",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            // Taking NOT NULL away by making the table anew cannot be done in a transaction, and would be left half done where it
            // is stopped. SQLite says how it is done in one: https://www.sqlite.org/lang_altertable.html, "Making Other Kinds Of
            // Table Schema Changes", the simpler procedure for constraints.
            migrationBuilder.Sql("PRAGMA writable_schema = ON;");
            migrationBuilder.Sql(
                """
                UPDATE sqlite_schema SET sql = replace(sql, '"CardVersionId" INTEGER NOT NULL', '"CardVersionId" INTEGER NULL')
                WHERE type = 'table' AND name = 'Blocks';
                """);
            migrationBuilder.Sql("PRAGMA writable_schema = RESET;");

            migrationBuilder.AddColumn<bool>(
                name: "Dropped",
                table: "Blocks",
                type: "INTEGER",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<string>(
                name: "Pause",
                table: "Blocks",
                type: "TEXT",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "PauseName",
                table: "Blocks",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.AddColumn<string>(
                name: "Takes",
                table: "Blocks",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            migrationBuilder.CreateTable(
                name: "Gear",
                columns: table => new
                {
                    Item = table.Column<string>(type: "TEXT", nullable: false),
                    Count = table.Column<int>(type: "INTEGER", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Gear", x => x.Item);
                });

            migrationBuilder.CreateTable(
                name: "Templates",
                columns: table => new
                {
                    Id = table.Column<int>(type: "INTEGER", nullable: false)
                        .Annotation("Sqlite:Autoincrement", true),
                    Name = table.Column<string>(type: "TEXT", nullable: false),
                    Json = table.Column<string>(type: "TEXT", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("PK_Templates", x => x.Id);
                });
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropTable(
                name: "Gear");

            migrationBuilder.DropTable(
                name: "Templates");

            migrationBuilder.DropColumn(
                name: "DailyCard",
                table: "Teams");

            migrationBuilder.DropColumn(
                name: "DailyMinutes",
                table: "Teams");

            migrationBuilder.DropColumn(
                name: "Age",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "BroughtJson",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "LargestGroup",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "LongestDrill",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "LongestWait",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "Place",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "Reserve",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "Series",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "SheetVersion",
                table: "Practices");

            migrationBuilder.DropColumn(
                name: "ChangeInside",
                table: "Circuits");

            migrationBuilder.DropColumn(
                name: "Dropped",
                table: "Blocks");

            migrationBuilder.DropColumn(
                name: "Pause",
                table: "Blocks");

            migrationBuilder.DropColumn(
                name: "PauseName",
                table: "Blocks");

            migrationBuilder.DropColumn(
                name: "Takes",
                table: "Blocks");

            migrationBuilder.AlterColumn<int>(
                name: "CardVersionId",
                table: "Blocks",
                type: "INTEGER",
                nullable: false,
                defaultValue: 0,
                oldClrType: typeof(int),
                oldType: "INTEGER",
                oldNullable: true);
        }
    }
}
