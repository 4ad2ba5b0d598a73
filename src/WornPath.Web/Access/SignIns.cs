using System.Security.Claims;
using Microsoft.AspNetCore.Authentication;
using Microsoft.AspNetCore.Identity;
using WornPath.Store.Entities;

namespace WornPath.Web.Access;

/// <summary>Lets people in, and lets those who are in say again that it is they.</summary>
public sealed class SignIns(UserManager<Person> people, IPasswordHasher<Person> hasher, SecondFactor factor, SessionBook sessions,
    SignInGuard guard, KnownBrowsers browsers, Mailbox mail, AuditTrail audit)
{
    // Somebody who is not here takes as long as somebody who is.
    private static readonly Person Nobody = new() { UserName = "nobody" };
    private static string? _nobodysHash;

    /// <summary>What came of a try.</summary>
    public enum Answer
    {
        In,
        Wrong,
        Disabled,

        /// <summary>The password is right, and a code is asked for.</summary>
        CodeAsked,
        CodeWrong,

        /// <summary>Held off for a while.</summary>
        Wait,
    }

    /// <summary>What came of a try, and who is in.</summary>
    public sealed record Outcome(Answer Answer, ClaimsPrincipal? Principal = null, TimeSpan Wait = default);

    /// <summary>Tries to sign somebody in with this browser.</summary>
    public async Task<Outcome> EnterAsync(HttpContext context, string name, string password, string? code)
    {
        var person = await people.FindByNameAsync(name);
        var (attempt, wait, isNews) = guard.Begin(name, AuditTrail.AddressOf(context), browsers.Mark(context, person?.Id));
        if (attempt is null)
        {
            if (isNews) await audit.WriteAsync(AuditKind.SignInHeldOff, person);
            return new Outcome(Answer.Wait, Wait: wait);
        }

        if (!await IsRightAsync(person, password)) return await FailedAsync(person, Answer.Wrong, "password");
        if (person!.State != PersonState.Active) return await FailedAsync(person, Answer.Disabled, "disabled");
        if (person.HasFactor)
        {
            // The password alone is no whole try: it neither counts as wrong nor opens anything.
            if (string.IsNullOrWhiteSpace(code))
            {
                guard.TakeBack(attempt);
                return new Outcome(Answer.CodeAsked);
            }

            if (!await TakeCodeAsync(person, code)) return await FailedAsync(person, Answer.CodeWrong, "code");
        }

        guard.Right(attempt);
        // Whoever was signed in with this browser is so no more.
        if (sessions.Of(context.User) is { } former) await sessions.EndAsync(former.Id, SessionEnd.SignedOut);
        var (key, principal) = await sessions.BeginAsync(person, person.HasFactor, AuditTrail.AddressOf(context),
            context.Request.Headers.UserAgent.ToString());
        await context.SignInAsync(IdentityConstants.ApplicationScheme, PersonClaims.OfKey(key), new AuthenticationProperties { IsPersistent = true });
        if (browsers.Mark(context, person.Id) is null) mail.Tell(person, "Signed in with a browser not known here",
            $"From {AuditTrail.AddressOf(context)}. If it was not you, change your password and end that session under your name.");
        browsers.Note(context, person.Id);
        await audit.WriteAsync(AuditKind.SignedIn, person, text: person.HasFactor ? "with a second factor" : "");
        return new Outcome(Answer.In, principal);
    }

    /// <summary>Takes the password, or a code where there is a second factor, of who is signed in.</summary>
    public async Task<Outcome> ConfirmAsync(HttpContext context, string? password, string? code)
    {
        if (await people.FindByIdAsync(context.User.Id()) is not { } person
            || sessions.Of(context.User) is not { } session) return new Outcome(Answer.Wrong);
        var (attempt, wait, _) = guard.Begin(person.UserName!, AuditTrail.AddressOf(context), $"session {session.Id}");
        if (attempt is null) return new Outcome(Answer.Wait, Wait: wait);
        var isRight = string.IsNullOrWhiteSpace(code) ? await IsRightAsync(person, password ?? "") : await TakeCodeAsync(person, code);
        if (!isRight)
        {
            await audit.WriteAsync(AuditKind.ConfirmFailed, person);
            return new Outcome(Answer.Wrong);
        }

        guard.Right(attempt);
        session.ConfirmedAt = session.SeenAt;
        return new Outcome(Answer.In);
    }

    private async Task<bool> IsRightAsync(Person? person, string password)
    {
        if (person?.PasswordHash is not null) return await people.CheckPasswordAsync(person, password);
        hasher.VerifyHashedPassword(Nobody, _nobodysHash ??= hasher.HashPassword(Nobody, Hashes.NewSecret()), password);
        return false;
    }

    private async Task<bool> TakeCodeAsync(Person person, string code)
    {
        switch (await factor.TakeAsync(person, code))
        {
            case SecondFactor.Taken.Right:
                return true;
            case SecondFactor.Taken.RecoveryCode:
                await audit.WriteAsync(AuditKind.RecoveryCodeUsed, person, text: $"{await factor.LeftAsync(person.Id)} left");
                return true;
            case SecondFactor.Taken.UsedBefore:
                await audit.WriteAsync(AuditKind.CodeUsedTwice, person);
                mail.Tell(person, "A code of your second factor was given twice",
                    "If it was not you, somebody may have looked on: change your password.");
                return false;
            default:
                return false;
        }
    }

    private async Task<Outcome> FailedAsync(Person? person, Answer answer, string what)
    {
        await audit.WriteAsync(AuditKind.SignInFailed, person, text: person is null ? "a name that nobody has" : what);
        return new Outcome(answer);
    }
}
