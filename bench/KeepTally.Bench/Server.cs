using System.Diagnostics;
using System.Globalization;
using System.Net;
using System.Net.Sockets;
using System.Text.Json;
using System.Text.RegularExpressions;

namespace KeepTally.Bench;

/// <summary>The published application in a process and a data folder of its own, with the demo begun in as many practices as asked for.</summary>
internal sealed partial class Server : IAsyncDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);

    private readonly string _data;
    private readonly int _port;
    private readonly IReadOnlyDictionary<string, string>? _environment;
    private Process _process;

    private Server(Process process, string data, int port, IReadOnlyDictionary<string, string>? environment)
    {
        _environment = environment;
        _process = process;
        _data = data;
        _port = port;
        Http = new HttpClient(new SocketsHttpHandler { MaxConnectionsPerServer = 2000 })
        {
            BaseAddress = new Uri($"http://127.0.0.1:{port}"),
        };
    }

    internal HttpClient Http { get; }

    /// <summary>The data folder.</summary>
    internal string Data => _data;

    /// <summary>The bytes of memory that the process holds.</summary>
    internal long Memory
    {
        get
        {
            _process.Refresh();
            return _process.WorkingSet64;
        }
    }

    /// <param name="within">The folder in which it has its data; that of the system for temporary files where it is left out.</param>
    /// <param name="environment">Variables with which it runs by the clock of the tests; null for the machine's own clock.</param>
    internal static async Task<Server> StartAsync(string? within = null, IReadOnlyDictionary<string, string>? environment = null)
    {
        var data = within is null
            ? Directory.CreateTempSubdirectory("keep-tally-bench").FullName
            : Directory.CreateDirectory(Path.Combine(within, "data")).FullName;
        var port = FreePort();
        var process = await LaunchAsync(data, port, environment);
        using var late = new CancellationTokenSource(Patience);

        // The demo's past comes in after the start; it is not what is measured.
        await Task.Delay(TimeSpan.FromSeconds(6), late.Token);
        var server = new Server(process, data, port, environment);
        await server.SignInAsync();
        return server;
    }

    /// <summary>As a flat battery does it, in the middle of whatever it does; then it is started again on what is on the disk.</summary>
    internal async Task KillAndRestartAsync()
    {
        _process.Kill();
        await _process.WaitForExitAsync();
        _process.Dispose();
        _process = await LaunchAsync(_data, _port, _environment);
    }

    private static async Task<Process> LaunchAsync(string data, int port, IReadOnlyDictionary<string, string>? environment)
    {
        var application = MissingPart.Need("artifacts/web/KeepTally.Web.dll", "publish it with ./check or ./demo.");
        string[] arguments = ["--demo", "--data", data, "--port", $"{port}"];
        var start = new ProcessStartInfo("dotnet", environment is null ? [application, .. arguments] : [application])
        {
            RedirectStandardOutput = true,
        };
        if (environment is not null)
        {
            start.Environment["DOTNET_STARTUP_HOOKS"] = MissingPart.Need(
                "tests/KeepTally.Stage/bin/Release/net10.0/KeepTally.Stage.dll",
                "build the solution with -c Release."
            );
            start.Environment["KEEP_TALLY_ARGUMENTS"] = string.Join('\t', arguments);
            foreach (var (name, value) in environment)
            {
                start.Environment[name] = value;
            }
        }

        var process = System.Diagnostics.Process.Start(start)!;
        using var late = new CancellationTokenSource(Patience);
        while (
            await process.StandardOutput.ReadLineAsync(late.Token) is { } line
            && !line.Contains("is ready", StringComparison.Ordinal)
        ) { }

        return process;
    }

    /// <summary>Begins the demo's practice of today; a sheet of its match, on which two sides score.</summary>
    internal async Task<(int Practice, string Sheet, long Origin)> BeginAsync()
    {
        await PostAsync("/?handler=Start", ("practice", "1"));
        return await OpenAsync(1);
    }

    /// <summary>Puts a match into a practice of its own, and begins it.</summary>
    internal async Task<(int Practice, string Sheet, long Origin)> BeginAnotherAsync()
    {
        var today = await PostAsync("/drills/win-it-score-it?handler=Put", ("Practice", ""), ("Minutes", "8"), ("Groups", "1"));
        var practice = int.Parse(PracticeField().Match(today).Groups[1].Value, CultureInfo.InvariantCulture);
        await PostAsync("/?handler=Start", ("practice", $"{practice}"));
        return await OpenAsync(practice);
    }

    internal async Task<(int Practice, string Sheet, long Origin)> OpenAsync(int practice)
    {
        var page = await Http.GetStringAsync(new Uri($"/run/{practice}", UriKind.Relative));
        using var file = JsonDocument.Parse(PracticeFile().Match(page).Groups[1].Value);
        // A match, of which the bench taps a goal of one side.
        var match = file
            .RootElement.GetProperty("runs")
            .EnumerateArray()
            .Select(run => run.GetProperty("sheets")[0])
            .First(each => each.GetProperty("head").GetString()!.Contains("\"plain\"", StringComparison.Ordinal));
        var sheet = match.GetProperty("id").GetString()!;
        var origin = long.Parse(Origin().Match(page).Groups[1].Value, CultureInfo.InvariantCulture);
        return (practice, sheet, origin);
    }

    public async ValueTask DisposeAsync()
    {
        Http.Dispose();
        _process.Kill();
        await _process.WaitForExitAsync();
        _process.Dispose();
        Directory.Delete(_data, recursive: true);
    }

    /// <summary>As the first of the made-up coaches, who is the head coach.</summary>
    private async Task SignInAsync()
    {
        var page = await Http.GetStringAsync(new Uri("/signin", UriKind.Relative));
        using var form = new FormUrlEncodedContent([
            new("coach", Coach().Match(page).Groups[1].Value),
            new("__RequestVerificationToken", Token().Match(page).Groups[1].Value),
        ]);
        using var response = await Http.PostAsync(new Uri("/signin?handler=Demo", UriKind.Relative), form);
        response.EnsureSuccessStatusCode();
    }

    /// <summary>What a form carries to prove that it comes from a page of the application.</summary>
    internal async Task<string> TokenAsync() =>
        Token().Match(await Http.GetStringAsync(new Uri("/", UriKind.Relative))).Groups[1].Value;

    /// <summary>The id of a practice of the past.</summary>
    internal async Task<int> PastAsync() =>
        int.Parse(
            Result().Match(await Http.GetStringAsync(new Uri("/results", UriKind.Relative))).Groups[1].Value,
            CultureInfo.InvariantCulture
        );

    private async Task<string> PostAsync(string path, params (string Name, string Value)[] fields)
    {
        var token = await TokenAsync();
        using var form = new FormUrlEncodedContent([
            .. fields.Select(field => KeyValuePair.Create(field.Name, field.Value)),
            new("__RequestVerificationToken", token),
        ]);
        using var response = await Http.PostAsync(new Uri(path, UriKind.Relative), form);
        response.EnsureSuccessStatusCode();
        return await response.Content.ReadAsStringAsync();
    }

    internal static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "KeepTally.slnx")))
        {
            folder = folder.Parent!;
        }

        return folder.FullName;
    }

    internal static int FreePort()
    {
        using var listener = new TcpListener(IPAddress.Loopback, 0);
        listener.Start();
        return ((IPEndPoint)listener.LocalEndpoint).Port;
    }

    [GeneratedRegex("name=\"coach\" value=\"(\\d+)\"")]
    private static partial Regex Coach();

    [GeneratedRegex("name=\"__RequestVerificationToken\"[^>]*value=\"([^\"]+)\"")]
    private static partial Regex Token();

    [GeneratedRegex("<script type=\"application/json\" id=\"practice\">(.*?)</script>", RegexOptions.Singleline)]
    private static partial Regex PracticeFile();

    [GeneratedRegex("href=\"/results/(\\d+)\"")]
    private static partial Regex Result();

    [GeneratedRegex("data-origin=\"(\\d+)\"")]
    private static partial Regex Origin();

    [GeneratedRegex("name=\"practice\" value=\"(\\d+)\"")]
    private static partial Regex PracticeField();
}
