namespace KeepTally.Bench;

/// <summary>Something that a part of the bench needs is not there; its message says what, and how to get it.</summary>
internal sealed class MissingPart(string message) : Exception(message)
{
    /// <summary>Throws where a file of the project is not there.</summary>
    /// <param name="path">From the root of the project.</param>
    /// <param name="remedy">What makes it.</param>
    internal static string Need(string path, string remedy)
    {
        var file = Path.Combine(Server.Root(), path);
        return Path.Exists(file) ? file : throw new MissingPart($"{path} is missing: {remedy}");
    }
}
