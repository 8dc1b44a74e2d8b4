namespace KeepTally.Web.Pages.Timing;

/// <summary>A small picture of a piece of equipment, as SVG of 24 by 24; what is not known is a bag.</summary>
public static class GearPicture
{
    /// <param name="item">What the cards call it, as "ball".</param>
    public static string Of(string item) =>
        $"""<svg class="gear-picture" viewBox="0 0 24 24" aria-hidden="true">{ShapeOf(item)}</svg>""";

    private static string ShapeOf(string item) =>
        item.ToLowerInvariant() switch
        {
            "ball" => """<circle cx="12" cy="12" r="9"/><path d="M3.6 9Q12 13 20.4 9M12 3v18"/>""",
            "cone" => """<path d="M3 21h18M6 20 11 4h2l5 16"/><path d="M8.6 12h6.8"/>""",
            "disc" => """<ellipse cx="12" cy="15" rx="9" ry="4"/><ellipse cx="12" cy="13" rx="3.5" ry="1.5"/>""",
            "bib" => """<path d="M7 3v5q0 3-3 4v9h16v-9q-3-1-3-4V3h-3q0 4-2 4t-2-4z"/>""",
            "shuttle" => """<path d="M9 16 5 4h14l-4 12M9.5 9l.8 7M14.5 9l-.8 7M12 4v12"/><path d="M9 16h6v2a3 3 0 0 1-6 0z"/>""",
            "goal post" or "goal" =>
                """<path d="M3 21V5h18v16"/><path d="M7 9v9M12 9v9M17 9v9M5 12h14M5 16h14" class="is-thin"/>""",
            _ => """<path d="M5 9h14l1 12H4zM9 9V6a3 3 0 0 1 6 0v3"/>""",
        };
}
