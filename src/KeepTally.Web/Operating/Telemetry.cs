using System.Diagnostics;
using System.Reflection;
using KeepTally.Store.Events;
using OpenTelemetry;
using OpenTelemetry.Metrics;
using OpenTelemetry.Resources;
using OpenTelemetry.Trace;

namespace KeepTally.Web.Operating;

/// <summary>
/// Sends metrics and traces to a collector by the OpenTelemetry protocol. It is set by the standard environment variables
/// (<see href="https://opentelemetry.io/docs/specs/otel/protocol/exporter/">OTEL_EXPORTER_OTLP_ENDPOINT and its like</see>) and
/// off without them: nothing is measured for it, and nothing leaves the machine.
/// </summary>
public static class Telemetry
{
    private const string Service = "keep-tally";

    /// <summary>Adds it where the environment asks for it.</summary>
    /// <param name="services">The services of the application.</param>
    /// <param name="environment">The environment variables.</param>
    public static void AddTelemetry(this IServiceCollection services, IConfiguration environment)
    {
        if (environment.GetValue("OTEL_SDK_DISABLED", false))
        {
            return;
        }

        var (metrics, traces) = (IsSet(environment, "METRICS"), IsSet(environment, "TRACES"));
        if (!metrics && !traces)
        {
            return;
        }

        var version = typeof(Telemetry).Assembly.GetCustomAttribute<AssemblyInformationalVersionAttribute>()?.InformationalVersion;
        var telemetry = services
            .AddOpenTelemetry()
            .ConfigureResource(resource => resource.AddService(Service, serviceVersion: version));
        if (metrics)
        {
            telemetry.WithMetrics(meters =>
                meters
                    .AddMeter(JournalMeter.Name)
                    .AddMeter("Microsoft.AspNetCore.Hosting", "Microsoft.AspNetCore.Server.Kestrel", "System.Runtime")
                    .AddOtlpExporter()
            );
        }

        if (traces)
        {
            telemetry.WithTracing(sources =>
                sources.AddAspNetCoreInstrumentation().AddProcessor(new WithoutPath()).AddOtlpExporter()
            );
        }
    }

    /// <summary>The route of a request stays in its trace; its path, which may name a code or a player's id, does not.</summary>
    private sealed class WithoutPath : BaseProcessor<Activity>
    {
        public override void OnEnd(Activity data) => data.SetTag("url.path", null).SetTag("url.query", null);
    }

    private static bool IsSet(IConfiguration environment, string signal) =>
        environment["OTEL_EXPORTER_OTLP_ENDPOINT"] is { Length: > 0 }
        || environment[$"OTEL_EXPORTER_OTLP_{signal}_ENDPOINT"] is { Length: > 0 };
}
