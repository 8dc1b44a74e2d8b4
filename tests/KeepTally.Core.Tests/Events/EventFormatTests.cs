using System.Reflection;
using System.Text.RegularExpressions;
using KeepTally.Core.Clock;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Tests.Fuzz;
using KeepTally.Core.Time;

namespace KeepTally.Core.Tests.Events;

/// <summary>Each kind of event is declared once; reading, writing and the documents follow it.</summary>
public sealed partial class EventFormatTests
{
    private static readonly EventId Id = new(new DeviceId("phone"), 7);
    private static readonly Instant At = new(4200);
    private static readonly PlayerId Ada = new("ada");
    private static readonly Dictionary<string, string> Hand = new() { ["hand"] = "left" };

    /// <summary>One of each kind that carries all it may, and one that carries no more than it must.</summary>
    private static readonly RunEvent[] Samples =
    [
        new RunEvent.Start(Id, At),
        new RunEvent.Pause(Id, At),
        new RunEvent.Resume(Id, At),
        new RunEvent.End(Id, At),
        new RunEvent.Tap(Id, At, Ada, "goal", "high", Hand, 7.25) { Laps = [3.5, 3.75] },
        new RunEvent.Tap(Id, At, null, null, null, null, null),
        new RunEvent.Amend(Id, At, Id, Ada, "goal", "high", 7.25, false) { Tags = Hand },
        new RunEvent.Amend(Id, At, Id, null, null, null, null, null),
        new RunEvent.Turn(Id, At, Ada),
        new RunEvent.Turn(Id, At, null),
        new RunEvent.Rotate(Id, At, Ada, new PlayerId("nell"), new PlayerId("june")),
        new RunEvent.Rotate(Id, At, null, null, null),
        new RunEvent.Undo(Id, At, Id),
        new RunEvent.Freeze(Id, At, "spacing"),
        new RunEvent.Freeze(Id, At, ""),
        new RunEvent.Note(Id, At, "Lead with the left foot.", Ada) { OfPractice = true },
        new RunEvent.Note(Id, At, "x", null),
        new RunEvent.Add(Id, At, Duration.FromSeconds(-12.5)),
        new RunEvent.Skip(Id, At, IntervalKind.Break, 3),
        new RunEvent.Rounds(Id, At, 999),
        new RunEvent.Whistle(Id, At),
        new RunEvent.Again(Id, At, true, true),
        new RunEvent.Again(Id, At, false, false),
        new RunEvent.Habit(Id, At, "loose ball", Ada),
        new RunEvent.Habit(Id, At, "loose ball", null),
        new RunEvent.OwnCount(Id, At, Ada, 14, 2),
        new RunEvent.Cue(Id, At, "Look up", Ada),
        new RunEvent.Cue(Id, At, "", null),
        new RunEvent.Substitution(Id, At, Ada, new PlayerId("nell")),
        new RunEvent.Substitution(Id, At, null, Ada),
    ];

    public static TheoryData<int> Places() => [.. Enumerable.Range(0, Samples.Length)];

    [Fact]
    public void Every_kind_is_known_by_the_type_it_is_written_with()
    {
        var kinds = typeof(RunEvent).GetNestedTypes().Where(type => type.IsSubclassOf(typeof(RunEvent))).ToArray();
        Assert.Equal(kinds.Length, EventFormats.All.Count);
        Assert.Equal(kinds.ToHashSet(), Samples.Select(sample => sample.GetType()).ToHashSet());
        foreach (var kind in kinds)
        {
            var type = (string)kind.GetField("TypeName", BindingFlags.Public | BindingFlags.Static)!.GetRawConstantValue()!;
            Assert.Same(Samples.First(sample => sample.GetType() == kind).Format, EventFormats.Of(type));
        }

        Assert.Null(EventFormats.Of("shot"));
    }

    [Theory, MemberData(nameof(Places))]
    public void What_is_written_is_read_in_one_pass_and_closely_as_it_was(int place)
    {
        var line = EventWriter.Write(Samples[place]);

        var plain = EventScan.Read(line);
        var closely = EventReader.ReadClosely(line).Require();

        Assert.NotNull(plain);
        Assert.Equal(line, EventWriter.Write(plain));
        Assert.Equal(line, EventWriter.Write(closely));
        Assert.Equal(Samples[place].GetType(), plain.GetType());
    }

    /// <summary>A property of another kind, one said twice, and one that is missing are all left to the close reading.</summary>
    [Theory, MemberData(nameof(Places))]
    public void What_is_not_as_it_is_written_is_never_guessed(int place)
    {
        var line = EventWriter.Write(Samples[place]);
        var strange = line[..^1] + ",\"colour\":\"green\"}";
        Assert.Null(EventScan.Read(strange));
        Assert.Equal("colour", Assert.Single(EventReader.Read(strange).Faults).Path);

        var twice = line[..^1] + line[line.LastIndexOf(",\"", StringComparison.Ordinal)..];
        Assert.Null(EventScan.Read(twice));
        Assert.False(EventReader.Read(twice).IsOk);

        foreach (var field in Samples[place].Format.Fields.Where(field => field.IsNeeded))
        {
            var without = $$"""{"device":"phone","n":7,"at":4200,"type":"{{Samples[place].Type}}"}""";
            Assert.Null(EventScan.Read(without));
            Assert.Contains(EventReader.Read(without).Faults, fault => fault.Path == field.Name);
        }
    }

    /// <summary>Source: docs/formats.md, section 2, the table of events.</summary>
    [Fact]
    public void The_document_lists_the_properties_of_each_kind_and_which_may_be_left_out()
    {
        var rows = DocumentedKinds();
        Assert.Equal(EventFormats.All.Select(format => format.Type).Order(), rows.Keys.Order());
        foreach (var format in EventFormats.All)
        {
            var declared = format.Fields.Select(field => field.IsNeeded ? field.Name : field.Name + "?");
            Assert.Equal(declared.Order(), rows[format.Type].Order());
        }
    }

    private static Dictionary<string, string[]> DocumentedKinds()
    {
        return File.ReadLines(Path.Combine(FormatFuzz.Root(), "docs", "formats.md"))
            .SkipWhile(line => line != "### Events")
            .SkipWhile(line => !line.StartsWith("| `start`", StringComparison.Ordinal))
            .TakeWhile(line => line.StartsWith('|'))
            .Select(line => line.Split('|'))
            .SelectMany(cells =>
                Word().Matches(cells[1]).Select(type => (type.Groups[1].Value, Word().Matches(cells[2]).Select(Named).ToArray()))
            )
            .ToDictionary(row => row.Value, row => row.Item2);
    }

    private static string Named(Match word) => word.Groups[1].Value.Split(':')[0];

    [GeneratedRegex("`([^`]+)`")]
    private static partial Regex Word();
}
