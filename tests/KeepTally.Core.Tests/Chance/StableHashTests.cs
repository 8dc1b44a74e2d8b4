using KeepTally.Core.Chance;

namespace KeepTally.Core.Tests.Chance;

/// <summary>The published test vectors of FNV-1a, 64 bit (the reference code's test suite by Landon Curt Noll), from memory.</summary>
public sealed class StableHashTests
{
    [Theory]
    [InlineData("", 0xcbf29ce484222325)]
    [InlineData("a", 0xaf63dc4c8601ec8c)]
    [InlineData("foobar", 0x85944171f73967e8)]
    public void It_is_the_published_value(string text, ulong hash) => Assert.Equal(hash, StableHash.Of(text));
}
