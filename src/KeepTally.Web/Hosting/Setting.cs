using System.CommandLine;

namespace KeepTally.Web.Hosting;

/// <summary>One setting by its name: an option of the command line, a variable of the environment, a property of the settings file.</summary>
internal sealed class Setting
{
    private const string Prefix = "KEEP_TALLY_";

    private Setting(string name, Option option) => (Name, Option) = (name, option);

    /// <summary>The name, such as <c>behind-proxy</c>: the property of the settings file.</summary>
    internal string Name { get; }

    /// <summary>The option of the command line, such as <c>--behind-proxy</c>.</summary>
    internal Option Option { get; }

    /// <summary>The variable of the environment, such as <c>KEEP_TALLY_BEHIND_PROXY</c>.</summary>
    internal string Variable => Prefix + Name.Replace('-', '_').ToUpperInvariant();

    internal static Setting Flag(string name, string description) =>
        new(name, new Option<bool>($"--{name}") { Description = description, Arity = ArgumentArity.Zero });

    /// <param name="name">The name.</param>
    /// <param name="value">What is written behind it, such as DIR.</param>
    /// <param name="description">What it does.</param>
    internal static Setting Of(string name, string value, string description) =>
        new(
            name,
            new Option<string>($"--{name}")
            {
                Description = description,
                HelpName = value,
                // One without a value is told in our own words.
                Arity = ArgumentArity.ZeroOrOne,
            }
        );
}
