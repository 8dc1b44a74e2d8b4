namespace KeepTally.Core.Text;

/// <summary>The letters by which groups are called.</summary>
public static class Letters
{
    /// <summary>A, B … Z, then AA, AB … for an index from 0.</summary>
    public static string Of(int index) => index < 26 ? ((char)('A' + index)).ToString() : Of((index / 26) - 1) + Of(index % 26);
}
