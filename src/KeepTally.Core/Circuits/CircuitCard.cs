using KeepTally.Core.Formats;
using KeepTally.Core.Json;

namespace KeepTally.Core.Circuits;

/// <summary>
/// The card of a circuit itself: no scores of its own, only the clock that sends the groups round. The drills of its
/// stations keep their own cards.
/// </summary>
public static class CircuitCard
{
    /// <summary>The id of every such card.</summary>
    public const string Id = "circuit";

    private const int CountIn = 5;

    private static readonly int[] Calls = [30, 10, 5, 4, 3, 2, 1];

    /// <param name="work">Seconds at each station.</param>
    /// <param name="change">Seconds between stations.</param>
    /// <returns>The card as JSON of <c>keep-tally/drill@1</c>.</returns>
    public static string Write(string name, double work, double change, int rounds) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteString("format", CardReader.Format);
            json.WriteString("id", Id);
            json.WriteString("name", name);
            json.WriteStartArray("stages");
            json.WriteStartObject();
            json.WriteString("scores", "group");
            json.WriteStartArray("outcomes");
            json.WriteEndArray();
            json.WriteStartObject("clock");
            json.WriteNumber("work", work);
            json.WriteNumber("change", change);
            json.WriteNumber("rounds", rounds);
            json.WriteNumber("countIn", CountIn);
            json.WriteStartArray("calls");
            foreach (var call in Calls.Where(call => call < work))
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
