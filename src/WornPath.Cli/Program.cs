using System.CommandLine;
using WornPath.Cli;
using WornPath.Formats.Out;
using WornPath.Store;

var file = new Argument<FileInfo>("FILE") { Description = "A procedure file (docs/formats)." };
var format = new Option<string>("--format") { Description = "How the findings are written: text, json or sarif (2.1.0).", DefaultValueFactory = _ => "text" };
format.AcceptOnlyFromAmong("text", "json", "sarif");
var crib = new Option<FileInfo?>("--crib") { Description = "The workshop's wrench crib as CSV; without it no value is held against one." };
var check = new Command("check", "Walks a procedure and lists what it finds. Exit code: 0 nothing or hints, 1 warnings, 2 stops, 3 the file cannot be read.") { file, format, crib };
check.SetAction((parsed, _) => CheckCommand.RunAsync(parsed.GetRequiredValue(file), parsed.GetRequiredValue(format), parsed.GetValue(crib), Console.Out, Console.Error));
var key = new Option<string?>("--key") { Description = "The thumbprint of the workshop's key, as it stands under Workshop: whoever else signed it is named." };
var signatures = new Command("signatures",
    "Says who signed a procedure file, and that it is what they signed. Exit code: 0 it is, 1 nobody signed it or not with the key, 3 it cannot be read or was changed since.") { file, key };
signatures.SetAction((parsed, _) => SignaturesCommand.RunAsync(parsed.GetRequiredValue(file), parsed.GetValue(key), Console.Out, Console.Error));
var steps = new Argument<FileInfo>("FILE") { Description = "A plain text: “# Phase”, a step a line, indented lines go on with it." };
var reads = new Option<string>("--as") { Description = "What the file holds.", DefaultValueFactory = _ => "steps" };
reads.AcceptOnlyFromAmong("steps");
var written = new Option<string>("--format") { Description = "How it is written: text or json.", DefaultValueFactory = _ => "text" };
written.AcceptOnlyFromAmong("text", "json");
var read = new Command("read", "Reads sentences as the page does and shows what is done, asked and not understood. Exit code: 0 nothing asked, 1 something asked, 3 the file cannot be read.") { steps, reads, written };
read.SetAction((parsed, _) => ReadCommand.RunAsync(parsed.GetRequiredValue(steps), parsed.GetRequiredValue(written), Console.Out, Console.Error));
var procedure = new Argument<FileInfo>("FILE") { Description = "A procedure file (docs/formats), or the data folder of a server: the whole workshop in open forms." };
var kind = new Option<string?>("--as") { Description = $"The format of a procedure: {string.Join(", ", ExportFormat.All.Select(f => f.Id))}." };
kind.AcceptOnlyFromAmong([.. ExportFormat.All.Select(f => f.Id)]);
var into = new Option<FileInfo?>("--to") { Description = "The file that is written; without it, it goes to the output." };
var export = new Command("export",
    "Writes a procedure in another format, or a whole workshop in open forms. Exit code: 0 written, 3 it cannot be read, 4 it cannot be written.") { procedure, kind, into };
export.Validators.Add(parsed =>
{
    if (parsed.GetValue(procedure) is { } named && !Directory.Exists(named.FullName) && parsed.GetValue(kind) is null)
        parsed.AddError($"Say in which format with --as: {string.Join(", ", ExportFormat.All.Select(f => f.Id))}.");
});
export.SetAction((parsed, _) => parsed.GetRequiredValue(procedure) is var named && Directory.Exists(named.FullName)
    ? ArchiveCommands.ExportAsync(new DirectoryInfo(named.FullName), parsed.GetValue(into), Console.Out, Console.Error)
    : ExportCommand.RunAsync(named, ExportFormat.Find(parsed.GetValue(kind)!)!, parsed.GetValue(into), Console.OpenStandardOutput(), Console.Error));
var prose = new Argument<FileInfo>("FILE")
{
    Description = "A procedure as plain text, Markdown or .docx: headings for phases, a step a line or numbered, tables of torques; or a whole workshop that export wrote.",
};
var made = new Option<FileInfo>("--to")
{
    Description = "The procedure file that is written; for a workshop the data folder it comes into.",
    Required = true
};
var number = new Option<string?>("--number") { Description = "The procedure's number; without it, the one its title begins with." };
var import = new Command("import",
    "Reads an existing procedure and writes it as a procedure file; what has no place is listed. Or brings a whole workshop into an empty folder. Exit code: 0 all has its place, 1 something has none, 3 it cannot be read, 4 it cannot be written.") { prose, made, number };
import.SetAction((parsed, _) => Archive.IsOne(parsed.GetRequiredValue(prose))
    ? ArchiveCommands.ImportAsync(parsed.GetRequiredValue(prose), new DirectoryInfo(parsed.GetRequiredValue(made).FullName), Console.Out, Console.Error)
    : ImportCommand.RunAsync(parsed.GetRequiredValue(prose), parsed.GetRequiredValue(made), parsed.GetValue(number), Console.Out, Console.Error));
var data = new Option<DirectoryInfo>("--data") { Description = "The server's data folder.", Required = true };
var to = new Argument<FileInfo>("FILE") { Description = "Where the backup is written." };
var backup = new Command("backup", "Writes the whole workshop into one file, while the server runs.") { to, data };
backup.SetAction((parsed, _) => BackupCommands.BackupAsync(parsed.GetRequiredValue(data), parsed.GetRequiredValue(to), Console.Out, Console.Error));
var from = new Argument<FileInfo>("FILE") { Description = "A backup." };
var restore = new Command("restore", "Puts a backup in the place of a data folder that no server works in; what stood there is put aside.") { from, data };
restore.SetAction((parsed, _) => BackupCommands.RestoreAsync(parsed.GetRequiredValue(from), parsed.GetRequiredValue(data), Console.Out, Console.Error));
var schema = new Command("schema", "Prints the JSON Schema of a procedure file, as docs/formats has it.");
schema.SetAction(_ => Console.Out.Write(WornPath.Formats.ProcedureSchema.Text()));
return await new RootCommand("Worn Path: bolt-on installation procedures, walked.") { check, signatures, read, export, import, schema, backup,
    restore }.Parse(args).InvokeAsync();
