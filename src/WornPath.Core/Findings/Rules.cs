using WornPath.Core.Reading;
using System.Collections.Concurrent;
using System.Collections.Immutable;
using WornPath.Core.Findings.Catalogue;
using WornPath.Core.Sheets;
using WornPath.Core.Tightening;
using WornPath.Core.Walking;
using WornPath.Core.Workshops;

namespace WornPath.Core.Findings;

/// <summary>The catalogue of rules, and the findings of all of them.</summary>
public static class Rules
{
    /// <summary>Every rule, by id.</summary>
    public static readonly ImmutableArray<Rule> All =
    [
        new JointLeftOut(),
        new JointLeftSlack(),
        new PartNotRefitted(),
        new AidLeftInPlace(),
        new LeftOpen(),
        new LetGo(),
        new AngleLeftOut(),
        new LimitsBackwards(),
        new OldPartLeftIn(),
        new ConnectionLeftOpen(),
        new PedalLeftSoft(),
        new VehicleNotOnGround(),
        new JointNotLocked(),
        new FluidNotChecked(),
        new RemovedWhileHeld(),
        new FittedBeforeWhatGoesUnder(),
        new PutTogetherElsewhere(),
        new TightenedOverNothing(),
        new NoValueAtFinalTorque(),
        new WheelTorquedInTheAir(),
        new BeyondWhatItBears(),
        new TooLittleToHold(),
        new UnitSlipped(),
        new LookAlikeJoints(),
        new NoWrenchCovers(),
        new WrenchOverdue(),
        new ThreadStrips(),
        new NoPattern(),
        new DryValueOnTreatedThread(),
        new LockerOnLockNut(),
        new HighStrengthOnSmallScrew(),
        new LockerNearPlastic(),
        new DriveDoesNotFit(),
        new OthersNotStarted(),
        new ConditionNotMet(),
        new NotTurned(),
        new NotStartedByHand(),
        new NeverApplied(),
        new NotCleaned(),
        new GreaseBesideBrake(),
        new FittedWhileOn(),
        new LoosenedWhileOut(),
        new RemovedBeforeWhatCovers(),
        new TakenAwayWhileAway(),
        new ConnectedWhileConnected(),
        new VagueTightness(),
        new PointingWord(),
        new LongSentence(),
        new NotRenewed(),
        new UnderWhileRaised(),
        new LetGoTooSoon(),
        new NotOnThisVariant(),
        new NothingDiffers(),
        new UnknownOption(),
        new ValueMissingForVariant(),
        new OtherValueHere(),
        new MeasuredAgainstNothing(),
        new NoWordOnAFail(),
        new TableDoesNotClose(),
        new ReferredBeforeMeasured(),
        new HardestNotFirst(),
        new HoldLetGo(),
        new CircleOfCovers(),
        new StartedBeforeItsPart(),
        new TakenOffWhileOff(),
        new StartedWhileTight(),
        new OnAndShouldBeOff(),
        new LockedOtherwise(),
        new NoSpare(),
        new NewPartNotListed(),
        new LockNutReused(),
        new ToolNotListed(),
        new NoToolFits(),
        new OldSizeUnknown(),
        new NoAlternative(),
        new HeavyForOne(),
        new NoQualifiedCheck(),
        new PressureNotRelieved(),
        new SaidAfterTheHazard(),
        new BatteryStillConnected(),
        new TwoTreatments(),
        new CureNotWaitedFor(),
        new CureCutShort(),
        new PassesDoNotRise(),
        new TorquedTwice(),
        new NoRetorque(),
        new OtherAngleSaid(),
        new SourceWithoutPage(),
        new QuantityWithoutSource(),
        new ValueUnverified(),
        new ReadingDiffers(),
        new EditionSuperseded(),
        new KeptValueRenewed(),
        new NotTheKeptValue(),
        new BlockRenewed(),
        new QuantityEditionSuperseded(),
        new TwoInstructions(),
        new NotVerbFirst(),
        new ConditionAfter(),
        new LeftRightUndefined(),
        new RefusedWord(),
        new OtherCountSaid(),
        new ValueWithoutSource(),
        new QuestionOpen(),
        new FileSaysOtherwise(),
        new OtherTorqueSaid(),
        new OtherClassSaid(),
        new OtherSizeSaid(),
        new OtherTreatmentSaid(),
        new OtherConditionSaid(),
        new GoesBackAndShouldNot(),
        new PinInPlainNut(),
        new ChocksAmiss(),
        new LoweredTooSoon(),
        new BrokenLooseInTheAir(),
        new OneStand(),
        new OnASlope(),
        new SpringNotHeld(),
        new HungByItsHose(),
        new PedalWhileOff(),
        new ParkingBrakeOn(),
        new HotParts(),
        new NothingUnderIt(),
        new UsedBeforeReady(),
        new DrivenBeforeChecked(),
        new BearingOutOfOrder(),
        new LockedBeforeTorque(),
        new TurnedBackToSlot(),
        new RetorqueBeforeUse(),
        new AdjustedThenTorqued(),
        new NeverLoosened(),
        new MovedAfterTorque(),
        new TooShort(),
        new UndoneWithLockOn(),
        new ConnectedElsewhere(),
        new TreatedAfterStart(),
        new TreatedInPart(),
        new GreaseOnFriction(),
        new BearingDry(),
        new NothingToCatchIt(),
        new DrainedThroughClosed(),
        new FilledWhileOpen(),
        new FillPlugFirst(),
        new OtherAmount(),
        new LimitWithoutUnit(),
        new AlignmentNotChecked(),
        new Hedged(),
        new ValueWithoutUnit(),
        new ShownNowhere(),
        new ShownElsewhere(),
        new NotDescribed(),
        new BalloonElsewhere(),
        new ClosedOverUnfinished(),
        new EngineCanStart(),
        new UnderAnImplement(),
        new LevelElsewhere(),
        new OneSideOnly(),
        new RepeatsWhatIsNotBefore(),
    ];

    /// <summary>The severity of each rule, by its id.</summary>
    public static readonly IReadOnlyDictionary<string, Severity> Severities = All.ToDictionary(r => r.Info.Id, r => r.Info.Severity);

    private static readonly ImmutableArray<ThingRule<Joint>> _ofJoints = [.. All.OfType<ThingRule<Joint>>()];
    private static readonly ImmutableArray<ThingRule<Part>> _ofParts = [.. All.OfType<ThingRule<Part>>()];
    private static readonly ImmutableArray<ThingRule<Thing>> _ofThings = [.. All.OfType<ThingRule<Thing>>()];
    private static readonly ImmutableArray<StepRule> _ofSteps = [.. All.OfType<StepRule>()];
    private static readonly Memo<Step, HouseRules, StepRule[]> _concerned = new(ConcernedWith, ReferenceEquals);

    // Most steps concern the same few rules: they share one list of them.
    private static readonly ConcurrentDictionary<long, StepRule[]> _lists = new() { [0] = [] };

    private static readonly ImmutableArray<Rule> _others = [.. All.Where(r => r is not (ThingRule<Joint> or ThingRule<Part> or ThingRule<Thing> or StepRule))];

    /// <summary>What all rules find on a walk: in the order of the steps, the gravest first at each.</summary>
    public static ImmutableArray<Finding> Find(Walk walk)
    {
        var found = new Found();
        Prepare(walk.Sheet, walk.Workshop);
        foreach (var thing in walk.Sheet.Things)
        {
            foreach (var rule in _ofThings) rule.Find(walk, thing, found);
            if (thing is Joint joint)
                foreach (var rule in _ofJoints) rule.Find(walk, joint, found);
            else if (thing is Part part)
                foreach (var rule in _ofParts) rule.Find(walk, part, found);
        }

        for (var i = 0; i < walk.Steps.Count; i++)
            foreach (var rule in _concerned.Of(walk.Steps[i], walk.Workshop.Rules)) rule.Find(walk, i, found);
        foreach (var rule in _others) found.Add(rule.Find(walk));
        return Sorted(OnSides.Of(walk, found.All).Select(f => Agreement.Of(f, walk.Whole.Find))
            .Select(f => walk.Workshop.Rules.SeverityOf(f.Rule, f.Severity) is var own && own != f.Severity ? f with { Severity = own } : f));
    }

    /// <summary>
    /// Of a long sheet that is opened nothing is known yet: what a step says and which rules it concerns, what a name tells, and how a
    /// joint is judged, hang on nothing else, so that all cores can find it before the walk asks.
    /// </summary>
    internal static void Prepare(Sheet sheet, Workshop workshop)
    {
        var count = sheet.Phases.Sum(p => p.Steps.Length);
        if (count < SheetSize.ManySteps || _concerned.IsKnown(sheet.Phases.Last(p => p.Steps.Length > 0).Steps[^1], workshop.Rules)) return;
        Parallel.ForEach(sheet.Steps, step => _concerned.Of(step, workshop.Rules));
        Parallel.ForEach(sheet.Things, thing => Natures.Is(thing, default));
        Parallel.ForEach(sheet.Joints, joint => JointJudgement.Of(joint, workshop));
    }

    // A bit each: there are fewer than 64.
    private static StepRule[] ConcernedWith(Step step, HouseRules rules)
    {
        var which = 0L;
        for (var i = 0; i < _ofSteps.Length; i++)
            if (_ofSteps[i].Concerns(step, rules)) which |= 1L << i;
        return _lists.TryGetValue(which, out var list) ? list : _lists.GetOrAdd(which, static w => [.. _ofSteps.Where((_, i) => (w & (1L << i)) != 0)]);
    }

    /// <summary>Findings in the order of the steps, the gravest first at each; what a step says twice is found once.</summary>
    internal static ImmutableArray<Finding> Sorted(IEnumerable<Finding> findings) =>
        [
            .. findings.DistinctBy(f => (f.Rule, f.Step, f.Thing, f.Side, f.Message, f.For))
                .OrderBy(f => f.StepNumber ?? 0).ThenByDescending(f => f.Severity).ThenBy(f => f.Rule, StringComparer.Ordinal),
        ];
}
