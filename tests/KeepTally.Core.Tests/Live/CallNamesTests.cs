using CsCheck;
using KeepTally.Core.Events;
using KeepTally.Core.Identity;
using KeepTally.Core.Live;

namespace KeepTally.Core.Tests.Live;

/// <summary>Two called alike is common practice in any squad: nobody should look up for the other.</summary>
public sealed class CallNamesTests
{
    [Theory]
    [InlineData("Ada Fenwick,Bea Marlowe", "Ada,Bea")]
    [InlineData("Ada Fenwick,Ada Marlowe,Bea Quill", "Ada F,Ada M,Bea")]
    [InlineData("Ada Fenwick,Ada Fox,Ada Marlowe", "Ada Fenwick,Ada Fox,Ada M")]
    [InlineData("Ada,Ada Fenwick", "Ada,Ada F")]
    [InlineData("ada Fenwick,Ada Marlowe", "ada F,Ada M")]
    public void As_short_as_tells_them_apart(string names, string called) =>
        Assert.Equal(called, string.Join(',', Called(names.Split(','))));

    [Fact]
    public void Where_full_names_differ_so_do_call_names() =>
        Gen.Select(Gen.OneOf("Ada", "Bea", "Al"), Gen.OneOf("", " Fenwick", " Fox", " von Marlowe", " Marlowe"))
            .Array[1, 8]
            .Sample(drawn =>
            {
                var names = drawn.Select(each => each.Item1 + each.Item2).Distinct().ToArray();
                Assert.Distinct(Called(names));
            });

    private static IEnumerable<string> Called(string[] names)
    {
        var members = names.Select((name, index) => new Member(new PlayerId($"p{index}"), name)).ToArray();
        var calls = CallNames.Of(members);
        return members.Select(member => calls[member.Id]);
    }
}
