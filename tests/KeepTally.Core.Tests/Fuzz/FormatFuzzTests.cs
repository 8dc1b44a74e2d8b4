namespace KeepTally.Core.Tests.Fuzz;

/// <summary>Spoilt texts of every format; <c>bench/</c> tries twenty times as many.</summary>
public sealed class FormatFuzzTests
{
    private const int Each = 150;

    public static TheoryData<string> Kinds => [.. FormatFuzz.Kinds];

    [Theory]
    [MemberData(nameof(Kinds))]
    public void A_spoilt_text_tells_its_faults_or_can_be_used(string kind)
    {
        var fuzz = new FormatFuzz(FormatFuzz.Root());
        for (var seed = 0; seed < Each; seed++)
        {
            try
            {
                fuzz.Try(kind, seed);
            }
            catch (Exception failure)
            {
                Assert.Fail($"{kind} {seed}: {failure}");
            }
        }

        Assert.InRange(fuzz.Read, 1, Each - 1);
    }
}
