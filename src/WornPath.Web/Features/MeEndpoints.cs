using System.ComponentModel.DataAnnotations;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using WornPath.Core;
using WornPath.Store;
using WornPath.Store.Entities;
using WornPath.Web.Access;
using WornPath.Web.Demo;

namespace WornPath.Web.Features;

/// <summary>Somebody's own access: password, second factor, sessions.</summary>
public static class MeEndpoints
{
    /// <summary>Somebody's own access.</summary>
    /// <param name="FactorNeeded">True where a role asks for a second factor.</param>
    /// <param name="RecoveryCodes">How many recovery codes are left.</param>
    /// <param name="HasCalendar">True where there is an address of her calendar.</param>
    public sealed record MeView(string UserName, string Name, string? Email, IReadOnlyList<string> Roles, bool HasFactor,
        bool FactorNeeded, int RecoveryCodes, bool HasCalendar, IReadOnlyList<SessionLine> Sessions);

    /// <summary>A session that goes on.</summary>
    /// <param name="IsThis">The one that asks.</param>
    public sealed record SessionLine(int Id, DateTime BegunAt, DateTime SeenAt, DateTime EndsAt, string Address, string Browser,
        bool WithFactor, bool IsThis);

    /// <summary>Another password.</summary>
    public sealed record NewPassword([property: Required, MaxLength(200)] string Password);

    /// <summary>A code, to show that the app has the secret.</summary>
    public sealed record CodeForm([property: Required, MaxLength(40)] string Code);

    /// <summary>Recovery codes, shown once.</summary>
    public sealed record Codes(IReadOnlyList<string> RecoveryCodes);

    private const string Unasked = "If it was not you, tell an administrator at once.";

    public static void MapMe(this IEndpointRouteBuilder api)
    {
        var me = api.MapGroup("/me").WithTags("Me").RequireAuthorization(Policies.SignedIn);
        me.MapGet("", GetAsync).WithName("GetMe");
        me.MapPut("/password", ChangePasswordAsync).AskingAgain(eachTime: true).WithName("ChangePassword");
        me.MapPost("/factor", BeginFactorAsync).AskingAgain().WithName("BeginFactor");
        me.MapPut("/factor", KeepFactorAsync).WithName("KeepFactor");
        me.MapDelete("/factor", DropFactorAsync).AskingAgain().WithName("DropFactor");
        me.MapPost("/recovery-codes", NewCodesAsync).AskingAgain().WithName("NewRecoveryCodes");
        me.MapDelete("/sessions", EndOthersAsync).WithName("EndOtherSessions");
        me.MapDelete("/sessions/{session:int}", EndAsync).WithName("EndSession");
    }

    private static async Task<Ok<MeView>> GetAsync(HttpContext context, UserManager<Person> people, WornPathDb db, SecondFactor factor,
        AccessOptions options, DemoMode demo)
    {
        var (person, mine) = (await MeAsync(context, people), context.User.SessionId());
        var sessions = await db.Sessions.AsNoTracking().Where(s => s.PersonId == person.Id && s.EndedAt == null).OrderByDescending(s => s.SeenAt)
            .Select(s => new SessionLine(s.Id, s.BegunAt, s.SeenAt, s.EndsAt, s.Address, s.Browser, s.WithFactor, s.Id == mine)).ToListAsync();
        var roles = await people.GetRolesAsync(person);
        return TypedResults.Ok(new MeView(person.UserName!, person.DisplayName, person.Email, [.. roles], person.HasFactor, !demo.IsOn
            && roles.Intersect(options.FactorFor).Any(), await factor.LeftAsync(person.Id), person.CalendarKeyHash is not null, sessions));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> ChangePasswordAsync(NewPassword form, HttpContext context,
        UserManager<Person> people, People access, SessionBook sessions)
    {
        if (await access.ChangePasswordAsync(await MeAsync(context, people), form.Password,
            context.User.SessionId()) is not { } problem) return TypedResults.NoContent();
        // What she confirmed stands: only the new password has to be another.
        if (sessions.Of(context.User) is { } session) session.ConfirmedAt = session.SeenAt;
        return problem.ToHttp();
    }

    private static async Task<Results<Ok<SecondFactor.Setup>,
        ProblemHttpResult>> BeginFactorAsync(HttpContext context, UserManager<Person> people, SessionBook sessions)
    {
        var person = await MeAsync(context, people);
        if (person.HasFactor) return Problems.Refused(new Problem("There is a second factor already.", "Take it away first; then set up another."));
        if (sessions.Of(context.User) is not { } session) return Problems.NotThere("This session");
        return TypedResults.Ok(SecondFactor.SetupOf(session.NewFactor = SecondFactor.NewSecret(), person.UserName!));
    }

    private static async Task<Results<Ok<Codes>, ProblemHttpResult>> KeepFactorAsync(CodeForm form, HttpContext context,
        UserManager<Person> people, SecondFactor factor, FactorKeys keys, SessionBook sessions, AuditTrail audit, Mailbox mail, WornPathDb db)
    {
        if (sessions.Of(context.User) is not { NewFactor: { } secret } session) return Problems.Refused(new Problem("No second factor is being set up.", "Begin again."));
        if (factor.StepOf(secret, form.Code) is not { } step) return new Problem("This code is not of the secret shown.",
            "Look whether the clock of the device is right, and give the code it shows now.").ToHttp();
        var person = await MeAsync(context, people);
        IReadOnlyList<string> codes;
        await using (var transaction = await db.Database.BeginTransactionAsync())
        {
            (person.FactorSecret, person.FactorStep) = (keys.Protect(secret), step);
            await people.UpdateAsync(person);
            codes = await factor.NewRecoveryCodesAsync(person);
            await audit.WriteAsync(AuditKind.FactorOn, person);
            await transaction.CommitAsync();
        }

        session.NewFactor = null;
        mail.Tell(person, "A second factor was set up", Unasked);
        await sessions.EndAllAsync(person.Id, SessionEnd.Changed, but: session.Id);
        sessions.Changed(person.Id);
        return TypedResults.Ok(new Codes(codes));
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> DropFactorAsync(HttpContext context, UserManager<Person> people,
        SessionBook sessions, AuditTrail audit, Mailbox mail, AccessOptions options, DemoMode demo, WornPathDb db)
    {
        var person = await MeAsync(context, people);
        if (!demo.IsOn && (await people.GetRolesAsync(person)).Intersect(options.FactorFor).FirstOrDefault() is { } role)
            return Problems.Refused(new Problem($"Who is {role} needs a second factor here.",
                "To take another device, have an administrator reset your access."));
        await using (var transaction = await db.Database.BeginTransactionAsync())
        {
            person.FactorSecret = null;
            await people.UpdateAsync(person);
            await db.RecoveryCodes.Where(c => c.PersonId == person.Id).ExecuteDeleteAsync();
            await audit.WriteAsync(AuditKind.FactorOff, person);
            await transaction.CommitAsync();
        }

        mail.Tell(person, "Your second factor was taken away", Unasked);
        await sessions.EndAllAsync(person.Id, SessionEnd.Changed, but: context.User.SessionId());
        return TypedResults.NoContent();
    }

    private static async Task<Results<Ok<Codes>, ProblemHttpResult>> NewCodesAsync(HttpContext context, UserManager<Person> people,
        SecondFactor factor, AuditTrail audit, Mailbox mail)
    {
        var person = await MeAsync(context, people);
        if (!person.HasFactor) return Problems.Refused(new Problem("There is no second factor.", "Set one up first."));
        var codes = await factor.NewRecoveryCodesAsync(person);
        await audit.WriteAsync(AuditKind.RecoveryCodesMade, person);
        mail.Tell(person, "New recovery codes were made", Unasked);
        return TypedResults.Ok(new Codes(codes));
    }

    private static async Task<NoContent> EndOthersAsync(HttpContext context, UserManager<Person> people, SessionBook sessions, AuditTrail audit)
    {
        var person = await MeAsync(context, people);
        await sessions.EndAllAsync(person.Id, SessionEnd.EndedElsewhere, but: context.User.SessionId());
        await audit.WriteAsync(AuditKind.SessionEnded, person, text: "all others");
        return TypedResults.NoContent();
    }

    private static async Task<Results<NoContent, ProblemHttpResult>> EndAsync(int session, HttpContext context,
        UserManager<Person> people, SessionBook sessions, AuditTrail audit, WornPathDb db)
    {
        var person = await MeAsync(context, people);
        if (!await db.Sessions.AnyAsync(s => s.Id == session && s.PersonId == person.Id
            && s.EndedAt == null)) return Problems.NotThere("This session");
        await sessions.EndAsync(session, SessionEnd.EndedElsewhere);
        await audit.WriteAsync(AuditKind.SessionEnded, person);
        return TypedResults.NoContent();
    }

    private static async Task<Person> MeAsync(HttpContext context, UserManager<Person> people) =>
        await people.FindByIdAsync(context.User.Id()) ?? throw new InvalidOperationException("The person of a session is not there.");
}
