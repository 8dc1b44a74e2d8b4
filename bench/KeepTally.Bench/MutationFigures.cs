using System.Diagnostics;
using KeepTally.Core.Chance;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;

namespace KeepTally.Bench;

/// <summary>
/// How many small changes of the core its tests notice, room by room: some are drawn of all there are, the core is compiled with each,
/// and the core's own tests run until the first fails. What no test notices is named.
/// </summary>
internal static class MutationFigures
{
    private const double MostAlive = 15;
    private static readonly string[] Rooms = ["Scoring", "Clock", "Places", "Planning", "Judgement", "Fit"];

    /// <summary>A change that makes the tests go on for so long has been noticed.</summary>
    private static readonly TimeSpan Patience = TimeSpan.FromMinutes(4);

    /// <param name="names">The rooms; all of them where none is named.</param>
    /// <param name="count">How many changes of each room.</param>
    /// <param name="seed">The seed of the draw.</param>
    internal static IEnumerable<Figure> Of(IReadOnlyList<string> names, int count, int seed)
    {
        var root = Path.GetFullPath(Path.Combine(AppContext.BaseDirectory, "../../../../.."));
        var core = Path.Combine(root, "src/KeepTally.Core");
        var built = Path.Combine(root, "tests/KeepTally.Core.Tests/bin/Release/net10.0");
        if (!File.Exists(Path.Combine(built, "KeepTally.Core.Tests.dll")))
        {
            throw new MissingPart("Build the tests first: dotnet build KeepTally.slnx -c Release.");
        }

        // Beside what was built, so that the tests find the cases of the project.
        var folder = Path.Combine(Path.GetDirectoryName(built)!, "mutants");
        if (Directory.Exists(folder))
        {
            Directory.Delete(folder, recursive: true);
        }

        foreach (var file in Directory.EnumerateFiles(built, "*", SearchOption.AllDirectories))
        {
            var copy = Path.Combine(folder, Path.GetRelativePath(built, file));
            Directory.CreateDirectory(Path.GetDirectoryName(copy)!);
            File.Copy(file, copy);
        }

        var sources = Directory
            .EnumerateFiles(core, "*.cs", SearchOption.AllDirectories)
            .Where(file => !file.Contains("/bin/", StringComparison.Ordinal) && !file.Contains("/obj/", StringComparison.Ordinal))
            .Concat(Directory.EnumerateFiles(Path.Combine(core, "obj/Release/net10.0"), "KeepTally.Core.*.cs"))
            .ToDictionary(file => file, file => Parse(File.ReadAllText(file), file));
        try
        {
            // Without a change all tests must hold, or whatever is found says nothing.
            if (!TryCompile(sources, null, Path.Combine(folder, "KeepTally.Core.dll")) || IsNoticed(folder))
            {
                throw new MissingPart("The core compiled here does not pass its tests without any change.");
            }

            foreach (var room in names.Count > 0 ? names : Rooms)
            {
                var draw = new SeededDraw(seed);
                // What a simulation and its fit are made of stands in one folder.
                var path = Path.Combine(core, room == "Fit" ? "Simulation" : room) + "/";
                var all = sources
                    .Keys.Where(file => file.StartsWith(path, StringComparison.Ordinal))
                    .Order(StringComparer.Ordinal)
                    .SelectMany(Mutation.Of)
                    .ToList();
                var (killed, tried) = (0, 0);
                while (tried < count && all.Count > 0)
                {
                    var mutation = all[(int)draw.Below(all.Count)];
                    all.Remove(mutation);
                    if (!TryCompile(sources, mutation, Path.Combine(folder, "KeepTally.Core.dll")))
                    {
                        continue;
                    }

                    tried++;
                    if (IsNoticed(folder))
                    {
                        killed++;
                    }
                    else
                    {
                        Console.WriteLine(
                            $"  lives: {Path.GetRelativePath(core, mutation.File)}:{mutation.Line}  {mutation.Before}  →  {mutation.After}"
                        );
                    }
                }

                yield return new Figure(
                    $"mutants alive in {room}, of {tried}",
                    100.0 * (tried - killed) / tried,
                    "%",
                    Most: MostAlive
                );
            }
        }
        finally
        {
            Directory.Delete(folder, recursive: true);
        }
    }

    private static SyntaxTree Parse(string text, string file) =>
        CSharpSyntaxTree.ParseText(
            text,
            new CSharpParseOptions(LanguageVersion.Preview, DocumentationMode.None),
            file,
            System.Text.Encoding.UTF8
        );

    private static bool TryCompile(Dictionary<string, SyntaxTree> sources, Mutation? mutation, string dll)
    {
        var references = ((string)AppContext.GetData("TRUSTED_PLATFORM_ASSEMBLIES")!)
            .Split(Path.PathSeparator)
            .Where(path => Path.GetDirectoryName(path) == Path.GetDirectoryName(typeof(object).Assembly.Location))
            .Select(path => MetadataReference.CreateFromFile(path));
        var compilation = CSharpCompilation.Create(
            "KeepTally.Core",
            sources.Select(each => each.Key == mutation?.File ? Parse(mutation.Text, each.Key) : each.Value),
            references,
            new CSharpCompilationOptions(
                OutputKind.DynamicallyLinkedLibrary,
                optimizationLevel: OptimizationLevel.Release,
                nullableContextOptions: NullableContextOptions.Enable,
                allowUnsafe: true,
                deterministic: true
            )
        );
        using var written = new MemoryStream();
        if (!compilation.Emit(written).Success)
        {
            return false;
        }

        File.WriteAllBytes(dll, written.ToArray());
        return true;
    }

    private static bool IsNoticed(string folder)
    {
        using var run = Process.Start(
            new ProcessStartInfo("dotnet", ["KeepTally.Core.Tests.dll", "-noColor", "-noLogo", "-stopOnFail"])
            {
                WorkingDirectory = folder,
                RedirectStandardOutput = true,
                RedirectStandardError = true,
            }
        )!;
        run.OutputDataReceived += (_, _) => { };
        run.ErrorDataReceived += (_, _) => { };
        run.BeginOutputReadLine();
        run.BeginErrorReadLine();
        if (!run.WaitForExit(Patience))
        {
            run.Kill(entireProcessTree: true);
            return true;
        }

        return run.ExitCode != 0;
    }
}
