using System.Collections.Concurrent;
using System.Net;
using System.Net.Sockets;
using System.Text;
using KeepTally.Store.Events;
using KeepTally.Web.Api;
using KeepTally.Web.Operating;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.Configuration;
using Microsoft.Extensions.DependencyInjection;
using OpenTelemetry.Metrics;
using OpenTelemetry.Trace;

namespace KeepTally.Web.Tests.Operating;

/// <summary>What goes to a collector, where one is named by the standard environment variables, and that nothing goes without.</summary>
public sealed class TelemetryTests : IDisposable
{
    private readonly HttpListener _collector = new();
    private readonly ConcurrentDictionary<string, string> _received = new();
    private readonly string _address;

    public TelemetryTests()
    {
        using (var free = new TcpListener(IPAddress.Loopback, 0))
        {
            free.Start();
            _address = $"http://127.0.0.1:{((IPEndPoint)free.LocalEndpoint).Port}";
        }

        _collector.Prefixes.Add(_address + "/");
        _collector.Start();
        _ = CollectAsync();
    }

    public void Dispose() => _collector.Close();

    private async Task CollectAsync()
    {
        while (_collector.IsListening)
        {
            try
            {
                var context = await _collector.GetContextAsync();
                using var reader = new StreamReader(context.Request.InputStream, Encoding.Latin1);
                var sent = await reader.ReadToEndAsync();
                _received.AddOrUpdate(context.Request.Url!.AbsolutePath, sent, (_, before) => before + sent);
                context.Response.Close();
            }
            catch (Exception closed) when (closed is HttpListenerException or ObjectDisposedException)
            {
                return;
            }
        }
    }

    // A request is measured when the server is through with it, which may be after its answer has come.
    private async Task SentAsync(Func<int, bool> flush, string path, string what)
    {
        for (var tries = 0; tries < 100; tries++)
        {
            Assert.True(flush(10_000));
            if (_received.TryGetValue(path, out var sent) && sent.Contains(what, StringComparison.Ordinal))
            {
                return;
            }

            await Task.Delay(50, TestContext.Current.CancellationToken);
        }

        Assert.Fail($"{what} was never sent to {path}.");
    }

    private static async Task<WebApplication> StartAsync(params (string Name, string Value)[] environment)
    {
        var builder = WebApplication.CreateBuilder();
        builder.WebHost.UseTestServer();
        builder.Configuration.AddInMemoryCollection(
            environment.Select(each => new KeyValuePair<string, string?>(each.Name, each.Value))
        );
        builder.Services.AddTelemetry(builder.Configuration);
        builder.Services.AddSingleton(TimeProvider.System).AddSingleton<EventFeed>();
        builder.Services.AddSingleton<JournalMeter>().AddSingleton<OperatingMeter>();
        var app = builder.Build();
        app.MapGet("/join/{player}", (string player) => player);
        await app.StartAsync();
        return app;
    }

    [Fact]
    public async Task Figures_and_traces_go_to_the_collector_that_is_named_and_carry_neither_path_nor_query()
    {
        await using var app = await StartAsync(
            ("OTEL_EXPORTER_OTLP_ENDPOINT", _address),
            ("OTEL_EXPORTER_OTLP_PROTOCOL", "http/protobuf")
        );
        app.Services.GetRequiredService<OperatingMeter>().Refused("at");
        app.Services.GetRequiredService<OperatingMeter>().SignInFailed();
        _ = app.Services.GetRequiredService<JournalMeter>();
        _ = app.Services.GetRequiredService<EventFeed>();
        using (var answer = await app.GetTestClient().GetAsync(new Uri("/join/P-317?code=BLUE-HERON", UriKind.Relative)))
        {
            Assert.Equal(HttpStatusCode.OK, answer.StatusCode);
        }

        await SentAsync(app.Services.GetRequiredService<MeterProvider>().ForceFlush, "/v1/metrics", "http.server.request.duration");
        await SentAsync(app.Services.GetRequiredService<TracerProvider>().ForceFlush, "/v1/traces", "/join/{player}");

        var metrics = _received["/v1/metrics"];
        Assert.Contains("keep-tally", metrics, StringComparison.Ordinal);
        Assert.Contains("keep_tally.events.refused", metrics, StringComparison.Ordinal);
        Assert.Contains("keep_tally.sign_ins.failed", metrics, StringComparison.Ordinal);
        Assert.Contains("keep_tally.streams", metrics, StringComparison.Ordinal);
        Assert.Contains("keep_tally.events.waiting", metrics, StringComparison.Ordinal);
        Assert.Contains("http.server.request.duration", metrics, StringComparison.Ordinal);
        var traces = _received["/v1/traces"];
        Assert.Contains("/join/{player}", traces, StringComparison.Ordinal);
        Assert.DoesNotContain("P-317", traces + metrics, StringComparison.Ordinal);
        Assert.DoesNotContain("BLUE-HERON", traces + metrics, StringComparison.Ordinal);
    }

    [Fact]
    public async Task Without_the_variables_nothing_is_measured_for_a_collector()
    {
        await using var app = await StartAsync();
        Assert.Null(app.Services.GetService<MeterProvider>());
        Assert.Null(app.Services.GetService<TracerProvider>());
    }

    [Fact]
    public async Task The_switch_of_the_standard_turns_it_off_and_one_signal_can_go_alone()
    {
        await using var off = await StartAsync(("OTEL_EXPORTER_OTLP_ENDPOINT", _address), ("OTEL_SDK_DISABLED", "true"));
        Assert.Null(off.Services.GetService<MeterProvider>());
        await using var one = await StartAsync(("OTEL_EXPORTER_OTLP_METRICS_ENDPOINT", _address + "/v1/metrics"));
        Assert.NotNull(one.Services.GetService<MeterProvider>());
        Assert.Null(one.Services.GetService<TracerProvider>());
    }
}
