using System.Collections.Immutable;
using System.Text.Json.Serialization;
using WornPath.Core.Sheets;

namespace WornPath.Core.Editing;

/// <summary>
/// What an author does to a sheet, as a small typed command. <see cref="Editor.Apply"/> carries it out and returns, besides the
/// new sheet, the <see cref="Delta"/> it made; that delta's inverse is the undo. An edit that replaces something carries what
/// its author saw there, so that two people who touch the same thing are told.
/// </summary>
[JsonPolymorphic(TypeDiscriminatorPropertyName = "do")]
[JsonDerivedType(typeof(InsertStep), "insertStep")]
[JsonDerivedType(typeof(RemoveStep), "removeStep")]
[JsonDerivedType(typeof(MoveStep), "moveStep")]
[JsonDerivedType(typeof(InsertSteps), "insertSteps")]
[JsonDerivedType(typeof(RemoveSteps), "removeSteps")]
[JsonDerivedType(typeof(MoveSteps), "moveSteps")]
[JsonDerivedType(typeof(WriteStep), "writeStep")]
[JsonDerivedType(typeof(SettleQuestion), "settleQuestion")]
[JsonDerivedType(typeof(SettleMeaning), "settleMeaning")]
[JsonDerivedType(typeof(SayAction), "sayAction")]
[JsonDerivedType(typeof(Unsay), "unsay")]
[JsonDerivedType(typeof(LearnWords), "learnWords")]
[JsonDerivedType(typeof(ForgetWord), "forgetWord")]
[JsonDerivedType(typeof(LookedAt), "lookedAt")]
[JsonDerivedType(typeof(SetKind), "setKind")]
[JsonDerivedType(typeof(SettleAsNew), "settleAsNew")]
[JsonDerivedType(typeof(TakeStatedValue), "takeStatedValue")]
[JsonDerivedType(typeof(AskAgain), "askAgain")]
[JsonDerivedType(typeof(ReadSentence), "readSentence")]
[JsonDerivedType(typeof(InsertPhase), "insertPhase")]
[JsonDerivedType(typeof(RenamePhase), "renamePhase")]
[JsonDerivedType(typeof(RemovePhase), "removePhase")]
[JsonDerivedType(typeof(MovePhase), "movePhase")]
[JsonDerivedType(typeof(SplitPhase), "splitPhase")]
[JsonDerivedType(typeof(JoinPhase), "joinPhase")]
[JsonDerivedType(typeof(AddThing), "addThing")]
[JsonDerivedType(typeof(AddFilled), "addFilled")]
[JsonDerivedType(typeof(RemoveThing), "removeThing")]
[JsonDerivedType(typeof(SetField), "setField")]
[JsonDerivedType(typeof(SetFieldByName), "setFieldByName")]
[JsonDerivedType(typeof(WriteCaution), "writeCaution")]
[JsonDerivedType(typeof(DropCaution), "dropCaution")]
[JsonDerivedType(typeof(BringCautionBack), "bringCautionBack")]
[JsonDerivedType(typeof(PutFigure), "putFigure")]
[JsonDerivedType(typeof(MoveFigure), "moveFigure")]
[JsonDerivedType(typeof(Several), "several")]
public abstract record Edit;

/// <summary>A new step behind another (first in the phase where <paramref name="After"/> is null). Without an id it is given one.</summary>
public sealed record InsertStep(string? Id, string Phase, string? After, string Text) : Edit;

/// <summary>Takes a step away. <paramref name="Before"/> is its text as the author saw it.</summary>
public sealed record RemoveStep(string Id, string Before) : Edit;

/// <summary>Moves a step behind another, or to the head of a phase.</summary>
public sealed record MoveStep(string Id, string Phase, string? After) : Edit;

/// <summary>New steps behind another (at the head of the phase where <paramref name="After"/> is null), in their order: as many pasted lines.</summary>
public sealed record InsertSteps(string Phase, string? After, ImmutableArray<NewStep> Steps) : Edit;

/// <summary>A step to come; without an id it is given one.</summary>
public sealed record NewStep(string? Id, string Text)
{
    /// <summary>The block of the workshop it comes with; null where somebody writes it.</summary>
    [JsonIgnore(Condition = JsonIgnoreCondition.WhenWritingNull)]
    public KeptFrom? Block { get; init; }
}

/// <summary>Takes several steps away: all or none.</summary>
public sealed record RemoveSteps(ImmutableArray<SeenStep> Steps) : Edit;

/// <summary>A step, and its text as the author saw it.</summary>
public sealed record SeenStep(string Id, string Before);

/// <summary>Moves several steps behind another, or to the head of a phase; there they follow each other as listed.</summary>
public sealed record MoveSteps(ImmutableArray<string> Ids, string Phase, string? After) : Edit;

/// <summary>Writes a step's text; it is read anew.</summary>
public sealed record WriteStep(string Id, string Before, string Text) : Edit;

/// <summary>Settles a question: the phrase means <paramref name="Target"/>, or (empty) is just words.</summary>
public sealed record SettleQuestion(string Step, string Phrase, string Target) : Edit;

/// <summary>What was sent for a clause that was not understood before there was <see cref="SayAction"/>; a page may still hold one.</summary>
public sealed record SettleMeaning(string Step, string Phrase, Verb Verb, string Target) : Edit;

/// <summary>
/// The author's word on a clause of a step, kept while it stands: what is said <paramref name="Now"/> in the place of what was
/// read, or nothing (null: it is not done); a place behind the last is one more that is done there.
/// </summary>
/// <param name="Step">Id of the step.</param>
/// <param name="Words">The clause, as it stands in the text.</param>
/// <param name="Place">Which of the clause's actions, from 0.</param>
/// <param name="Before">What the author saw there, as its chip says it; empty for one more.</param>
/// <param name="Now">What is done; null where nothing is.</param>
public sealed record SayAction(string Step, string Words, int Place, string Before, Saying? Now) : Edit;

/// <summary>The author's word on a clause is taken back, and the clause is read again.</summary>
public sealed record Unsay(string Step, string Words) : Edit;

/// <summary>Words the sheet is read with from now on, besides those it has; steps that say them are read again.</summary>
public sealed record LearnWords(ImmutableArray<HouseWord> Words) : Edit;

/// <summary>A word the sheet is no longer read with.</summary>
public sealed record ForgetWord(string Word) : Edit;

/// <summary>Things that were assumed from a sentence are right as they are.</summary>
public sealed record LookedAt(ImmutableArray<string> Ids) : Edit;

/// <summary>A thing is of another kind than was assumed: it gets a number of that kind, and the steps that name it are read again.</summary>
public sealed record SetKind(string Id, ThingKind Kind) : Edit;

/// <summary>Settles a question by adding what it asks about as a new thing.</summary>
public sealed record SettleAsNew(string Step, string Phrase, ThingKind Kind, string Name, bool FromKit) : Edit;

/// <summary>Settles a question about a value: the joint takes the value the step states.</summary>
public sealed record TakeStatedValue(string Step, string Phrase) : Edit;

/// <summary>Takes back what was settled about a phrase of a step, so that it is asked again.</summary>
public sealed record AskAgain(string Step, string Phrase) : Edit;

/// <summary>Takes what a step's sentence says in place of what the step carried from a file.</summary>
public sealed record ReadSentence(string Step) : Edit;

/// <summary>A new phase behind another (first where <paramref name="After"/> is null).</summary>
public sealed record InsertPhase(string? Id, string? After, string Name) : Edit;

/// <summary>Renames a phase.</summary>
public sealed record RenamePhase(string Id, string Before, string Name) : Edit;

/// <summary>Takes an empty phase away.</summary>
public sealed record RemovePhase(string Id) : Edit;

/// <summary>Moves a phase, with its steps, behind another (first where <paramref name="After"/> is null).</summary>
public sealed record MovePhase(string Id, string? After) : Edit;

/// <summary>From this step on, the rest of its phase becomes a phase of its own behind it. Without an id it is given one.</summary>
public sealed record SplitPhase(string Step, string? Id, string Name) : Edit;

/// <summary>A phase's steps go to the end of the phase before it, and the phase goes.</summary>
public sealed record JoinPhase(string Id) : Edit;

/// <summary>Adds a part, joint, connection, fluid, aid, tool or consumable.</summary>
public sealed record AddThing(ThingKind Kind, string Name, bool FromKit) : Edit;

/// <summary>Adds a thing with its fields, as from a row of a table.</summary>
public sealed record AddFilled(ThingKind Kind, string Name, ImmutableArray<FieldText> Fields) : Edit;

/// <summary>A field and its text.</summary>
public sealed record FieldText(string Field, string Text);

/// <summary>Takes a thing away that no step uses.</summary>
public sealed record RemoveThing(string Id) : Edit;

/// <summary>Sets a field of a thing (of the header, where <paramref name="Id"/> is empty) from its text, as a cell of a table shows it.</summary>
public sealed record SetField(string Id, string Field, string Before, string After) : Edit;

/// <summary>Sets a field of the thing of this name: for edits that add a thing and do not know its id yet.</summary>
public sealed record SetFieldByName(string Name, string Field, string After) : Edit;

/// <summary>Writes a caution of a step in the author's words: in place of the one of this hazard (the usual one, too), or new where <paramref name="Hazard"/> is empty.</summary>
public sealed record WriteCaution(string Step, string Hazard, Caution Caution) : Edit;

/// <summary>Takes a caution off a step. A usual DANGER or WARNING does not go without a reason.</summary>
public sealed record DropCaution(string Step, string Hazard, string Reason) : Edit;

/// <summary>Brings a usual caution back that was taken off.</summary>
public sealed record BringCautionBack(string Step, string Hazard) : Edit;

/// <summary>
/// A figure of a step: new at its end (<paramref name="Was"/> null), another in the place of one, or gone (<paramref name="Now"/> null).
/// </summary>
/// <param name="Was">The figure as the author saw it.</param>
/// <param name="Now">The figure as it is to be; of the same id.</param>
public sealed record PutFigure(string Step, Figure? Was, Figure? Now) : Edit;

/// <summary>Takes a figure to a place among those of a step, from 0: the one it stands at, or another.</summary>
public sealed record MoveFigure(string Id, string Step, int Place) : Edit;

/// <summary>Several edits as one: all or none.</summary>
public sealed record Several(string Label, ImmutableArray<Edit> Edits) : Edit;
