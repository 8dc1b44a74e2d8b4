namespace KeepTally.Web.Pages.Run;

/// <summary>The letters that stand for zones: a row of the keyboard, in the order of the card.</summary>
public static class ZoneKeys
{
    private const string Row = "asdfghjklqwrtyuiop";

    public const string Elsewhere = "e";

    /// <summary>The letter of a zone, or none where there are more zones than letters.</summary>
    public static string? Of(int index) => index < Row.Length ? Row[index].ToString() : null;
}
