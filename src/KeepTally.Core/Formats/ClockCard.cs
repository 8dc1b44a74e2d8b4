using KeepTally.Core.Json;

namespace KeepTally.Core.Formats;

/// <summary>Writes a card of the application's own on which nothing is counted: it only keeps a clock.</summary>
internal static class ClockCard
{
    private static readonly int[] Calls = [30, 10, 5, 4, 3, 2, 1];

    /// <param name="id">The id of the card.</param>
    /// <param name="name">The name of the drill.</param>
    /// <param name="scores">Who stands on it, as the format says it.</param>
    /// <param name="work">Seconds of one round.</param>
    /// <param name="change">Seconds between rounds.</param>
    /// <param name="rounds">The number of rounds.</param>
    /// <param name="countIn">Seconds before the first.</param>
    /// <returns>The card as JSON of <c>keep-tally/drill@1</c>.</returns>
    internal static string Write(string id, string name, string scores, double work, double change, int rounds, int countIn) =>
        JsonLine.Write(json =>
        {
            json.WriteStartObject();
            json.WriteString("format", CardReader.Format);
            json.WriteString("id", id);
            json.WriteString("name", name);
            json.WriteStartArray("stages");
            json.WriteStartObject();
            json.WriteString("scores", scores);
            json.WriteStartArray("outcomes");
            json.WriteEndArray();
            json.WriteStartObject("clock");
            json.WriteNumber("work", work);
            json.WriteNumber("change", change);
            json.WriteNumber("rounds", rounds);
            json.WriteNumber("countIn", countIn);
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
