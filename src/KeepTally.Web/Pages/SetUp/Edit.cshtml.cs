using System.Text.Encodings.Web;
using System.Text.Json;
using System.Text.Json.Nodes;
using KeepTally.Core.Cards;
using KeepTally.Core.Faults;
using KeepTally.Core.Layout;
using KeepTally.Core.Measures;
using KeepTally.Core.Rules.Zones;
using KeepTally.Core.SetUp;
using KeepTally.Store.Book;
using KeepTally.Store.People;
using KeepTally.Web.Access;
using KeepTally.Web.Drawing;
using Microsoft.AspNetCore.Authorization;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.RazorPages;

namespace KeepTally.Web.Pages.SetUp;

/// <summary>
/// The editor of a layout. The layout is a text all along, which goes there and back with each press; nothing is in the book
/// until it is saved.
/// </summary>
[Authorize(Policies.Head)]
public sealed class EditModel(DrillBook book, CardWriter writer, PaceBook paces) : PageModel
{
    private static readonly JsonSerializerOptions Written = new()
    {
        WriteIndented = true,
        Encoder = JavaScriptEncoder.UnsafeRelaxedJsonEscaping,
    };

    public string Id { get; private set; } = "";

    /// <summary>With how many on each side it is drawn; null where the card has one way only.</summary>
    [BindProperty(SupportsGet = true)]
    public int? Way { get; set; }

    public required DrillCard Card { get; set; }

    /// <summary>The revision of the card this edit began from.</summary>
    public int Revision { get; private set; }

    public required Diagram Diagram { get; set; }

    public Pacing Pacing { get; private set; }

    /// <summary>The mark in hand, or -1.</summary>
    public int Selected { get; private set; } = -1;

    public IReadOnlyList<Fault> Faults { get; private set; } = [];

    /// <summary>A text that was imported and could not be read, as it was.</summary>
    public string Brought { get; private set; } = "";

    public string Text => LayoutWriter.Text(Diagram);

    public Scene Scene => Diagram.By(Pacing.Stride);

    public PlanDrawing Drawing => new(Scene, "edit", Pacing);

    /// <summary>Zones the card asks for that are not drawn yet.</summary>
    public IReadOnlyList<string> Missing =>
        [
            .. Card
                .Stages.SelectMany(stage => stage.Targets?.Names ?? [])
                .Distinct()
                .Where(name => !Diagram.Marks.Any(mark => mark.Kind == MarkKind.Zone && mark.Id == name)),
        ];

    /// <summary>The step of the unit in metres: a dragged object snaps to it.</summary>
    public double Step => Measure.SnapOf(Pacing.Unit) * Measure.LengthOf(Pacing.Unit, Pacing.Stride);

    public Fault? FaultAt(string field) => Faults.FirstOrDefault(fault => fault.Path == field);

    public async Task<IActionResult> OnGetAsync(string id, CancellationToken cancellationToken) =>
        await LoadAsync(id, cancellationToken) ? Page() : NotFound();

    /// <summary>A press: what was typed is taken, then the press is done.</summary>
    public async Task<IActionResult> OnPostAsync(
        string id,
        int revision,
        string? text,
        string? press,
        int selected,
        CancellationToken cancellationToken
    )
    {
        if (!await LoadAsync(id, cancellationToken))
        {
            return NotFound();
        }

        Revision = revision;
        if (!Take(text))
        {
            return BadRequest();
        }

        // What is undone stands as it stood: the fields on the screen are of what came after.
        if (press != "undo")
        {
            var typed = new LayoutForm(Request.Form, Pacing.Unit);
            (Diagram, Faults) = (typed.Over(Diagram), typed.Faults);
            var pressed = new LayoutPress(new LayoutEdits(Pacing.Unit, Pacing.Stride));
            Diagram = pressed.Do(Diagram, press ?? "", selected);
            Selected = pressed.Selected;
        }

        return Shown();
    }

    /// <summary>A layout imported as JSON, in place of what stands; what cannot be read leaves it, and is told.</summary>
    public async Task<IActionResult> OnPostBringAsync(
        string id,
        int revision,
        string? text,
        string? json,
        CancellationToken cancellationToken
    )
    {
        if (!await LoadAsync(id, cancellationToken))
        {
            return NotFound();
        }

        Revision = revision;
        if (!Take(text))
        {
            return BadRequest();
        }

        var read = LayoutReader.Read(json ?? "");
        if (read.IsOk)
        {
            (Diagram, Faults) = (read.Value, OfJson(read.Value.PassedOver));
        }
        else
        {
            (Faults, Brought) = (OfJson(read.Faults), json ?? "");
        }

        return Shown();
    }

    public async Task<IActionResult> OnPostSaveAsync(string id, int revision, string? text, CancellationToken cancellationToken)
    {
        if (!await LoadAsync(id, cancellationToken))
        {
            return NotFound();
        }

        Revision = revision;
        if (!Take(text))
        {
            return BadRequest();
        }

        var typed = new LayoutForm(Request.Form, Pacing.Unit);
        (Diagram, Faults) = (typed.Over(Diagram), typed.Faults);
        if (Faults.Count == 0)
        {
            var page = (await book.FindAsync(id, null, cancellationToken))!;
            var tree = (JsonObject)JsonNode.Parse(page.Shown.Json)!;
            OfWay(tree)["layout"] = LayoutWriter.Write(Diagram);
            var saved = await writer.SaveAsync(tree.ToJsonString(Written), Revision, "Set-up drawn", cancellationToken);
            if (saved.IsOk)
            {
                return RedirectToPage("/SetUp/Index", new { id, way = Way });
            }

            Faults = saved.Faults;
        }

        Response.StatusCode = StatusCodes.Status422UnprocessableEntity;
        return Page();
    }

    /// <summary>The script asks for the editor alone, a browser without it for the page.</summary>
    private IActionResult Shown() => Request.Headers.ContainsKey("HX-Request") ? Partial("_Editor", this) : Page();

    /// <summary>Told beside the field in which the JSON is put.</summary>
    private static IReadOnlyList<Fault> OfJson(IReadOnlyList<Fault> faults) =>
        [
            .. faults.Select(fault =>
                fault with
                {
                    Path = "json",
                    Problem = fault.Path.Length == 0 ? fault.Problem : $"at {fault.Place}{fault.Problem}",
                }
            ),
        ];

    private bool Take(string? text)
    {
        var read = LayoutReader.Read(text ?? "");
        if (read.IsOk)
        {
            Diagram = read.Value;
        }

        return read.IsOk;
    }

    /// <summary>Where the layout of the way in hand stands in the card.</summary>
    private JsonNode OfWay(JsonObject card) =>
        Way is { } number
            ? card["stages"]!.AsArray().Select(stage => stage!["versus"]?[$"{number}"]).FirstOrDefault(way => way is not null)
                ?? card
            : card;

    private async Task<bool> LoadAsync(string id, CancellationToken cancellationToken)
    {
        if (await book.FindAsync(id, null, cancellationToken) is not { } page)
        {
            return false;
        }

        (Pacing, _) = await paces.OfAsync(HttpContext.Caller()!, cancellationToken);
        var face = SetUpViewModel.Of(page.Card, Way, "edit", Pacing);
        (Id, Card, Revision, Way) = (page.Row.Id, face.Card, page.Row.Revision, face.Way);
        Diagram = Card.Layout ?? LayoutEdits.Empty(Card.Sports);
        Faults = OfJson(Diagram.PassedOver);
        return true;
    }
}
