using System.CommandLine;
using Spectre.Console;
var root = new RootCommand("x");
var n = new Argument<string[]>("mark") { Arity = ArgumentArity.ZeroOrMore };
var o = new Option<string>("--format") { Description = "f" };
var c = new Command("check", "checks") { n, o };
c.SetAction(r => { var t = new Table(); t.AddColumn("a"); t.AddRow(r.GetValue(o) ?? "none"); AnsiConsole.Write(t); return 1; });
root.Add(c);
return root.Parse(args).Invoke();
