using System.Collections.Concurrent;
using System.Globalization;
using System.Reflection;
using System.Runtime.InteropServices.JavaScript;
using System.Text.Json;
using KeepTally.Browser;
using Microsoft.AspNetCore.Builder;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Http;
using Microsoft.Extensions.DependencyInjection;

[assembly: HostingStartup(typeof(NativeCore))]

/// <summary>
/// The core of the run screen without WebAssembly: a page of the tests asks this process for what its own runtime would answer, from the
/// same assemblies. Such a page is open in a tenth of the time. Tests that hold the runtime itself have the compiled core, and one
/// compares the answers of both.
/// </summary>
/// <remarks>The framework calls it where ASPNETCORE_HOSTINGSTARTUPASSEMBLIES names its assembly.</remarks>
internal sealed class NativeCore : IHostingStartup
{
    private const string Runtime = "/_framework/dotnet.js";
    private const string Compiled = "?compiled";

    private static readonly string _scripts = Path.Combine(Path.GetDirectoryName(typeof(NativeCore).Assembly.Location)!, "cores");

    private static readonly Dictionary<string, MethodInfo> _functions = typeof(Bridge)
        .GetMethods(BindingFlags.Static | BindingFlags.NonPublic)
        .Where(method => method.IsDefined(typeof(JSExportAttribute)))
        .ToDictionary(method => method.Name);

    private static readonly ConcurrentDictionary<string, PageState> _pages = new();
    private static readonly Lock _oneAtATime = new();

    /// <summary>The script that pages are served in place of the runtime: native or both; compiled for the runtime itself.</summary>
    internal static string Core { get; set; } = "compiled";

    public void Configure(IWebHostBuilder builder) =>
        builder.ConfigureServices(services => services.AddTransient<IStartupFilter, Filter>());

    private sealed class Filter : IStartupFilter
    {
        public Action<IApplicationBuilder> Configure(Action<IApplicationBuilder> next) =>
            app =>
            {
                app.Map("/leap", leap => leap.Run(Leap));
                if (Core != "compiled")
                {
                    _pages.Clear();
                    app.Use(AnswerAsync);
                }

                next(app);
            };
    }

    /// <summary>The page that asks leaps too, once it is answered: until then nothing of it runs.</summary>
    private static Task Leap(HttpContext http)
    {
        var clock = (ShiftedClock)http.RequestServices.GetRequiredService<TimeProvider>();
        clock.Leap(long.Parse(http.Request.QueryString.Value![1..], CultureInfo.InvariantCulture));
        http.Response.StatusCode = StatusCodes.Status204NoContent;
        return Task.CompletedTask;
    }

    private static Task AnswerAsync(HttpContext http, RequestDelegate next)
    {
        var (path, query) = (http.Request.Path, http.Request.QueryString.Value);
        return path == Runtime && query != Compiled ? SendAsync(http, $"{Core}.js")
            : !path.StartsWithSegments("/cores", out var rest) ? next(http)
            : rest.Value!.EndsWith(".js", StringComparison.Ordinal) ? SendAsync(http, rest.Value[1..])
            : CallAsync(http, _functions[rest.Value[1..]], _pages.GetOrAdd(query!, _ => new PageState()));
    }

    private static Task SendAsync(HttpContext http, string script)
    {
        http.Response.ContentType = "text/javascript";
        return http.Response.SendFileAsync(Path.Combine(_scripts, script));
    }

    private static async Task CallAsync(HttpContext http, MethodInfo function, PageState page)
    {
        using var asked = await JsonDocument.ParseAsync(http.Request.Body);
        var given = function.GetParameters().Select((parameter, i) => Read(asked.RootElement[i], parameter.ParameterType));
        await http.Response.WriteAsJsonAsync(Call(function, page, [.. given]));
    }

    private static object? Call(MethodInfo function, PageState page, object?[] given)
    {
        lock (_oneAtATime)
        {
            Bridge.Page = page;
            return function.Invoke(null, BindingFlags.DoNotWrapExceptions, null, given, null);
        }
    }

    /// <summary>JSON has no word for what is not a number: a script writes null.</summary>
    private static object? Read(JsonElement given, Type type) =>
        type == typeof(double) ? (given.ValueKind == JsonValueKind.Null ? double.NaN : given.GetDouble())
        : type == typeof(int) ? given.GetInt32()
        : type == typeof(bool) ? given.GetBoolean()
        : given.GetString();
}
