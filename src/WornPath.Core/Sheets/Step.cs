using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Quantities;

namespace WornPath.Core.Sheets;

/// <summary>A stretch of the procedure: removal, inspection, refit …</summary>
public sealed record Phase
{
    public required string Id { get; init; }

    public required string Name { get; init; }

    public ImmutableArray<Step> Steps { get; init; } = [];
}

/// <summary>One step: the writer's sentences, and the structure the core read from them.</summary>
public sealed record Step : IRemembers
{
    private Memory _memory;

    public required string Id { get; init; }

    /// <summary>The writer's words, short Markdown.</summary>
    public string Text { get; init; } = "";

    /// <summary>What is done, in order; read from <see cref="Text"/>.</summary>
    public ImmutableArray<StepAction> Actions { get; init; } = [];

    /// <summary>What it may turn into, and the signs that tell; read from <see cref="Text"/>.</summary>
    public ImmutableArray<Branch> Branches { get; init; } = [];

    /// <summary>What a measured value is turned into; read from <see cref="Text"/>. Null where there is no such table.</summary>
    public ChoiceTable? Table { get; init; }

    /// <summary>What the reading was not sure of and the author has not settled yet.</summary>
    public ImmutableArray<Question> Questions { get; init; } = [];

    /// <summary>Ids of tools, consumables and aids its words name beside what is done.</summary>
    public ImmutableArray<string> Uses { get; init; } = [];

    /// <summary>People its words say it takes; null where they say nothing. <see cref="People"/> is the author's number.</summary>
    public int? Hands { get; init; }

    /// <summary>Words nobody understood.</summary>
    public ImmutableArray<Span> Residue { get; init; } = [];

    /// <summary>What the author settled, kept for every later reading of this step.</summary>
    public ImmutableArray<Settlement> Settled { get; init; } = [];

    /// <summary>What the author says certain words come to, in place of what is read from them.</summary>
    public ImmutableArray<AuthorsWord> Said { get; init; } = [];

    /// <summary>Hands-on minutes as the author timed them; null where they are reckoned from what is done.</summary>
    public decimal? Minutes { get; init; }

    /// <summary>People it takes by the author's number; null where its words or the header's number hold.</summary>
    public int? People { get; init; }

    /// <summary>Where the limits it measures against were taken from: document, edition, page. Null where nobody says.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public string? Source { get; init; }

    /// <summary>The block of the workshop it came with, and in which version; null where somebody wrote it here.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public KeptFrom? Block { get; init; }

    /// <summary>What it shows, in order; null where it shows nothing.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public ImmutableArray<Figure>? Shows { get; init; }

    /// <summary>The figures it shows, in order.</summary>
    [JsonIgnore]
    public ImmutableArray<Figure> Figures => Shows ?? [];

    /// <summary>Ids of all that what is done, what its words name and its figures are about.</summary>
    [JsonIgnore]
    public IEnumerable<string> Named => Actions.SelectMany(a => a.Ids).Concat(Uses).Concat(Figures.SelectMany(f => f.Ids));

    /// <summary>People it takes: the author's number, else what its words say, and no fewer than the job's usual.</summary>
    /// <param name="usual">The header's number.</param>
    public int Takes(int usual) => People ?? Math.Max(Hands ?? 1, usual);

    /// <summary>Usual cautions the author took off this step, with the reasons.</summary>
    public ImmutableArray<DroppedCaution> Dropped { get; init; } = [];

    /// <summary>Cautions the author wrote for this step, before the usual ones.</summary>
    public ImmutableArray<Caution> Cautions { get; init; } = [];

    /// <summary>
    /// What the sentence says, in words, where the step came from a file and carries something else; null where both agree.
    /// A step that is written or read here never differs from its sentence.
    /// </summary>
    public string? SentenceSays { get; init; }

    ref Memory IRemembers.Memory => ref _memory;
}

/// <summary>What an action does. The state machines of the walk say what each needs and leaves behind.</summary>
public enum Verb
{
    // Joints
    BreakLoose,
    Loosen,
    TakeOut,
    Start,
    Snug,
    TorquePass,
    Torque,

    /// <summary>Torqued again after use: owes nothing and finishes nothing.</summary>
    Retorque,
    Align,
    BackOff,
    InsertPin,
    RemovePin,
    Stake,
    Mark,

    /// <summary>Turned on by an angle after its torque.</summary>
    TurnOn,

    /// <summary>Kept from turning by a tab, a plate, a wire.</summary>
    Lock,
    Unlock,

    // Parts
    Remove,
    HangAside,
    SetAside,
    Discard,
    Fit,
    Seat,

    /// <summary>Comes or goes along with what it sits on: its <see cref="StepAction.Host"/>.</summary>
    Carry,

    // Connections, fluids, aids
    Disconnect,
    Connect,
    Drain,
    Fill,
    CheckLevel,
    Place,
    TakeAway,

    // The vehicle
    Raise,
    SetOnStands,
    LowerToTouch,
    Lower,
    PumpBrakes,

    // Anything
    Inspect,
    Measure,
    Clean,
    Treat,
    Wait,
    FunctionCheck,

    /// <summary>Set to a length, a gap, a play.</summary>
    Adjust,

    /// <summary>A control is put into a position.</summary>
    Set,

    /// <summary>
    /// What was done before is done again: on another <see cref="StepAction.Side"/>, where the words say one, the <see cref="StepAction.Steps"/>
    /// they name, or what stands before it.
    /// </summary>
    Repeat,

    /// <summary>A new one takes the place of the old where it is; the walk makes it of a removal and a refit in one clause.</summary>
    Renew,
}

/// <summary>One thing done: a verb and what it is done to, with the values the sentence gave.</summary>
public sealed record StepAction
{
    public required Verb Verb { get; init; }

    /// <summary>Id of what it is done to; null for the vehicle, or where the words name nothing on the sheet (see <see cref="Words"/>).</summary>
    public string? Target { get; init; }

    /// <summary>Id of an aid, tool or consumable it is done with.</summary>
    public string? With { get; init; }

    /// <summary>Id of the part it comes off or goes onto, where the words name one: "out of the knuckle", "onto the rod".</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public string? Host { get; init; }

    /// <summary>The object in the writer's words, where it is no thing of the sheet ("the threads").</summary>
    public string? Words { get; init; }

    /// <summary>A torque stated in the sentence.</summary>
    public TorqueSpec? Torque { get; init; }

    /// <summary>The torques of the passes before it, where one sentence tells them all.</summary>
    public TorquePasses? Passes { get; init; }

    /// <summary>The pass of a <see cref="Verb.TorquePass"/>, from 1.</summary>
    public int? Pass { get; init; }

    /// <summary>Degrees of a back-off or of turning on.</summary>
    public decimal? Angle { get; init; }

    /// <summary>So many of the set; null for all of it.</summary>
    public int? Some { get; init; }

    /// <summary>True for what was not yet done of the set.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool Rest { get; init; }

    /// <summary>The position a control is put into, in the writer's words.</summary>
    public string? Position { get; init; }

    /// <summary>When it is done, in the writer's words, where that is after the job ("after fifty miles"): no branch of the step.</summary>
    public string? If { get; init; }

    /// <summary>Minutes of a wait.</summary>
    public decimal? Minutes { get; init; }

    /// <summary>True where the sentence says the hardware or part is new.</summary>
    public bool New { get; init; }

    /// <summary>The variants and sides it is done for; null for all.</summary>
    public Limit? Only { get; init; }

    /// <summary>The side it is done on, where it is done on one; null for every side there is, or the one in hand.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public Side? Side { get; init; }

    /// <summary>The steps a <see cref="Verb.Repeat"/> names; null where it names none.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public StepNumbers? Steps { get; init; }

    /// <summary>The branch of the step it belongs to, from 1; 0 for what the step says first.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public int Branch { get; init; }

    /// <summary>What a measurement or inspection is held against; null where the sentence says none.</summary>
    public Limits? Limits { get; init; }

    /// <summary>Where the words of the object stand in the step's text.</summary>
    public Span At { get; init; }

    /// <summary>Where the clause stands that says it; empty in what was read before clauses were kept.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public Span In { get; init; }

    /// <summary>True where it is what the author said, and not what was read.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingDefault)]
    public bool IsSaid { get; init; }

    /// <summary>Ids of all it names.</summary>
    [JsonIgnore]
    public IEnumerable<string> Ids
    {
        get
        {
            if (Target is not null) yield return Target;
            if (With is not null) yield return With;
            if (Host is not null) yield return Host;
        }
    }

    /// <summary>The same done to other things: each id it names becomes another, or none.</summary>
    public StepAction Renamed(Func<string, string?> now)
    {
        string? Now(string? id) => id is null ? null : now(id);
        return this with { Target = Now(Target), With = Now(With), Host = Now(Host) };
    }
}

/// <summary>A place in a step's text.</summary>
/// <param name="Start">First character.</param>
/// <param name="Length">Number of characters.</param>
public readonly record struct Span(int Start, int Length)
{
    /// <summary>The character after the last.</summary>
    [JsonIgnore]
    public int End => Start + Length;

    /// <summary>True where both have a character in common.</summary>
    public bool Meets(Span other) => other.Start < End && Start < other.End;

    /// <summary>True where another place begins in this one.</summary>
    public bool Begins(Span other) => other.Start >= Start && other.Start < End;

    /// <summary>The words at this place.</summary>
    public string Of(string text) => Start >= 0 && Length >= 0 && End <= text.Length ? text.Substring(Start, Length) : "";
}

/// <summary>Why the reading asks.</summary>
public enum QuestionKind
{
    /// <summary>Nothing on the sheet is called so.</summary>
    [JsonStringEnumMemberName("unknown name")] UnknownName,

    /// <summary>More than one thing may be meant.</summary>
    [JsonStringEnumMemberName("several")] Several,

    /// <summary>The verb has no object.</summary>
    [JsonStringEnumMemberName("no object")] NoObject,

    /// <summary>The thing named cannot be done this to.</summary>
    [JsonStringEnumMemberName("wrong kind")] WrongKind,

    /// <summary>The step states another torque than the joint's.</summary>
    [JsonStringEnumMemberName("other value")] OtherValue,

    /// <summary>A value that cannot be read.</summary>
    [JsonStringEnumMemberName("bad value")] BadValue,

    /// <summary>Something is raised or lowered, and it is not clear whether the vehicle goes with it.</summary>
    [JsonStringEnumMemberName("vehicle moves")] VehicleMoves,

    /// <summary>Some of the fasteners of a joint are named, which is loosened and tightened as one.</summary>
    [JsonStringEnumMemberName("part of them")] PartOf,

    /// <summary>No instruction was found in the step.</summary>
    [JsonStringEnumMemberName("no verb")] NoVerb,

    /// <summary>A clause tells somebody to do something, and what is not understood.</summary>
    [JsonStringEnumMemberName("unclear")] Unclear,
}

/// <summary>Something the reading is not sure of. It stands as a chip under the step until the author settles it.</summary>
public sealed record Question
{
    /// <summary>Before the phrase of a settlement: the vehicle does not move, only this does.</summary>
    public const string OnlyThis = "only: ";

    public required QuestionKind Kind { get; init; }

    /// <summary>The words asked about, lower case, as they key a <see cref="Settlement"/>.</summary>
    public required string Phrase { get; init; }

    public Span At { get; init; }

    public Verb? Verb { get; init; }

    /// <summary>Ids of what may be meant, the likeliest first.</summary>
    public ImmutableArray<string> Candidates { get; init; } = [];

    /// <summary>What a new thing of this name would be, the likeliest first.</summary>
    public ImmutableArray<ThingKind> NewKinds { get; init; } = [];

    /// <summary>True where a new thing would come with the kit (it is first met going on).</summary>
    public bool FromKit { get; init; }

    /// <summary>The torque asked about.</summary>
    public TorqueSpec? Torque { get; init; }

    /// <summary>What a clause that was not understood names and the sheet does not have.</summary>
    public ImmutableArray<string> Names { get; init; } = [];

    /// <summary>The reason, where the words and the kind do not say it all.</summary>
    public string? Because { get; init; }
}

/// <summary>The author's word on a phrase of this step: the thing it means, or nothing for "just words".</summary>
/// <param name="Phrase">The phrase, lower case.</param>
/// <param name="Target">The id meant; empty where the phrase is no thing.</param>
public sealed record Settlement(string Phrase, string Target);

/// <summary>
/// The author's word on what a clause comes to. It holds in every later reading as long as the clause stands in the text, letter
/// for letter but for capitals.
/// </summary>
/// <param name="Words">The clause.</param>
/// <param name="Actions">
/// All that is done there; none where nothing is. Their places count from the first letter of the clause; a branch above 0 is the
/// one the clause stands in.
/// </param>
public sealed record AuthorsWord(string Words, ImmutableArray<StepAction> Actions)
{
    /// <summary>True where all it is about is on a sheet.</summary>
    public bool Stands(Sheet sheet) => Actions.All(a => a.Target is null || sheet.Find(a.Target) is not null);
}

/// <summary>Signal words, as ANSI Z535.6 defines them.</summary>
public enum SignalWord
{
    /// <summary>Will result in death or serious injury, if not avoided.</summary>
    [JsonStringEnumMemberName("DANGER")] Danger,

    /// <summary>Could result in death or serious injury, if not avoided.</summary>
    [JsonStringEnumMemberName("WARNING")] Warning,

    /// <summary>Could result in minor or moderate injury, if not avoided.</summary>
    [JsonStringEnumMemberName("CAUTION")] Caution,

    /// <summary>Practices not related to injury.</summary>
    [JsonStringEnumMemberName("NOTICE")] Notice,
}

/// <summary>A usual caution that was taken off a step.</summary>
/// <param name="Hazard">The hazard it warned of.</param>
/// <param name="Reason">Why it does not hold here; a WARNING or DANGER is not taken off without one.</param>
public sealed record DroppedCaution(string Hazard, string Reason);

/// <summary>A caution before a step: the hazard, what it does, and how to avoid it.</summary>
public sealed record Caution(SignalWord Signal, string Hazard, string Consequence, string Avoid);
