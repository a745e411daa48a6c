namespace Plinth.Cli.Tests;

/// <summary>Precast columns in sockets, through the built program.</summary>
public class SocketTests
{
    private const string Socket = "[column]\nstrength = \"40 MPa\"\nbars = \"8 T16\"\n[socket]\nunder = \"concrete\"\ngrout = \"35 MPa\"\n";

    private static Folder Precast(string more = "")
    {
        var f = new Folder();
        f["plinth.toml"] = Folder.Toml + Socket + more;
        return f;
    }

    [Fact]
    public void A_socket_is_sized_written_read_shown_and_kept()
    {
        using var f = Precast();
        var ran = f.Run("size", "--all");
        ran.Exit.Should().Be(0, ran.Out + ran.Error);
        f["adopted.toml"].Should().Contain("pedestal.socket = \"").And.Contain("pedestal.wall = \"").And.NotContain("dowels");
        var before = f["adopted.toml"];
        f.Run("size").Exit.Should().Be(0);
        f["adopted.toml"].Should().Be(before, "what is found is read back as it was written");
        f.Run("show", "F1").Out.Should().Contain("socket: ").And.Contain(" deep, walls ").And.Contain(" in pairs");
        f.Run("show", "F1", "socket-walls").Out.Should().Contain("Pressure between column and socket along x").And.Contain(
            "F2        = F1 − H");
        f.Run("schedule").Out.Should().Contain("socket");
        var design = f.Run("check", "--format", "json").Json.GetProperty("foundations")[0];
        design.GetProperty("pedestal").GetProperty("socket_depth_m").GetDouble()
            .Should().BeGreaterThanOrEqualTo(0.48 - 1e-9, "1.2 times the column");
        design.GetProperty("not_checked").EnumerateArray()
            .Select(c => c.ToString())
            .Should().NotContain(c => c.Contains("interface"), "a column in a socket has no dowels");
    }

    [Fact]
    public void Depth_and_walls_are_changed_by_hand_and_checked_at_once()
    {
        using var f = Precast();
        f.Run("size", "--all");
        f.Run("check", "F1", "--set", "pedestal.socket=300 mm").Out.Should().Contain("FAIL").And.Contain("socket walls");
        f.Run("set", "F1", "pedestal.socket=700 mm").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("pedestal.socket = \"700 mm\"");
        f.Run("check", "F1", "--set", "pedestal.wall=2 m").Error.Should().Contain("does not go into the socket");
        f.Run("check", "F1", "--set", "pedestal.wall=0 mm").Error.Should().Contain("must be more than zero");
        using var plain = new Folder();
        plain.Run("size", "--all");
        plain.Run("check", "F1", "--set", "pedestal.wall=200 mm").Error.Should().Contain("[socket] under = \"concrete\"");
    }

    [Theory]
    [InlineData("face = \"rough\"", "plinth.toml:28:8", "keyed")]
    [InlineData("gap = \"-50 mm\"", "plinth.toml:28:7", "must be more than zero")]
    [InlineData("least-ratio = \"2\"", "plinth.toml:28:15", "number")]
    [InlineData("depht = \"600 mm\"", "plinth.toml:28:1", "did you mean \"depth\"")]
    [InlineData("[pedestal]\nshape = \"round\"", "plinth.toml:26:9", "a socket is rectangular")]
    public void Wrong_keys_are_refused_with_place_and_mend(string line, string place, string message)
    {
        using var f = Precast(line + "\n");
        var ran = f.Run("size", "--all");
        ran.Exit.Should().Be(2);
        ran.Error.Should().Contain(place).And.Contain(message);
        f.Has("adopted.toml").Should().BeFalse();
    }

    [Fact]
    public void A_socket_of_one_foundation_is_held_and_a_turned_column_refused()
    {
        using var f = new Folder();
        f["plinth.toml"] = Folder.Toml
            + "[[foundation]]\nmark = \"F1\"\nsupports = [\"C1\"]\nsocket = { depth = \"650 mm\", wall = \"250 mm\" }\n";
        f.Run("size", "--all").Exit.Should().Be(0);
        f["adopted.toml"].Should().Contain("pedestal.socket = \"650 mm\"").And.Contain("pedestal.wall = \"250 mm\"");
        f.Run("show", "F1", "--settings").Out.Should().Contain("650 mm");
        var written = f["adopted.toml"];
        f["adopted.toml"] = written.Replace("pedestal.socket = \"650 mm\"", "pedestal.socket = \"700 mm\"");
        f.Run("check").Error.Should().Contain("pedestal.socket 700 mm differs from [socket] depth 650 mm");
        f["adopted.toml"] = written;
        f["plinth.toml"] += "angle = \"30 deg\"\n";
        f.Run("check").Error.Should().Contain("turned against its base");
    }

    [Fact]
    public void A_pull_asks_for_keyed_faces()
    {
        using var f = Precast();
        f["reactions.csv"] = Folder.Reactions.Replace("C1,WX,-15,0,-20,0,-30", "C1,WX,-15,0,-600,0,-10");
        var smooth = f.Run("size", "--all");
        smooth.Exit.Should().Be(1);
        smooth.Out.Should().Contain("socket depth");
        smooth.Error.Should().Contain("[socket] face = \"keyed\"");
        f["plinth.toml"] = Folder.Toml + Socket + "face = \"keyed\"\n";
        var keyed = f.Run("size", "--all");
        keyed.Exit.Should().Be(0, keyed.Out);
        f.Run("show", "F1", "socket-depth", "--combination", "U5:+WX").Out.Should().Contain("l,bond").And.Contain("16.4.4.2");
    }
}
