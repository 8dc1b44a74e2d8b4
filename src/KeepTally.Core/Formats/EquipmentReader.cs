using KeepTally.Core.Cards;
using KeepTally.Core.Json;

namespace KeepTally.Core.Formats;

internal static class EquipmentReader
{
    internal static Equipment Read(JsonPlace place)
    {
        place.Only("item", "count", "per");
        return new Equipment(
            place.NeedText("item", "what to bring, such as \"ball\""),
            place.Find("count")?.Whole(0, 999) ?? 1,
            CardChoices.Per.ReadFrom(place)
        );
    }
}
