using KeepTally.Store.Tables;
using Microsoft.AspNetCore.Identity;

namespace KeepTally.Store.People;

/// <summary>
/// What a password must be: long enough, and none that is tried first. Which kinds of characters it is made of is nobody's
/// business. Source: NIST SP 800-63B-4 (2025), section 3.1.1.2: 15 characters where nothing else is asked for, 64 at least
/// taken, held against a list, no rules of composition. From memory.
/// </summary>
public sealed class PasswordRule : IPasswordValidator<Coach>
{
    public const int Shortest = 15;

    /// <summary>The longest password: longer than anyone needs, short enough not to keep the server busy.</summary>
    public const int Longest = 256;

    internal const string Common = "CommonPassword";
    internal const string TooLong = "PasswordTooLong";
    internal const string HoldsName = "PasswordHoldsName";

    /// <summary>The number of characters that a password must have besides the name.</summary>
    private const int Own = 8;

    public Task<IdentityResult> ValidateAsync(UserManager<Coach> manager, Coach user, string? password) =>
        Task.FromResult(
            password!.Length > Longest ? Failed(TooLong)
            : CommonPasswords.Hold(password) ? Failed(Common)
            : IsMostlyName(password, user.UserName!) ? Failed(HoldsName)
            : IdentityResult.Success
        );

    private static bool IsMostlyName(string password, string name) =>
        password.Replace(name, "", StringComparison.OrdinalIgnoreCase) is var rest
        && rest.Length < password.Length
        && rest.Length < Own;

    private static IdentityResult Failed(string code) => IdentityResult.Failed(new IdentityError { Code = code });
}
