using System.Reflection;
using System.Xml.Linq;
using KeepTally.Store;
using KeepTally.Web.Hosting;

namespace KeepTally.Web.Tests;

/// <summary>Dependencies point inward: Web to Store to Core; Browser and Cli to Core.</summary>
public sealed class ArchitectureTests
{
    private static readonly Dictionary<string, string[]> Allowed = new()
    {
        ["KeepTally.Core"] = [],
        ["KeepTally.Store"] = ["KeepTally.Core"],
        ["KeepTally.Screen"] = ["KeepTally.Core"],
        ["KeepTally.Browser"] = ["KeepTally.Screen"],
        ["KeepTally.Cli"] = ["KeepTally.Core"],
        ["KeepTally.Web"] = ["KeepTally.Browser", "KeepTally.Screen", "KeepTally.Store"],
    };

    private static string Source { get; } = FindSource();

    [Fact]
    public void Every_project_refers_only_inward()
    {
        var written = Directory
            .GetFiles(Source, "*.csproj", SearchOption.AllDirectories)
            .ToDictionary(file => Path.GetFileNameWithoutExtension(file), file => References(file, "ProjectReference"));

        Assert.Equal(Allowed.Keys.Order(), written.Keys.Order());
        Assert.All(
            written,
            project => Assert.Equal(Allowed[project.Key].Order(), project.Value.Select(Path.GetFileNameWithoutExtension).Order())
        );
    }

    [Fact]
    public void The_core_has_no_packages_and_asks_no_clock_no_chance_no_file_and_no_network()
    {
        Assert.Empty(References(Path.Combine(Source, "KeepTally.Core/KeepTally.Core.csproj"), "PackageReference"));
        var forbidden = new[]
        {
            "DateTime.",
            "DateTimeOffset.",
            "Stopwatch",
            "Random.Shared",
            "new Random(",
            "Guid.NewGuid",
            "File.",
            "HttpClient",
            "Console.",
            "Environment.",
        };
        var offences =
            from file in Directory.GetFiles(Path.Combine(Source, "KeepTally.Core"), "*.cs", SearchOption.AllDirectories)
            where !file.Contains("/obj/", StringComparison.Ordinal)
            let text = File.ReadAllText(file)
            from word in forbidden
            where text.Contains(word, StringComparison.Ordinal)
            select $"{Path.GetFileName(file)}: {word}";

        Assert.Empty(offences);
    }

    /// <summary>The rooms of the core, each with the rooms it may look into.</summary>
    private static readonly Dictionary<string, string[]> Rooms = new()
    {
        ["Faults"] = [],
        ["Chance"] = [],
        ["Clock"] = ["Chance"],
        ["Places"] = ["Chance", "Faults"],
        ["Planning"] = ["Cards"],
        ["Layout"] = ["Places"],
        ["Cards"] = ["Clock", "Layout", "Places"],
        ["Sheets"] = ["Cards", "Clock", "Faults", "Places"],
        ["Judgement"] = ["Cards", "Sheets"],
        ["Words"] = ["Cards", "Clock", "Places", "Sheets"],
        ["Formats"] = ["Cards", "Clock", "Faults", "Layout", "Places", "Sheets"],
    };

    [Fact]
    public void The_rooms_of_the_core_stand_in_no_circle()
    {
        var core = Path.Combine(Source, "KeepTally.Core");
        var looked =
            from file in Directory.GetFiles(core, "*.cs", SearchOption.AllDirectories)
            let room = Path.GetRelativePath(core, file).Split('/')[0]
            where room is not ("obj" or "bin")
            from line in File.ReadLines(file)
            where line.StartsWith("using KeepTally.Core.", StringComparison.Ordinal)
            select (Room: room, Into: line.Split('.')[2].TrimEnd(';'));
        var pairs = looked.Where(each => each.Room != each.Into).Distinct().ToArray();

        Assert.NotEmpty(pairs);
        Assert.All(pairs, pair => Assert.Contains(pair.Into, Rooms[pair.Room]));
        Assert.All(Rooms, room => Assert.All(room.Value, into => Assert.DoesNotContain(room.Key, Rooms[into])));
    }

    [Fact]
    public void Pages_reach_the_store_through_its_books_and_never_query_it()
    {
        var pages = typeof(Hosting.Application)
            .Assembly.GetTypes()
            .Where(type => type.Namespace?.StartsWith("KeepTally.Web.Pages", StringComparison.Ordinal) == true);
        var asked = pages
            .SelectMany(page => page.GetConstructors())
            .SelectMany(constructor => constructor.GetParameters())
            .Select(parameter => parameter.ParameterType);

        Assert.DoesNotContain(typeof(KeepTally.Store.TallyDb), asked);
    }

    private static string[] References(string project, string kind) =>
        [.. XDocument.Load(project).Descendants(kind).Select(each => (string)each.Attribute("Include")!)];

    private static string FindSource()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder.FullName, "KeepTally.slnx")))
        {
            folder = folder.Parent!;
        }

        return Path.Combine(folder.FullName, "src");
    }
}
