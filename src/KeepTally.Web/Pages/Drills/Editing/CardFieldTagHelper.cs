using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;
using Microsoft.AspNetCore.Razor.TagHelpers;

namespace KeepTally.Web.Pages.Drills.Editing;

/// <summary>
/// One field of the card editor: <c>&lt;card-field kind="number" path="stages[0].until[0].lead" label="Lead" /&gt;</c>.
/// It holds the value at its path, and below it what the reader finds wrong there.
/// </summary>
[HtmlTargetElement("card-field", TagStructure = TagStructure.WithoutEndTag)]
public sealed class CardFieldTagHelper : TagHelper
{
    [HtmlAttributeNotBound, ViewContext]
    public ViewContext ViewContext { get; set; } = null!;

    /// <summary>text, number, truth, lines, commas, numbers, map, pick, ending, amount, pass or rename.</summary>
    public string Kind { get; set; } = "text";

    public string Path { get; set; } = "";

    public string Label { get; set; } = "";

    /// <summary>The name of the closed choice, for a pick.</summary>
    public string Pick { get; set; } = "";

    /// <summary>A value to show in place of the one at the path.</summary>
    public string? Value { get; set; }

    public string Hint { get; set; } = "";

    /// <summary>The address that draws the form again: what is chosen here decides which fields there are. Empty where it does not.</summary>
    public string Redraws { get; set; } = "";

    /// <summary>More choices of a pick, such as the sides or places of the card.</summary>
    public IReadOnlyList<string> More { get; set; } = [];

    public override void Process(TagHelperContext context, TagHelperOutput output)
    {
        var editor = (CardEdit)ViewContext.ViewData["Editor"]!;
        var fault = Kind is "rename" or "amount" ? "" : editor.FaultAt(Path);
        output.TagName = "div";
        output.TagMode = TagMode.StartTagAndEndTag;
        output.Attributes.SetAttribute("class", $"field field-{Kind}");
        var label = new TagBuilder("label");
        var words = new TagBuilder("span");
        words.InnerHtml.Append(Label);
        var control = Control(editor);
        if (fault.Length > 0)
        {
            control.Attributes["aria-invalid"] = "true";
            control.Attributes["aria-describedby"] = FaultId;
        }

        label.Attributes["for"] = Id;
        label.InnerHtml.AppendHtml(words);
        if (Kind == "truth")
        {
            output.Content.AppendHtml(control).AppendHtml(label);
        }
        else
        {
            output.Content.AppendHtml(label).AppendHtml(control);
        }

        if (Hint.Length > 0)
        {
            var hint = new TagBuilder("small");
            hint.InnerHtml.Append(Hint);
            output.Content.AppendHtml(hint);
        }

        if (Kind is "rename" or "amount")
        {
            return;
        }

        var wrong = new TagBuilder("p");
        wrong.AddCssClass("wrong");
        wrong.Attributes["data-fault"] = Path;
        wrong.Attributes["id"] = FaultId;
        wrong.InnerHtml.Append(fault);
        output.Content.AppendHtml(wrong);
    }

    /// <summary>The same for the same field at every rendering, so that the cursor stays where it was.</summary>
    private string Id => "f-" + Kind + "-" + string.Concat(Path.Select(letter => char.IsLetterOrDigit(letter) ? letter : '-'));

    /// <summary>Where what is wrong with the field is told.</summary>
    private string FaultId => $"{Id}-wrong";

    private TagBuilder Control(CardEdit editor)
    {
        var at = editor.At(Path);
        return Kind switch
        {
            "lines" => Area(at is JsonArray list ? string.Join('\n', list.Select(Text)) : Text(at)),
            "map" => Area(at is JsonObject map ? string.Join('\n', map.Select(pair => $"{pair.Key} = {Text(pair.Value)}")) : ""),
            "commas" or "numbers" => Input(at is JsonArray list ? string.Join(", ", list.Select(Text)) : Text(at)),
            "truth" => Tick(Text(at) == "true"),
            "pick" or "ending" or "pass" => Select(editor, Value ?? Text(at)),
            _ => Input(Value ?? Text(at)),
        };
    }

    private TagBuilder Input(string value)
    {
        var input = new TagBuilder("input") { TagRenderMode = TagRenderMode.SelfClosing };
        Name(input);
        input.Attributes["id"] = Id;
        input.AddCssClass("form-control");
        input.Attributes["value"] = value;
        input.Attributes["autocomplete"] = "off";
        if (Kind is "number" or "amount")
        {
            input.AddCssClass("figure");
            input.Attributes["inputmode"] = "decimal";
        }

        return input;
    }

    private TagBuilder Area(string value)
    {
        var area = new TagBuilder("textarea");
        Name(area);
        area.Attributes["id"] = Id;
        area.AddCssClass("form-control");
        area.Attributes["rows"] = Math.Clamp(value.Count(letter => letter == '\n') + 1, 2, 8)
            .ToString(System.Globalization.CultureInfo.InvariantCulture);
        area.InnerHtml.Append(value);
        return area;
    }

    private TagBuilder Tick(bool ticked)
    {
        var input = new TagBuilder("input") { TagRenderMode = TagRenderMode.SelfClosing };
        Name(input);
        input.Attributes["id"] = Id;
        input.Attributes["type"] = "checkbox";
        input.Attributes["value"] = "true";
        if (ticked)
        {
            input.Attributes["checked"] = "checked";
        }

        // An empty tick sends nothing; this says that it was there to be ticked.
        var blank = new TagBuilder("input") { TagRenderMode = TagRenderMode.SelfClosing };
        Name(blank);
        blank.Attributes["type"] = "hidden";
        blank.Attributes["value"] = "";
        var both = new TagBuilder("span");
        both.AddCssClass("tick-box");
        both.InnerHtml.AppendHtml(blank).AppendHtml(input);
        return both;
    }

    private TagBuilder Select(CardEdit editor, string chosen)
    {
        var select = new TagBuilder("select");
        Name(select);
        select.Attributes["id"] = Id;
        select.AddCssClass("form-select");
        if (Redraws.Length > 0)
        {
            select.Attributes["hx-post"] = Redraws;
            select.Attributes["hx-trigger"] = "change";
            select.Attributes["hx-target"] = "#card-form";
            select.Attributes["hx-swap"] = "outerHTML";
            select.Attributes["hx-sync"] = "#card-form:replace";
        }

        var rules = Path.StartsWith("stages", StringComparison.Ordinal) && Kind == "pick" ? editor.Keys("options") : [];
        var closed = Picks.Of(Pick);
        // What the card leaves out stays left out until another choice is made.
        var usual =
            chosen.Length == 0 && closed.Count > 0
                ? closed.Select((each, index) => (index == 0 ? "" : each.Value, each.Words))
                : closed;
        var choices = usual
            .Concat(More.Select(each => (each, each)))
            .Concat(rules.Select(rule => ($"${rule}", $"as the house rule says: {Text(editor.At($"options.{rule}.label"))}")))
            .ToList();
        if (chosen.Length > 0 && choices.All(choice => choice.Item1 != chosen))
        {
            choices.Add((chosen, chosen));
        }

        foreach (var (value, words) in choices)
        {
            var option = new TagBuilder("option");
            option.Attributes["value"] = value;
            if (value == chosen)
            {
                option.Attributes["selected"] = "selected";
            }

            option.InnerHtml.Append(words);
            select.InnerHtml.AppendHtml(option);
        }

        return select;
    }

    private void Name(TagBuilder control) => control.Attributes["name"] = $"{(Kind == "pick" ? "text" : Kind)}:{Path}";

    private static string Text(JsonNode? node) =>
        node switch
        {
            null => "",
            JsonValue value => value.ToString(),
            _ => node.ToJsonString(),
        };
}
