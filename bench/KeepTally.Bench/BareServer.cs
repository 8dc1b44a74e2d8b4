using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Http;
using Microsoft.Data.Sqlite;
using Microsoft.Extensions.Logging;

namespace KeepTally.Bench;

/// <summary>The least that a durable insert over HTTP can be: one endpoint, one table, one row, one wait for the disk.</summary>
internal static class BareServer
{
    internal static async Task RunAsync(int port, string folder)
    {
        var builder = WebApplication.CreateBuilder();
        builder.Logging.ClearProviders();
        var app = builder.Build();
        await using var connection = new SqliteConnection($"Data Source={Path.Combine(folder, "bare.db")}");
        await connection.OpenAsync();
        Execute(
            connection,
            "PRAGMA journal_mode = WAL; PRAGMA synchronous = FULL; CREATE TABLE Events (Sequence INTEGER PRIMARY KEY AUTOINCREMENT, Line TEXT NOT NULL);"
        );
        var turn = new SemaphoreSlim(1);
        app.MapPost(
            "/insert",
            async (HttpRequest request) =>
            {
                using var body = new StreamReader(request.Body);
                var line = await body.ReadToEndAsync();
                await turn.WaitAsync();
                try
                {
                    await using var insert = connection.CreateCommand();
                    insert.CommandText = "INSERT INTO Events (Line) VALUES ($line)";
                    insert.Parameters.AddWithValue("$line", line);
                    await insert.ExecuteNonQueryAsync();
                }
                finally
                {
                    turn.Release();
                }

                return Results.Ok(new { stored = 1 });
            }
        );
        await app.RunAsync($"http://127.0.0.1:{port}");
    }

    private static void Execute(SqliteConnection connection, string text)
    {
        using var command = connection.CreateCommand();
        command.CommandText = text;
        command.ExecuteNonQuery();
    }
}
