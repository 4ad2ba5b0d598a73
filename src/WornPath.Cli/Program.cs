using System.CommandLine;
using WornPath.Cli;

var file = new Argument<FileInfo>("FILE") { Description = "A procedure file (docs/formats)." };
var format = new Option<string>("--format") { Description = "How the findings are written: text, json or sarif (2.1.0).", DefaultValueFactory = _ => "text" };
format.AcceptOnlyFromAmong("text", "json", "sarif");
var crib = new Option<FileInfo?>("--crib") { Description = "The workshop's wrench crib as CSV; without it no value is held against one." };
var check = new Command("check", "Walks a procedure and lists what it finds. Exit code: 0 nothing or hints, 1 warnings, 2 stops, 3 the file cannot be read.") { file, format, crib };
check.SetAction((parsed, _) => CheckCommand.RunAsync(parsed.GetRequiredValue(file), parsed.GetRequiredValue(format), parsed.GetValue(crib), Console.Out, Console.Error));
var data = new Option<DirectoryInfo>("--data") { Description = "The server's data folder.", Required = true };
var to = new Argument<FileInfo>("FILE") { Description = "Where the backup is written." };
var backup = new Command("backup", "Writes the whole workshop into one file, while the server runs.") { to, data };
backup.SetAction((parsed, _) => BackupCommands.BackupAsync(parsed.GetRequiredValue(data), parsed.GetRequiredValue(to), Console.Out, Console.Error));
var from = new Argument<FileInfo>("FILE") { Description = "A backup." };
var restore = new Command("restore", "Puts a backup in the place of a data folder that no server works in; what stood there is put aside.") { from, data };
restore.SetAction((parsed, _) => BackupCommands.RestoreAsync(parsed.GetRequiredValue(from), parsed.GetRequiredValue(data), Console.Out, Console.Error));
return await new RootCommand("Worn Path: bolt-on installation procedures, walked.") { check, backup, restore }.Parse(args).InvokeAsync();
