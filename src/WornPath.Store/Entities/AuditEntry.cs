namespace WornPath.Store.Entities;

/// <summary>What is written down about access and administration.</summary>
public enum AuditKind
{
    SignedIn,
    SignInFailed,
    SignInHeldOff,
    SignedOut,
    SessionEnded,
    ConfirmFailed,
    PasswordChanged,
    FactorOn,
    FactorOff,
    RecoveryCodesMade,
    RecoveryCodeUsed,
    CodeUsedTwice,
    Invited,
    Joined,
    PersonChanged,
    Disabled,
    Enabled,
    Unlocked,
    Reset,
    BackupTaken,
    RestoreStaged,
    RestoreDropped,
    AuditTaken,
    WorkshopTakenOut,
}

/// <summary>One entry of the audit trail. Rows are only ever added.</summary>
public sealed class AuditEntry
{
    public long Id { get; set; }

    public DateTime At { get; set; }

    public AuditKind Kind { get; set; }

    /// <summary>Who did it, by name and account as they were then; empty for nobody who is known.</summary>
    public string Who { get; set; } = "";

    /// <summary>To whom, in the same way; empty where it was done to nobody.</summary>
    public string Whom { get; set; } = "";

    /// <summary>Where from.</summary>
    public string Address { get; set; } = "";

    /// <summary>What else is to be said: roles given, how often.</summary>
    public string Text { get; set; } = "";
}
