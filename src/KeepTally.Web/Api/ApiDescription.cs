using Microsoft.OpenApi;

namespace KeepTally.Web.Api;

/// <summary>
/// The description of the HTTP API for those who write for devices, made from the routes themselves: OpenAPI 3.1, at
/// <c>/api/description.json</c>.
/// </summary>
internal static class ApiDescription
{
    private const string Name = "description";
    private const string Key = "device key";

    internal static void AddApiDescription(this IServiceCollection services) =>
        services.AddOpenApi(
            Name,
            options =>
            {
                options.ShouldInclude = description =>
                    description.RelativePath?.StartsWith("api/", StringComparison.Ordinal) == true;
                options.AddDocumentTransformer(
                    (document, _, _) =>
                    {
                        Describe(document);
                        return Task.CompletedTask;
                    }
                );
            }
        );

    internal static void MapApiDescription(this IEndpointRouteBuilder app) =>
        app.MapOpenApi("/api/{documentName}.json").AllowAnonymous();

    private static void Describe(OpenApiDocument document)
    {
        document.Info = new OpenApiInfo
        {
            Title = "Keep Tally",
            Version = "1",
            Description =
                "How a clicker, a timing gate, a sensor, a speed reader, a horn or a scoreboard takes part in a practice. A head coach makes the key of a device under People. Errors are application/problem+json with place and mend (the fix).",
        };
        // A reader knows where it is reached.
        document.Servers = [];
        document.Components ??= new OpenApiComponents();
        document.Components.SecuritySchemes = new Dictionary<string, IOpenApiSecurityScheme>
        {
            [Key] = new OpenApiSecurityScheme
            {
                Type = SecuritySchemeType.Http,
                Scheme = "bearer",
                Description = "Authorization: Bearer KEY",
            },
        };
        document.Security = [new OpenApiSecurityRequirement { [new OpenApiSecuritySchemeReference(Key, document)] = [] }];
    }
}
