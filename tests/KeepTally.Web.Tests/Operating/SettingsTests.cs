using KeepTally.Core.Faults;
using KeepTally.Web.Hosting;

namespace KeepTally.Web.Tests.Operating;

/// <summary>Settings come from the command line, the environment and a file, in this order; what is wrong is told with its place.</summary>
public sealed class SettingsTests : IDisposable
{
    private readonly string _file = Path.GetTempFileName();
    private readonly Dictionary<string, string> _environment = [];

    public void Dispose() => File.Delete(_file);

    private Result<Settings> Read(params string[] args) => SettingsReader.Read(args, name => _environment.GetValueOrDefault(name));

    private Fault FaultOf(params string[] args) => Read(args).Faults.Single();

    [Fact]
    public void Without_a_word_it_starts_on_its_own_port_and_folder()
    {
        var settings = Read().Require();
        Assert.Equal((5080, Path.GetFullPath("data")), (settings.Port, settings.Data.Path));
        Assert.Equal(Path.GetFullPath(Path.Combine("data", "backups")), settings.Data.Backups);
        Assert.False(settings.Demo || settings.Lan || settings.BehindProxy);
    }

    [Fact]
    public void The_command_line_goes_before_the_environment_and_that_before_the_file()
    {
        File.WriteAllText(_file, """{"port": 6001, "data": "of-file", "lan": true, "behind-proxy": true}""");
        _environment["KEEP_TALLY_SETTINGS"] = _file;
        _environment["KEEP_TALLY_DATA"] = "of-environment";
        _environment["KEEP_TALLY_BEHIND_PROXY"] = "false";

        var settings = Read("--port", "6002", "--demo").Require();

        Assert.Equal((6002, Path.GetFullPath("of-environment")), (settings.Port, settings.Data.Path));
        Assert.Equal((true, true, false), (settings.Demo, settings.Lan, settings.BehindProxy));
        Assert.Equal((6003, 6004), (settings.PhonePort, settings.TrustPort));
    }

    [Theory]
    [InlineData("--port", "eleven", "--port")]
    [InlineData("--port", "0", "--port")]
    [InlineData("--port", "65534", "--port")]
    [InlineData("--port", null, "--port")]
    [InlineData("--data", null, "--data")]
    [InlineData("--backups", "", "--backups")]
    [InlineData("--new-password", null, "--new-password")]
    [InlineData("--address", "tally", "--address")]
    [InlineData("--address", "ftp://tally.example.org", "--address")]
    [InlineData("--certificate", "nowhere.pem", "--certificate")]
    [InlineData("--settings", null, "--settings")]
    [InlineData("--settings", "nowhere.json", "nowhere.json")]
    public void What_is_wrong_on_the_command_line_is_told_there(string option, string? value, string place) =>
        Assert.Equal(place, FaultOf(value is null ? [option] : [option, value]).Path);

    [Theory]
    [InlineData("KEEP_TALLY_PORT", "eleven")]
    [InlineData("KEEP_TALLY_LAN", "yes")]
    [InlineData("KEEP_TALLY_ADDRESS", "tally")]
    public void What_is_wrong_in_the_environment_is_told_by_the_variable(string variable, string value)
    {
        _environment[variable] = value;
        Assert.Equal(variable, FaultOf().Path);
    }

    [Theory]
    [InlineData("""{"port": "eleven"}""", ", port")]
    [InlineData("""{"colour": "green"}""", ", colour")]
    [InlineData("{\n\"port\": 5080,\n}", ", line 3")]
    [InlineData("[5080]", "")]
    [InlineData("{\n\"port\": 5080,\n\"port\": 6000}", ", port")]
    public void What_is_wrong_in_the_file_is_told_by_file_and_place(string text, string place)
    {
        File.WriteAllText(_file, text);
        Assert.Equal(_file + place, FaultOf("--settings", _file).Path);
    }

    [Fact]
    public void Every_fault_is_told_at_once_and_a_word_that_is_not_known_by_itself()
    {
        Assert.Equal(["--port", "--address"], Read("--port", "x", "--address", "y").Faults.Select(fault => fault.Path));
        Assert.Contains("--colour is not known here", FaultOf("--colour").ToString(), StringComparison.Ordinal);
        Assert.Contains("--port", FaultOf("--port", "6001", "--port", "6002").Problem, StringComparison.Ordinal);
        Assert.Contains("--key go together", FaultOf("--certificate", _file).Problem, StringComparison.Ordinal);
    }
}
