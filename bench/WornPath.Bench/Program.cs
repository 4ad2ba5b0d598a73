using WornPath.Bench;
using WornPath.Core.Findings;
using WornPath.Core.Sheets;
using WornPath.Core.Workshops;

var failed = false;

// "load 60" is the long run of writers and readers; "bare" is what it is held against.
if (args is ["bare", var bareAt, var bareFile])
{
    await Load.BareAsync(int.Parse(bareAt), bareFile);
    return 0;
}

// "memory" alone: what drafts hold; it does not mind what else the machine does.
if (args is ["memory"])
{
    Memory(LongSheet.Of(300), LongSheet.Of(4000));
    return failed ? 1 : 0;
}

// "paste": lines put in as one edit, in reading and in all; each line names things of its own, as a long job does.
if (args is ["paste"])
{
    foreach (var lines in (int[])[100, 1000]) Pasting.Print(lines);
    return 0;
}

// "opening": what the opening of a long sheet is made of.
if (args is ["opening"])
{
    OpeningStages.Print(LongSheet.Of(4000));
    return 0;
}

// "import 16000", "walk 4000", "hold 1000": one piece of work alone, to be looked at with a profiler.
if (args is ["import" or "walk" or "hold", var howMany])
{
    Alone.Run(args[0], int.Parse(howMany));
    return 0;
}

// "names": whether the time of a refusal tells which names there are; "shelf": ten thousand procedures.
if (args is ["names"])
{
    var (known, unknown) = await NameTiming.RunAsync();
    Say($"refusing a known name {known:0.0} ms, an unknown one {unknown:0.0} ms (medians of 200): their difference of the larger",
        Math.Abs(known - unknown) / Math.Max(known, unknown), 0.1);
    return failed ? 1 : 0;
}

// "pictures": one of twelve million dots taken in, beside bare decoding and encoding.
if (args is ["pictures"])
{
    foreach (var format in (SkiaSharp.SKEncodedImageFormat[])[SkiaSharp.SKEncodedImageFormat.Jpeg, SkiaSharp.SKEncodedImageFormat.Png])
    {
        var (taken, plain) = PictureTiming.Run(format);
        Say($"a {format} of 4,000 × 3,000 taken in {taken:0} ms, decoded and encoded {plain:0} ms", taken / plain, 1.5);
    }

    return failed ? 1 : 0;
}

// "reading": a sentence, and one text four times as long as another.
if (args is ["reading"])
{
    var (sentence, words) = ReadingTiming.Sentence();
    Say($"reading a sentence of about twenty words {sentence:0.000} ms, cutting it into words and looking each up {words:0.0000} ms", sentence / words, 3);
    var (whole, quarter) = ReadingTiming.Length();
    Say($"reading 4,000 characters {whole:0.0} ms, 1,000 characters {quarter:0.0} ms: the longer against four times the other", whole / 4 / quarter, 1.5);
    return failed ? 1 : 0;
}

if (args is ["shelf"])
{
    await LargeShelf.RunAsync();
    return 0;
}

if (args is ["load", var seconds])
{
    await Load.RunAsync(TimeSpan.FromSeconds(int.Parse(seconds)));
    return 0;
}

if (args is ["differences"])
{
    var (ms, held, lines) = TwoRevisions.Of(LongSheet.Of(1000));
    Say($"{lines} differences between two revisions of 1,000 steps {ms:0.00} ms, walking both and finding {held:0.00} ms", ms / held, 2);
    return 0;
}

// Every figure is a ratio of two things measured in turn in this run; the limits are those the issues name.
var sheets = Enumerable.ToDictionary<int, int, Sheet>([300, 500, 1000, 2000, 4000], n => n, LongSheet.Of);
var json = SheetJson.Write(sheets[300]);
var found = 0;
void WalkAndFind(Sheet sheet) => found += WalkSet.Run(sheet, Workshop.Default).Findings.Length;

var (walk, read) = Measure.InTurn(400, () => WalkAndFind(sheets[300]), () => SheetJson.Read(json));
Say($"walk and findings of 300 steps {walk:0.000} ms, reading that sheet from JSON ({json.Length / 1024} kB) {read:0.000} ms", walk / read, 3);

var (large, small) = Measure.InTurn(200, () => WalkAndFind(sheets[2000]), () => WalkAndFind(sheets[500]));
Say($"walk and findings of 2,000 steps {large:0.000} ms, of 500 steps {small:0.000} ms", large / small, 4.6);

var (four, one, fastestFour, fastestOne) = Measure.FastestInTurn(300, () => WalkAndFind(sheets[4000]), () => WalkAndFind(sheets[1000]));
Console.WriteLine($"walk and findings of 4,000 steps {four:0.000} ms, of 1,000 steps {one:0.000} ms: ratio of the medians {four / one:0.00}");
Say($"the same, the fastest of 300 rounds: {fastestFour:0.000} ms and {fastestOne:0.000} ms", fastestFour / fastestOne, 4.4);

// Eight combinations of three ways to differ, every fifth step for some of them alone.
var varied = LongSheet.Varied(300);
var variedJson = SheetJson.Write(varied);
var combinations = WalkSet.Run(varied, Workshop.Default).All.Length;
var (all, readVaried) = Measure.InTurn(100, () => WalkAndFind(varied), () => SheetJson.Read(variedJson));
Say($"walk and findings of 300 steps in {combinations} combinations {all:0.000} ms, {all / combinations:0.000} ms each, reading that sheet {readVaried:0.000} ms", all / combinations / readVaried, 3);

var many = ManyJoints.Of(500);
var manyJson = SheetJson.Write(many);
var things = many.Things.ToDictionary(t => t.Id);
var (judge, readMany) = Measure.InTurn(200, () => found += ManyJoints.Judge(many, things), () => SheetJson.Read(manyJson));
Say($"judging 500 joints {judge:0.000} ms, reading them from JSON ({manyJson.Length / 1024} kB) {readMany:0.000} ms", judge / readMany, 4);
var before = GC.GetAllocatedBytesForCurrentThread();
found += ManyJoints.Judge(many, things);
Console.WriteLine($"judging 500 joints allocates {(GC.GetAllocatedBytesForCurrentThread() - before) / 1024} kB");

var (differ, walks, told) = TwoRevisions.Of(sheets[1000]);
Say($"{told} differences between two revisions of 1,000 steps {differ:0.00} ms, walking both and finding {walks:0.00} ms", differ / walks, 2);

var (open, change, parse) = Opening.Of(sheets[4000]);
Say($"opening a sheet of 4,000 steps {open:0.0} ms, reading its JSON {parse:0.0} ms", open / parse, 3);
Say($"an edit of a step of it {change:0.0} ms, reading its JSON {parse:0.0} ms", change / parse, 1.5);
Opening.Import(400);
var (thousand, fourThousand, sixteenThousand) = (Opening.Import(1000), Opening.Import(4000), Opening.Import(16_000));
Say($"importing 1,000 things {thousand:0} ms, 4,000 {fourThousand:0} ms, 16,000 {sixteenThousand:0} ms: the last against four times the one before", sixteenThousand / (4 * fourThousand), 1.6);
Memory(sheets[300], sheets[4000]);

// "Bare" is SQLite as it comes: rollback journal, full sync. In WAL, as the program itself keeps its database, an insert
// costs one sync and no more; that harder figure is printed beside it.
var (edit, wal, bare) = await EditThroughApi.RunAsync(sheets[300]);
Say($"an edit through the API on 300 steps {edit:0.000} ms, a bare insert with full sync {bare:0.000} ms", edit / bare, 5);
Console.WriteLine($"the same edit against a bare insert in WAL, {wal:0.000} ms: ratio {edit / wal:0.00}");
return failed || found == 0 ? 1 : 0;

void Memory(Sheet few, Sheet many)
{
    Console.WriteLine($"a draft of 300 steps holds {Opening.Memory(few) / 1024:N0} kB, of 4,000 steps {Opening.Memory(many) / 1024:N0} kB");
    var (plain, wordy) = (Opening.Memory(LongSheet.Of(1000)), Opening.Memory(LongSheet.OfLongSteps(1000)));
    Say($"a draft of 1,000 steps holds {plain / 1024:N0} kB, of 1,000 steps of 1,900 characters {wordy / 1024:N0} kB, against 20 MB", wordy / (20.0 * 1024 * 1024), 1);
}

void Say(string what, double ratio, double limit)
{
    failed |= ratio > limit;
    Console.WriteLine($"{what}: ratio {ratio:0.00}, at most {limit}{(ratio > limit ? "  TOO SLOW" : "")}");
}
