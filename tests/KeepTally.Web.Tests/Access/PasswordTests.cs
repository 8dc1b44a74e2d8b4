using KeepTally.Store.People;

namespace KeepTally.Web.Tests.Access;

/// <summary>
/// Which passwords are tried first. Source: NIST SP 800-63B-4, section 3.1.1.2 asks for a list of common, expected and
/// compromised ones; the examples are common practice.
/// </summary>
public sealed class PasswordTests
{
    [Theory]
    [InlineData("password")]
    [InlineData("passwordpassword")]
    [InlineData("Password12345678")]
    [InlineData("1234567890123456")]
    [InlineData("aaaaaaaaaaaaaaaaaa")]
    [InlineData("dragon-sunshine")]
    [InlineData("qwerty!!!!2026qwerty")]
    public void Common_ones_and_what_is_made_of_them_are_known(string password) => Assert.True(CommonPasswords.Hold(password));

    [Theory]
    [InlineData("gravel otter plinth sway")]
    [InlineData("drei Enten am Deich")]
    [InlineData("vcXw9-eeTrk2_Lpq")]
    [InlineData("пять уток на льду")]
    public void Words_that_have_nothing_to_do_with_each_other_are_taken(string password) =>
        Assert.False(CommonPasswords.Hold(password));
}
