using System.Reflection;

namespace KeepTally.Web.Api;

/// <summary>The JSON Schemas of the open formats, each at an address that stays: <c>/formats/drill@1.schema.json</c>.</summary>
internal static class Formats
{
    private const string Folder = "formats/";

    internal static IResult Get(string name)
    {
        var schema = Assembly.GetExecutingAssembly().GetManifestResourceStream(Folder + name);
        return schema is null ? TypedResults.NotFound() : TypedResults.Stream(schema, "application/schema+json");
    }
}
