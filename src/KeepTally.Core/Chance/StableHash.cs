namespace KeepTally.Core.Chance;

/// <summary>A number made of a text, the same on every device and for ever. Source: FNV-1a, 64 bit, over the UTF-8 bytes.</summary>
public static class StableHash
{
    private const ulong Offset = 0xCBF29CE484222325;
    private const ulong Prime = 0x100000001B3;

    /// <summary>The hash of a text.</summary>
    public static ulong Of(string text)
    {
        var hash = Offset;
        foreach (var one in System.Text.Encoding.UTF8.GetBytes(text))
        {
            hash = (hash ^ one) * Prime;
        }

        return hash;
    }
}
