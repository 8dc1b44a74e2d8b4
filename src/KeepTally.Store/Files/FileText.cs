using System.Text;
using KeepTally.Core.Faults;

namespace KeepTally.Store.Files;

/// <summary>
/// Turns the bytes of a file into text, in the way of writing it was written in or not at all: a broken letter is never taken.
/// </summary>
public static class FileText
{
    /// <summary>The replacement for a letter that could not be read.</summary>
    internal const char Broken = '\uFFFD';

    /// <summary>The ways of writing a person can say a file has, the usual one first.</summary>
    public static IReadOnlyList<(string Name, string Words)> Ways { get; } =
    [
        ("utf-8", "UTF-8 (usual)"),
        ("windows-1252", "Western European"),
        ("windows-1250", "Central European"),
        ("windows-1257", "Baltic"),
        ("windows-1254", "Turkish"),
        ("windows-1253", "Greek"),
        ("windows-1251", "Cyrillic"),
    ];

    /// <param name="bytes">The content of the file.</param>
    /// <param name="way">One of <see cref="Ways"/>; UTF-8 where it is none of them. A mark at the start of the file comes first.</param>
    public static Result<string> Read(byte[] bytes, string way)
    {
        var (encoding, mark) = EncodingOf(bytes, way);
        try
        {
            var text = encoding.GetString(bytes, mark, bytes.Length - mark);
            return Check(text) is { } fault ? Result.Fail<string>(fault) : Result.Ok(text);
        }
        catch (DecoderFallbackException wrong)
        {
            var line = 1 + bytes.AsSpan(0, Math.Clamp(mark + wrong.Index, 0, bytes.Length)).Count((byte)'\n');
            return Result.Fail<string>(
                new Fault(
                    $"line {line}",
                    "a letter there is not written as the rest of the file says",
                    "save the file as CSV UTF-8, or choose below how it was written"
                )
            );
        }
    }

    /// <summary>Why a text cannot be taken as it is: a letter in it is broken. Null where none is.</summary>
    private static Fault? Check(string text)
    {
        var at = text.IndexOf(Broken, StringComparison.Ordinal);
        return at < 0
            ? null
            : new Fault(
                $"line {1 + text.AsSpan(0, at).Count('\n')}",
                $"a letter there is broken ({Broken})",
                "save it again, or choose the encoding below"
            );
    }

    private static (Encoding Encoding, int Mark) EncodingOf(ReadOnlySpan<byte> bytes, string way)
    {
        return bytes switch
        {
            [0xEF, 0xBB, 0xBF, ..] => (Strict(Encoding.UTF8), 3),
            [0xFF, 0xFE, ..] => (Strict(Encoding.Unicode), 2),
            [0xFE, 0xFF, ..] => (Strict(Encoding.BigEndianUnicode), 2),
            _ when way != Ways[0].Name && Ways.Any(each => each.Name == way) => (
                Strict(CodePagesEncodingProvider.Instance.GetEncoding(way)!),
                0
            ),
            _ => (Strict(Encoding.UTF8), 0),
        };
    }

    private static Encoding Strict(Encoding encoding)
    {
        var strict = (Encoding)encoding.Clone();
        strict.DecoderFallback = DecoderFallback.ExceptionFallback;
        return strict;
    }
}
