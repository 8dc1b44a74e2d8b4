using System.Security.Cryptography;
using System.Text;

namespace KeepTally.Store.People;

/// <summary>Codes, tokens and keys that nobody can guess.</summary>
internal static class Secrets
{
    /// <summary>No letter that reads like a figure or another letter, and no vowel: a code never spells a word.</summary>
    private const string CodeLetters = "BCDFGHJKLMNPQRSTVWXZ";

    private const int CodeLength = 6;
    private const int TokenBytes = 24;

    /// <summary>A short code to type in: 64 million of them, tried through a throttle.</summary>
    internal static string Code() => RandomNumberGenerator.GetString(CodeLetters, CodeLength);

    /// <summary>A token for a link or a key.</summary>
    internal static string Token() => Convert.ToHexStringLower(RandomNumberGenerator.GetBytes(TokenBytes));

    internal static string Hash(string key) => Convert.ToHexStringLower(SHA256.HashData(Encoding.UTF8.GetBytes(key)));

    /// <summary>A code as it was typed in: small letters and gaps do not matter.</summary>
    internal static string Cleaned(string code) =>
        new([.. code.Where(char.IsAsciiLetter).Select(char.ToUpperInvariant).Take(CodeLength + 1)]);
}
