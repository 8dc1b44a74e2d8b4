using KeepTally.Core.Formats;
using KeepTally.Core.Json;

namespace KeepTally.Core.Planning;

/// <summary>
/// The card of a break or a talk while a practice is run: nothing is counted, and its clock tells how long it still is.
/// </summary>
public static class PauseCard
{
    /// <summary>The id of every such card.</summary>
    public const string Id = "pause";

    private static readonly int[] Calls = [30, 10, 5, 4, 3, 2, 1];

    /// <param name="name">What it is called, such as "Water".</param>
    /// <returns>The card as JSON of <c>keep-tally/drill@1</c>.</returns>
    public static string Write(string name, double minutes) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteString("format", CardReader.Format);
            json.WriteString("id", Id);
            json.WriteString("name", name);
            json.WriteNumber("minutes", minutes);
            json.WriteStartArray("stages");
            json.WriteStartObject();
            json.WriteString("scores", "none");
            json.WriteStartArray("outcomes");
            json.WriteEndArray();
            json.WriteStartObject("clock");
            json.WriteNumber("work", minutes * 60);
            json.WriteNumber("rounds", 1);
            json.WriteStartArray("calls");
            foreach (var call in Calls.Where(call => call < minutes * 60))
            {
                json.WriteNumberValue(call);
            }

            json.WriteEndArray();
            json.WriteEndObject();
            json.WriteEndObject();
            json.WriteEndArray();
            json.WriteEndObject();
        });
}
