using System.CommandLine;
using System.Globalization;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json;
using KeepTally.Core.Chance;

namespace KeepTally.Cli;

/// <summary>
/// <c>tally stand-in --url http://localhost:5080 --key KEY [--skill 0.55] [--pace 3] [--seconds 60] [--seed 1]</c>: a made-up
/// squad plays the practice under way, through the HTTP API of devices, each tap as a device says it.
/// </summary>
internal static class StandInCommand
{
    internal static Command Build()
    {
        var url = new Option<string>("--url") { Description = "Where Keep Tally is reached.", Required = true };
        var key = new Option<string>("--key") { Description = "The key of a device, made under People.", Required = true };
        var skill = new Option<double>("--skill") { Description = "The share made, from 0 to 1.", DefaultValueFactory = _ => 0.55 };
        var pace = new Option<double>("--pace")
        {
            Description = "Seconds between two reps of a sheet.",
            DefaultValueFactory = _ => 3,
        };
        var seconds = new Option<int>("--seconds") { Description = "How long they play.", DefaultValueFactory = _ => 60 };
        var seed = new Option<int>("--seed") { Description = "The same seed makes the same draws.", DefaultValueFactory = _ => 1 };
        var command = new Command("stand-in", "Let simulated players play the practice that is on.")
        {
            url,
            key,
            skill,
            pace,
            seconds,
            seed,
        };
        command.SetAction(parsed =>
        {
            var squad = new StandInSquad(Within("--skill", parsed.GetValue(skill), 0, 1), new SeededDraw(parsed.GetValue(seed)));
            var every = TimeSpan.FromSeconds(Within("--pace", parsed.GetValue(pace), 0.05, 600));
            var length = TimeSpan.FromSeconds(Within("--seconds", parsed.GetValue(seconds), 1, 7200));
            using var http = new HttpClient { BaseAddress = AddressOf(parsed.GetValue(url)!), Timeout = TimeSpan.FromSeconds(20) };
            http.DefaultRequestHeaders.Authorization = new AuthenticationHeaderValue("Bearer", parsed.GetValue(key));
            Play(http, squad, every, length);
        });
        return command;
    }

    private static void Play(HttpClient http, StandInSquad squad, TimeSpan every, TimeSpan length)
    {
        var (taps, counted) = (0, 0);
        for (var passed = TimeSpan.Zero; passed < length; passed += every)
        {
            var now = Ask(http, () => http.GetAsync(new Uri("api/device/now", UriKind.Relative)));
            foreach (var said in squad.Rep(now))
            {
                var heard = Ask(http, () => http.PostAsJsonAsync(new Uri("api/device/says", UriKind.Relative), said));
                taps++;
                counted += heard.GetProperty("counts").GetBoolean() ? 1 : 0;
                Console.Out.WriteLine(heard.GetProperty("said").GetString());
            }

            Thread.Sleep(every);
        }

        Console.Out.WriteLine(
            taps == 0
                ? "Nothing was under way to be played: begin a practice and start its clock."
                : string.Create(CultureInfo.InvariantCulture, $"{taps} taps, {counted} of them counted.")
        );
    }

    /// <summary>Returns the answer as JSON; one line of error where the server cannot be reached or refuses.</summary>
    private static JsonElement Ask(HttpClient http, Func<Task<HttpResponseMessage>> send)
    {
        try
        {
            using var answer = send().GetAwaiter().GetResult();
            if (answer.StatusCode is System.Net.HttpStatusCode.Unauthorized or System.Net.HttpStatusCode.Redirect)
            {
                throw new Unusable("--key: there is no such key; make one under People");
            }

            var body = answer.Content.ReadFromJsonAsync<JsonElement>().GetAwaiter().GetResult();
            return answer.IsSuccessStatusCode
                ? body
                : throw new Unusable($"{http.BaseAddress}: {body.GetProperty("detail").GetString()}");
        }
        catch (Exception failure) when (failure is HttpRequestException or TaskCanceledException or JsonException)
        {
            throw new Unusable($"--url: {http.BaseAddress} does not answer as Keep Tally; check the address and that it runs");
        }
    }

    private static Uri AddressOf(string url) =>
        Uri.TryCreate(url.TrimEnd('/') + "/", UriKind.Absolute, out var address) && address.Scheme is "http" or "https"
            ? address
            : throw new Unusable($"--url: \"{url}\" is no address; write one as http://localhost:5080");

    private static double Within(string option, double value, double least, double most) =>
        value >= least && value <= most
            ? value
            : throw new Unusable(
                string.Create(CultureInfo.InvariantCulture, $"{option}: {value} is out of bounds; write {least} to {most}")
            );
}
