using System.CommandLine;
using Plinth.Cli;
using Plinth.Cli.Commands;

var root = new RootCommand("Sizes, checks and schedules every foundation of a building from the column reactions of its analysis.")
{
    NewCommand.Build(),
    DemoCommand.Build(),
    ImportCommand.Build(),
    AuditCommand.Build(),
    CombosCommand.Build(),
    SizeCommand.Build(),
    CheckCommand.Build(),
    ShowCommand.Build(),
    SetCommand.Build(),
    OptionsCommand.Build(),
    GroupCommand.Build(),
    StatusCommand.Build(),
    ScheduleCommand.Build(),
    DrawCommand.Build(),
    ReportCommand.Build(),
    IssueCommand.Build(),
    CompareCommand.Build(),
};
return Runner.Run(root, args);
