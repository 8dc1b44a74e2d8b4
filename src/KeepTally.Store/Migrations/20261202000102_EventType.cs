using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace KeepTally.Store.Migrations
{
    /// <inheritdoc />
    public partial class EventType : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "Type",
                table: "Events",
                type: "TEXT",
                nullable: false,
                defaultValue: "");

            // A tag may be called "type", too: what counts is the property of the event itself.
            migrationBuilder.Sql("UPDATE Events SET Type = json_extract(Line, '$.type')");

            migrationBuilder.CreateIndex(
                name: "IX_Events_End",
                table: "Events",
                column: "SheetId",
                filter: "\"Type\" = 'end'");

            migrationBuilder.CreateIndex(
                name: "IX_Events_Start",
                table: "Events",
                column: "SheetId",
                filter: "\"Type\" = 'start'");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropIndex(
                name: "IX_Events_End",
                table: "Events");

            migrationBuilder.DropIndex(
                name: "IX_Events_Start",
                table: "Events");

            migrationBuilder.DropColumn(
                name: "Type",
                table: "Events");
        }
    }
}
