using System.Text.RegularExpressions;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace KeepTally.Web.Tests;

/// <summary>
/// Which folder of a project needs which other, by what its code names and not by what it imports: a folder below another is a
/// folder of its own. Views count by the types and the partials they name.
/// </summary>
internal sealed partial class FolderGraph
{
    private const string Implicit = """
        global using System; global using System.Collections.Generic; global using System.IO; global using System.Linq;
        global using System.Net.Http; global using System.Threading; global using System.Threading.Tasks;
        """;

    private const string ImplicitOfWeb = """
        global using System.Net.Http.Json; global using Microsoft.AspNetCore.Builder; global using Microsoft.AspNetCore.Hosting;
        global using Microsoft.AspNetCore.Http; global using Microsoft.AspNetCore.Routing; global using Microsoft.Extensions.Configuration;
        global using Microsoft.Extensions.DependencyInjection; global using Microsoft.Extensions.Hosting; global using Microsoft.Extensions.Logging;
        """;

    private readonly string _root;
    private readonly Dictionary<string, SortedDictionary<string, string>> _needs = [];

    private FolderGraph(string root) => _root = root;

    /// <summary>Every folder with the folders it needs, each with one place that needs it.</summary>
    internal IReadOnlyDictionary<string, SortedDictionary<string, string>> Needs => _needs;

    /// <summary>The sources of a project, with the meaning of their names. Views are not among them.</summary>
    internal static CSharpCompilation Compiled(string project) =>
        CSharpCompilation.Create(
            Path.GetFileName(project) + ".Folders",
            [
                .. Directory
                    .GetFiles(project, "*.cs", SearchOption.AllDirectories)
                    .Where(file => !Skipped().IsMatch(Path.GetRelativePath(project, file)))
                    .Select(file => CSharpSyntaxTree.ParseText(File.ReadAllText(file), path: file)),
                CSharpSyntaxTree.ParseText(Implicit + (project.EndsWith(".Web", StringComparison.Ordinal) ? ImplicitOfWeb : "")),
            ],
            References(Path.GetFileName(project)),
            new CSharpCompilationOptions(OutputKind.DynamicallyLinkedLibrary, allowUnsafe: true)
        );

    /// <summary>What any source may refer to.</summary>
    internal static IEnumerable<MetadataReference> Framework => References("");

    internal static FolderGraph Of(string project)
    {
        var graph = new FolderGraph(project);
        var compilation = Compiled(project);
        SyntaxTree[] sources = [.. compilation.SyntaxTrees.Where(tree => tree.FilePath.Length > 0)];
        // What is compiled says nearly all of it, and at once; only a type that it does not name, as of a constant, is then looked for.
        var compiled = Path.Combine(AppContext.BaseDirectory, Path.GetFileName(project) + ".dll");
        var isCompiled = File.Exists(compiled);
        foreach (var (from, to, by) in isCompiled ? CompiledNeeds.Of(compiled, Path.GetFileName(project)) : [])
        {
            graph.AddFolder(from, to, by);
        }

        // Only what the project itself declares can lead to one of its folders.
        var declared = sources
            .SelectMany(source =>
                Declared(source, typesOnly: isCompiled).Select(name => (Name: name, Folder: graph.Folder(source.FilePath)))
            )
            .Distinct()
            .ToLookup(each => each.Name, each => each.Folder, StringComparer.Ordinal);
        foreach (var source in sources)
        {
            graph.Read(compilation.GetSemanticModel(source), source, declared);
        }

        graph.ReadViews(sources);
        return graph;
    }

    /// <summary>Folders that need each other, over however many between them: each circle as its folders.</summary>
    internal IEnumerable<string> Circles()
    {
        foreach (var folder in _needs.Keys.Order(StringComparer.Ordinal))
        {
            var way = WayBack(folder, folder, [], []);
            if (way is not null && way.Min(StringComparer.Ordinal) == folder)
            {
                yield return string.Join(" > ", way.Prepend(folder).Zip(way, (from, to) => $"{Called(from)} ({_needs[from][to]})"));
            }
        }
    }

    private List<string>? WayBack(string from, string to, List<string> way, HashSet<string> seen)
    {
        foreach (var next in _needs.GetValueOrDefault(from, []).Keys)
        {
            if (next == to)
            {
                return [.. way, next];
            }

            if (seen.Add(next) && WayBack(next, to, [.. way, next], seen) is { } found)
            {
                return found;
            }
        }

        return null;
    }

    private static IEnumerable<string> Declared(SyntaxTree source, bool typesOnly) =>
        source
            .GetRoot()
            .DescendantNodes()
            .Select(node =>
                node switch
                {
                    BaseTypeDeclarationSyntax type => type.Identifier.ValueText,
                    DelegateDeclarationSyntax type => type.Identifier.ValueText,
                    _ when typesOnly => "",
                    MethodDeclarationSyntax method => method.Identifier.ValueText,
                    PropertyDeclarationSyntax property => property.Identifier.ValueText,
                    EnumMemberDeclarationSyntax member => member.Identifier.ValueText,
                    VariableDeclaratorSyntax { Parent.Parent: FieldDeclarationSyntax } field => field.Identifier.ValueText,
                    ParameterSyntax { Parent.Parent: RecordDeclarationSyntax } property => property.Identifier.ValueText,
                    _ => "",
                }
            );

    private void Read(SemanticModel model, SyntaxTree source, ILookup<string, string> declared)
    {
        var own = Folder(source.FilePath);
        var names = source.GetRoot().DescendantNodes().OfType<SimpleNameSyntax>();
        // Whatever the name means, it says nothing new where it is declared only here and in folders that are known to be needed.
        foreach (var name in names.Where(name => declared[name.Identifier.ValueText].Any(IsNews)))
        {
            if (
                name.FirstAncestorOrSelf<UsingDirectiveSyntax>() is { } import
                && !import.StaticKeyword.IsKind(SyntaxKind.StaticKeyword)
            )
            {
                continue;
            }

            var info = model.GetSymbolInfo(name);
            var symbol = info.Symbol ?? info.CandidateSymbols.FirstOrDefault();
            if (symbol is IMethodSymbol { ReducedFrom: { } full })
            {
                symbol = full;
            }

            var file = symbol is INamespaceSymbol ? null : symbol?.DeclaringSyntaxReferences.FirstOrDefault()?.SyntaxTree.FilePath;
            if (!string.IsNullOrEmpty(file))
            {
                Add(source.FilePath, file, name.Identifier.ValueText);
            }
        }

        bool IsNews(string folder) => folder != own && !(_needs.TryGetValue(own, out var known) && known.ContainsKey(folder));
    }

    private void ReadViews(SyntaxTree[] sources)
    {
        var types = sources
            .SelectMany(source =>
                source
                    .GetRoot()
                    .DescendantNodes()
                    .OfType<BaseTypeDeclarationSyntax>()
                    .Select(type => (type.Identifier.ValueText, source.FilePath))
            )
            .ToLookup(type => type.ValueText, type => type.FilePath);
        foreach (var view in Directory.GetFiles(_root, "*.cshtml", SearchOption.AllDirectories))
        {
            var text = File.ReadAllText(view);
            foreach (var word in Named().Matches(text).Select(match => match.Value).Distinct())
            {
                // A name that several folders declare is taken for the view's own.
                if (types[word].ToArray() is [var file])
                {
                    Add(view, file, word);
                }
            }

            foreach (var partial in Partial().Matches(text).Select(match => match.Groups[1].Value).Distinct())
            {
                Add(view, Found(Path.GetDirectoryName(view)!, partial), partial);
            }
        }
    }

    /// <summary>A partial stands beside the view, or in a folder above it.</summary>
    private string Found(string folder, string partial)
    {
        if (partial.StartsWith('/'))
        {
            return Path.Combine(_root, partial[1..]);
        }

        while (folder.StartsWith(_root, StringComparison.Ordinal))
        {
            foreach (var shared in new[] { "", "Shared" })
            {
                var file = Path.Combine(folder, shared, partial + ".cshtml");
                if (File.Exists(file))
                {
                    return file;
                }
            }

            folder = Path.GetDirectoryName(folder)!;
        }

        return Path.Combine(_root, "no such view", partial);
    }

    private void Add(string from, string to, string by) => AddFolder(Folder(from), Folder(to), $"{Path.GetFileName(from)}: {by}");

    private void AddFolder(string needs, string needed, string by)
    {
        if (needs == needed)
        {
            return;
        }

        if (!_needs.TryGetValue(needs, out var known))
        {
            _needs[needs] = known = new SortedDictionary<string, string>(StringComparer.Ordinal);
        }

        known.TryAdd(needed, by);
    }

    private string Folder(string file) => Path.GetRelativePath(_root, Path.GetDirectoryName(file)!);

    private static string Called(string folder) => folder == "." ? "the root" : folder;

    private static readonly Lazy<(string Name, MetadataReference Reference)[]> All = new(() =>
        [
            .. ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!)
                .Split(Path.PathSeparator)
                .Select(file =>
                    (Path.GetFileNameWithoutExtension(file), (MetadataReference)MetadataReference.CreateFromFile(file))
                ),
        ]
    );

    private static IEnumerable<MetadataReference> References(string project) =>
        All.Value.Where(each => each.Name != project).Select(each => each.Reference);

    [GeneratedRegex(@"(^|/)(obj|bin|node_modules|Migrations)/")]
    private static partial Regex Skipped();

    /// <summary>A type of a model or of something injected, or one whose members are used.</summary>
    [GeneratedRegex(@"(?<=@(model|inject)[^\n]*)\b[A-Z]\w+\b|\b[A-Z]\w+(?=\.[A-Z]|\()")]
    private static partial Regex Named();

    [GeneratedRegex("(?:<partial name=|Partial\\()\"([^\"@]+)\"")]
    private static partial Regex Partial();
}
