using System.Reflection;

namespace KeepTally.Web.Api;

/// <summary>The JSON Schemas of the open formats, each at an address that stays: <c>/formats/drill@1.schema.json</c>.</summary>
internal static class Formats
{
    private const string Folder = "formats/";

    internal static IResult Get(string name)
    {
        var schema = Assembly.GetExecutingAssembly().GetManifestResourceStream(Folder + name);
        return schema is null
            ? ApiProblem.NotFound(
                "name",
                $"there is no format \"{name}\"",
                "ask for drill@1, book@1, log@1 or plan@1, each with .schema.json"
            )
            : TypedResults.Stream(schema, "application/schema+json");
    }
}
