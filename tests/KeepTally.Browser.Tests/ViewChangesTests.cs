using System.Reflection;
using System.Runtime.CompilerServices;
using System.Text.Json;
using System.Text.Json.Nodes;
using KeepTally.Screen.Views;

namespace KeepTally.Browser.Tests;

/// <summary>Whatever changes on the screen is handed to the script: a property that was forgotten would stand still on the page.</summary>
public sealed class ViewChangesTests
{
    private static readonly RowView Row = RowView.Nobody;
    private static readonly SheetView Sheet = Some<SheetView>() with { Rows = [Row, Row], Helpers = [], People = [], Again = null };
    private static readonly RunView Run = Some<RunView>() with
    {
        Sheets = [Sheet],
        Round = [],
        Taps = [],
        Last = null,
        Contest = [],
        Habits = [],
        Duplicate = null,
    };

    public static TheoryData<string> OfRun() => [.. Names<RunView>().Except([nameof(RunView.Sheets)])];

    /// <summary>A sheet keeps its id, and with other lines it is handed over whole.</summary>
    public static TheoryData<string> OfSheet() => [.. Names<SheetView>().Except([nameof(SheetView.Id), nameof(SheetView.Rows)])];

    public static TheoryData<string> OfRow() => [.. Names<RowView>()];

    [Theory, MemberData(nameof(OfRun))]
    public void A_change_of_the_run_is_handed_over(string property) =>
        Assert.Contains(Camel(property), Changed(Run, Other(Run, property)).Select(each => each.Key));

    [Theory, MemberData(nameof(OfSheet))]
    public void A_change_of_a_sheet_is_handed_over(string property)
    {
        var changed = Changed(Run, Run with { Sheets = [Other(Sheet, property)] });
        Assert.Contains(Camel(property), changed["sheets"]!["0"]!.AsObject().Select(each => each.Key));
    }

    [Theory, MemberData(nameof(OfRow))]
    public void A_change_of_a_line_is_handed_over(string property)
    {
        var changed = Changed(Run, Run with { Sheets = [Sheet with { Rows = [Row, Other(Row, property)] }] });
        var rows = changed["sheets"]!["0"]!["rows"]!.AsObject();
        Assert.Equal(["1"], rows.Select(each => each.Key));
        Assert.Equal([Camel(property)], rows["1"]!.AsObject().Select(each => each.Key));
    }

    [Fact]
    public void What_has_not_changed_is_not_handed_over()
    {
        Assert.Empty(Changed(Run, Run));
        var line = Changed(Run, Run with { Sheets = [Sheet with { Rows = [Row, Row with { Score = "5" }] }] });
        Assert.Equal("""{"sheets":{"0":{"rows":{"1":{"score":"5"}}}}}""", line.ToJsonString());
    }

    private static JsonObject Changed(RunView was, RunView now)
    {
        var changes = new ViewChanges();
        changes.To(new PracticeView(0, false, false, was), []);
        return JsonNode.Parse(changes.To(new PracticeView(0, false, false, now), []))!["run"]!.AsObject();
    }

    private static IEnumerable<string> Names<T>() => ViewContract.PropertiesOf(typeof(T)).Select(property => property.Name);

    private static string Camel(string property) => JsonNamingPolicy.CamelCase.ConvertName(property);

    /// <summary>The record with another value in one place.</summary>
    private static T Other<T>(T record, string property)
        where T : class => (T)OtherRecord(record, typeof(T).GetProperty(property)!);

    private static object OtherRecord(object record, PropertyInfo place)
    {
        var copy = record.GetType().GetMethod("<Clone>$")!.Invoke(record, null)!;
        place.SetValue(copy, OtherThan(place.PropertyType, place.GetValue(record)));
        return copy;
    }

    private static object OtherThan(Type type, object? value) =>
        value switch
        {
            string text => text + "!",
            bool flag => !flag,
            int number => number + 1,
            double number => number + 1,
            _ when type == typeof(string) => "!",
            _ when type.IsGenericType => ListOf(type.GetGenericArguments()[0]),
            null => Some(type),
            _ => OtherRecord(value, type.GetProperties()[0]),
        };

    private static Array ListOf(Type item)
    {
        var list = Array.CreateInstance(item, 1);
        list.SetValue(item.IsValueType ? Activator.CreateInstance(item) : Some(item), 0);
        return list;
    }

    private static T Some<T>() => (T)Some(typeof(T));

    /// <summary>A record with nothing in it: no text, empty lists, records likewise.</summary>
    private static object Some(Type type)
    {
        var made = RuntimeHelpers.GetUninitializedObject(type);
        foreach (var place in type.GetProperties(BindingFlags.Public | BindingFlags.Instance).Where(place => place.CanWrite))
        {
            var of = place.PropertyType;
            if (of == typeof(string))
            {
                place.SetValue(made, "");
            }
            else if (of.IsGenericType && !of.IsValueType)
            {
                place.SetValue(made, Array.CreateInstance(of.GetGenericArguments()[0], 0));
            }
            else if (ViewContract.RecordOf(of) is { IsValueType: false } record && record != type)
            {
                place.SetValue(made, Some(record));
            }
        }

        return made;
    }
}
