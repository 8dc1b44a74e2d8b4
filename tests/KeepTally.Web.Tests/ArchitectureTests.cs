using System.Collections.Concurrent;
using System.Reflection;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using KeepTally.Store.Database;
using KeepTally.Web.Hosting;

namespace KeepTally.Web.Tests;

/// <summary>Dependencies point inward: Web and Cli to Store to Core; Browser to Core.</summary>
public sealed partial class ArchitectureTests
{
    private static readonly Dictionary<string, string[]> Allowed = new()
    {
        ["KeepTally.Core"] = [],
        ["KeepTally.Store"] = ["KeepTally.Core"],
        ["KeepTally.Screen"] = ["KeepTally.Core"],
        ["KeepTally.Browser"] = ["KeepTally.Screen"],
        ["KeepTally.Cli"] = ["KeepTally.Core", "KeepTally.Store"],
        ["KeepTally.Web"] = ["KeepTally.Browser", "KeepTally.Screen", "KeepTally.Store"],
    };

    private static string Source { get; } = Path.Combine(SourceTree.Root, "src");

    private static readonly ConcurrentDictionary<string, FolderGraph> Graphs = new();

    private static FolderGraph GraphOf(string project) =>
        Graphs.GetOrAdd(project, static name => FolderGraph.Of(Path.Combine(Source, name)));

    [Fact]
    public void Every_project_refers_only_inward()
    {
        var written = Directory
            .GetFiles(Source, "*.csproj", SearchOption.AllDirectories)
            .ToDictionary(file => Path.GetFileNameWithoutExtension(file), file => References(file, "ProjectReference"));

        Assert.Equal(Allowed.Keys.Order(), written.Keys.Order());
        Assert.All(
            written,
            project =>
                Assert.Equal(
                    Allowed[project.Key].Order(),
                    project
                        .Value.Where(reference => reference.EndsWith(".csproj", StringComparison.Ordinal))
                        .Select(Path.GetFileNameWithoutExtension)
                        .Order()
                )
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

    public static TheoryData<string> Projects => [.. Allowed.Keys];

    [Theory]
    [MemberData(nameof(Projects))]
    public void Folders_stand_in_no_circle_of_any_length(string project) => Assert.Empty(GraphOf(project).Circles());

    [Theory]
    [InlineData("KeepTally.Core", "Words", "Scoring")]
    [InlineData("KeepTally.Store", "Results", "Practices")]
    [InlineData("KeepTally.Web", "Pages/Run", "Drawing")]
    public void What_is_compiled_tells_which_folder_needs_which(string project, string from, string to) =>
        Assert.Contains(
            CompiledNeeds.Of(Path.Combine(AppContext.BaseDirectory, project + ".dll"), project),
            need => need.From == from && need.To == to
        );

    /// <summary>So that what is compiled tells which folder needs which other.</summary>
    [Theory]
    [MemberData(nameof(Projects))]
    public void Every_namespace_is_that_of_its_folder(string project)
    {
        var folder = Path.Combine(Source, project);
        var wrong =
            from file in Directory.GetFiles(folder, "*.cs", SearchOption.AllDirectories)
            let inner = Path.GetRelativePath(folder, Path.GetDirectoryName(file)!)
            where !inner.StartsWith("obj", StringComparison.Ordinal) && !inner.StartsWith("bin", StringComparison.Ordinal)
            let own = inner == "." ? project : $"{project}.{inner.Replace('/', '.')}"
            let written = NamespaceOf().Match(File.ReadAllText(file)).Groups[1].Value
            where written.Length > 0 && written != own
            select $"{Path.GetRelativePath(Source, file)}: {written}";

        Assert.Empty(wrong);
    }

    [GeneratedRegex(@"^namespace ([\w.]+)", RegexOptions.Multiline)]
    private static partial Regex NamespaceOf();

    /// <summary>The rooms of the core that everything stands on need no other.</summary>
    [Theory]
    [InlineData("Faults")]
    [InlineData("Chance")]
    public void What_lies_at_the_bottom_of_the_core_needs_nothing(string room) =>
        Assert.DoesNotContain(room, GraphOf("KeepTally.Core").Needs.Keys);

    [Fact]
    public void A_circle_is_found_over_three_folders_and_between_a_folder_and_one_below_it()
    {
        var project = Directory.CreateTempSubdirectory("circles");
        try
        {
            Write("A/One.cs", "namespace P.A; class One { P.B.Two? Next; }");
            Write("B/Two.cs", "namespace P.B; class Two { P.B.Below.Three Next() => new(); }");
            Write("B/Below/Three.cs", "namespace P.B.Below; class Three { const int N = P.A.Number.Of; }");
            Write("A/Number.cs", "namespace P.A; static class Number { internal const int Of = 3; }");
            Write("C/Four.cs", "namespace P.C; class Four { P.A.One? Only; }");
            Write("Pages/Page.cs", "namespace P.Pages; class PageModel { Shown? It; }");
            Write("Pages/Parts/Shown.cs", "namespace P.Pages { class Shown { } }");
            Write("Pages/Parts/_Part.cshtml", "@model PageModel");

            var circles = FolderGraph.Of(project.FullName).Circles().ToArray();

            Assert.Equal(2, circles.Length);
            Assert.Equal("A (One.cs: Two) > B (Two.cs: Three) > B/Below (Three.cs: Number)", circles[0]);
            Assert.StartsWith("Pages (Page.cs: Shown)", circles[1], StringComparison.Ordinal);
        }
        finally
        {
            project.Delete(recursive: true);
        }

        void Write(string file, string text)
        {
            var path = Path.Combine(project.FullName, file);
            Directory.CreateDirectory(Path.GetDirectoryName(path)!);
            File.WriteAllText(path, text);
        }
    }

    [Theory]
    [InlineData("KeepTally.Core")]
    [InlineData("KeepTally.Store")]
    [InlineData("KeepTally.Web")]
    public void Every_room_has_a_readme_and_a_line_in_the_table_of_rooms(string project)
    {
        var table = File.ReadAllText(Path.Combine(Source, "../docs/architecture.md"));
        var rooms = Directory
            .GetDirectories(Path.Combine(Source, project))
            .Select(folder => Path.GetFileName(folder)!)
            .Except(["bin", "obj", "node_modules", "wwwroot", "Properties", "Migrations"])
            .ToArray();

        Assert.All(rooms, room => Assert.Contains($"(../src/{project}/{room}/README.md)", table, StringComparison.Ordinal));
        Assert.All(
            rooms,
            room =>
                Assert.Contains(
                    "**Start with:**",
                    File.ReadAllText(Path.Combine(Source, project, room, "README.md")),
                    StringComparison.Ordinal
                )
        );
    }

    /// <summary>A name in code style that a README of a room points to is that of a file or folder there is.</summary>
    [Fact]
    public void What_a_readme_starts_with_exists()
    {
        var known = Directory
            .GetFiles(Source, "*", SearchOption.AllDirectories)
            .Where(file =>
                !file.Contains("/obj/", StringComparison.Ordinal) && !file.Contains("/node_modules/", StringComparison.Ordinal)
            )
            .SelectMany(file => new[] { Path.GetFileName(file), Path.GetFileNameWithoutExtension(file).TrimStart('_') })
            .Concat(Directory.GetDirectories(Source, "*", SearchOption.AllDirectories).Select(folder => Path.GetFileName(folder)!))
            .ToHashSet(StringComparer.Ordinal);
        var unknown =
            from readme in Directory.GetFiles(Source, "README.md", SearchOption.AllDirectories)
            where !readme.Contains("/node_modules/", StringComparison.Ordinal)
            let start = File.ReadLines(readme)
                .FirstOrDefault(line => line.StartsWith("- **Start with:**", StringComparison.Ordinal))
                ?? ""
            from Match name in CodeStyle().Matches(start)
            let word = name.Groups[1].Value.TrimEnd('/').Split('/')[^1]
            where !known.Contains(word)
            select $"{Path.GetRelativePath(Source, readme)}: {word}";

        Assert.Empty(unknown);
    }

    [GeneratedRegex("`([A-Z][A-Za-z/]*|[a-z]+(?:\\.[a-z]+)?/?)`")]
    private static partial Regex CodeStyle();

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

        Assert.DoesNotContain(typeof(KeepTally.Store.Database.TallyDb), asked);
    }

    private static string[] References(string project, string kind) =>
        [.. XDocument.Load(project).Descendants(kind).Select(each => (string)each.Attribute("Include")!)];
}
