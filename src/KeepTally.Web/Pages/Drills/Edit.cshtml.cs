using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using KeepTally.Core.Cards;
using KeepTally.Core.Dealing;
using KeepTally.Core.Faults;
using KeepTally.Core.Formats;
using KeepTally.Store.Book;
using KeepTally.Web.Access;
using KeepTally.Web.Pages.Drills.Editing;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.Drills;

/// <summary>
/// The editor of a card. The card is a JSON text all along; the fields are laid over it, the core reads it and says in
/// plain words what its rules mean, or what is wrong with it and where.
/// </summary>
[Authorize(Policies.Head)]
public sealed class EditModel(DrillBook book, CardWriter writer) : PageModel
{
    private static readonly JsonSerializerOptions Written = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    /// <summary>The card's own id where it is in the book; null for a new one.</summary>
    public string? CardId { get; private set; }

    /// <summary>The revision this edit began from; 0 for a new card.</summary>
    public int Revision { get; private set; }

    public JsonObject Tree { get; private set; } = [];

    public string Json { get; private set; } = "";

    /// <summary>The card as it reads now, or null where it does not.</summary>
    public DrillCard? Card { get; private set; }

    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    /// <summary>Whether the faults are to be shown: a card just begun is not yet wrong.</summary>
    public bool ShowsFaults { get; private set; }

    public string Why { get; private set; } = "";

    public TryPad? Try { get; private set; }

    public async Task<IActionResult> OnGetAsync(string? id, string? copy, string? variant, CancellationToken cancellationToken)
    {
        if ((id ?? copy ?? variant) is not { } source)
        {
            await TakeAsync(CardTemplates.NewCard(), cancellationToken);
            return Page();
        }

        if (await book.FindAsync(source, null, cancellationToken) is not { } page)
        {
            return id is not null && await book.TextAsync(id, cancellationToken) is { } stored
                ? await FixAsync(id, stored.Json, stored.Revision, cancellationToken)
                : NotFound();
        }

        var tree = (JsonObject)JsonNode.Parse(page.Shown.Json)!;
        if (id is not null)
        {
            (CardId, Revision) = (id, page.Row.Revision);
        }
        else
        {
            tree["name"] = $"{page.Card.Name}, {(copy is null ? "variant" : "copy")}";
            tree["id"] = "";
            FieldPath.Set(tree, "variantOf", variant is null ? null : JsonValue.Create(variant));
        }

        await TakeAsync(tree, cancellationToken);
        return Page();
    }

    /// <summary>A stored card that no longer reads: its fields with what is wrong, or its bare text where it is no JSON.</summary>
    private async Task<IActionResult> FixAsync(string id, string json, int revision, CancellationToken cancellationToken)
    {
        await OnPostTextAsync(id, revision, json, cancellationToken);
        return Page();
    }

    /// <summary>A button of the form: something is added, removed or moved. Without one the form is drawn again as it is now.</summary>
    public async Task<IActionResult> OnPostChangeAsync(string? id, string? act, CancellationToken cancellationToken)
    {
        if (!await TakeFormAsync(id, act, cancellationToken))
        {
            return BadRequest();
        }

        return Request.Headers.ContainsKey("HX-Request") ? Partial("_Editor", this) : Page();
    }

    /// <summary>Returns the rules in words, while the coach types.</summary>
    public async Task<IActionResult> OnPostWordsAsync(string? id, CancellationToken cancellationToken)
    {
        ShowsFaults = true;
        return await TakeFormAsync(id, null, cancellationToken) ? Partial("_Words", this) : BadRequest();
    }

    /// <summary>The pad with made-up players.</summary>
    public async Task<IActionResult> OnPostTryAsync(string? id, int stage, int players, CancellationToken cancellationToken)
    {
        if (!await TakeFormAsync(id, null, cancellationToken))
        {
            return BadRequest();
        }

        if (Card is not null && StageDealer.Unfit(Card, Math.Clamp(stage, 0, Card.Stages.Count - 1)) is { } unfit)
        {
            (Card, Faults, ShowsFaults) = (null, [unfit], true);
        }

        Try = Card is null ? null : TryPad.Of(Card, Json, stage, players);
        return Partial("_Try", this);
    }

    /// <summary>The card as a text, in place of the fields.</summary>
    public async Task<IActionResult> OnPostTextAsync(string? id, int revision, string? text, CancellationToken cancellationToken)
    {
        (CardId, Revision, ShowsFaults) = (id, revision, true);
        if (TryParse(text ?? "", out var tree))
        {
            await TakeAsync(tree, cancellationToken);
        }
        else
        {
            Faults = CardReader.Read(text ?? "").Faults;
            Tree = CardTemplates.NewCard();
            Json = text ?? "";
        }

        return Page();
    }

    public async Task<IActionResult> OnPostSaveAsync(string? id, string? why, CancellationToken cancellationToken)
    {
        ShowsFaults = true;
        Why = why?.Trim() ?? "";
        if (!await TakeFormAsync(id, null, cancellationToken))
        {
            return BadRequest();
        }

        if (Faults.Count > 0)
        {
            return Page();
        }

        var saved = await writer.SaveAsync(Json, Revision, Why, cancellationToken);
        if (saved.IsOk)
        {
            return RedirectToPage("/Drills/Card", new { id = saved.Value.Id });
        }

        Faults = saved.Faults;
        return Page();
    }

    /// <summary>The card as the fields show it; a card just begun is not yet wrong.</summary>
    public CardEdit Edit => new(Tree, ShowsFaults ? Faults : []);

    /// <summary>Whether the text in hand could not be turned into fields.</summary>
    public bool IsBroken => Json.Length > 0 && !TryParse(Json, out _);

    private async Task<bool> TakeFormAsync(string? id, string? act, CancellationToken cancellationToken)
    {
        var form = Request.Form;
        CardId = id;
        Revision = int.TryParse(form["revision"], out var revision) ? revision : 0;
        ShowsFaults |= form["touched"] == "true";
        if (!TryParse(form["base"].ToString(), out var tree))
        {
            return false;
        }

        CardForm.LayOver(tree, form);
        if (act is not null)
        {
            CardChange.Do(tree, act);
        }

        await TakeAsync(tree, cancellationToken);
        return true;
    }

    private async Task TakeAsync(JsonObject tree, CancellationToken cancellationToken)
    {
        // A new card takes its id from its name; an old one keeps it, whatever the text says.
        tree["id"] = CardId ?? await writer.FreeIdAsync(tree["name"]?.ToString() ?? "", cancellationToken);
        Tree = tree;

        Json = tree.ToJsonString(Written);
        var read = CardReader.Read(Json);
        (Card, Faults) = (read.Value, read.Faults);
    }

    private static bool TryParse(string text, out JsonObject tree)
    {
        tree = CardReader.IsJson(text) && JsonNode.Parse(text) is JsonObject read ? read : [];
        return tree.Count > 0;
    }
}
