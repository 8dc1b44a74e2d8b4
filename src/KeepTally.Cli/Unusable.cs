using KeepTally.Core.Faults;

namespace KeepTally.Cli;

/// <summary>Input that cannot be used: said in one line on standard error, exit code 2.</summary>
internal sealed class Unusable(string line) : Exception(line)
{
    internal const int ExitCode = 2;

    internal static Unusable In(string file, Fault fault) => new($"{file}: {fault}");

    /// <summary>The value read from a file, or its first fault.</summary>
    internal static T Read<T>(string file, Func<string, Result<T>> read)
        where T : class => Require(file, read(Text(file)));

    internal static string Text(string file)
    {
        try
        {
            return File.ReadAllText(file);
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            throw In(file, new Fault("", "the file cannot be read", "check the path and its permissions"));
        }
    }

    /// <summary>The files of a folder, by name.</summary>
    internal static IReadOnlyList<string> Files(string folder, string pattern)
    {
        try
        {
            return [.. Directory.GetFiles(folder, pattern).Order(StringComparer.Ordinal)];
        }
        catch (Exception failure) when (failure is IOException or UnauthorizedAccessException)
        {
            throw In(folder, new Fault("", "the folder cannot be read", "check the path and its permissions"));
        }
    }

    internal static T Require<T>(string file, Result<T> reading)
        where T : class => reading.IsOk ? reading.Value : throw In(file, reading.Faults[0]);

    internal static int Guard(Func<int> run)
    {
        try
        {
            return run();
        }
        catch (Unusable unusable)
        {
            Console.Error.WriteLine(unusable.Message);
            return ExitCode;
        }
    }
}
