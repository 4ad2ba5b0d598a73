using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.StaticFiles;
using WornPath.Core;

namespace WornPath.Web.Hosting;

/// <summary>The client's files, and its page at the addresses it has pages for. Every other address is not there, and says so.</summary>
public static partial class ClientPages
{
    [GeneratedRegex(@"^/(index\.html|workshop(/[a-z-]{1,20})?|slips|uses|sign-in|join|people|me|r/\d{1,9}(/(write|joints|chart|ready|review|print|follow))?)?$")]
    private static partial Regex Page();

    /// <summary>True for an address the client shows a page at.</summary>
    public static bool Has(string path) => Page().IsMatch(path);

    public static void UseClientPages(this WebApplication app)
    {
        app.Use(async (context, next) =>
        {
            if ((HttpMethods.IsGet(context.Request.Method) || HttpMethods.IsHead(context.Request.Method)) && Has(context.Request.Path.Value ?? ""))
            {
                await SendAsync(context, app.Environment.WebRootFileProvider.GetFileInfo("index.html"));
                return;
            }

            await next(context);
        });
        app.UseStaticFiles(new StaticFileOptions
        {
            ContentTypeProvider = new FileExtensionContentTypeProvider(),
            OnPrepareResponse = context =>
                context.Context.Response.Headers.CacheControl = context.Context.Request.Path.StartsWithSegments("/assets")
                ? "public, max-age=31536000, immutable" : "no-cache",
        });
    }

    /// <summary>After the files and the routes: an address that is neither is not there, for anybody.</summary>
    public static void UseNothingElse(this WebApplication app)
    {
        app.UseRouting();
        app.Use((context, next) => context.GetEndpoint() is null ? NothingThere(context).ExecuteAsync(context) : next(context));
    }

    /// <summary>Says of an answer without words what it means: a method or a form an address does not take.</summary>
    public static Task InWordsAsync(StatusCodeContext answer)
    {
        var context = answer.HttpContext;
        var problem = context.Response.StatusCode switch
        {
            StatusCodes.Status405MethodNotAllowed => new Problem($"This address takes no {context.Request.Method}.",
                $"It takes: {context.Response.Headers.Allow}."),
            StatusCodes.Status415UnsupportedMediaType =>
                new Problem($"This address takes nothing of the form “{context.Request.ContentType}”.",
                "The description of the API says what it takes."),
            var status => new Problem($"The server answered {status}.", "Try again; if it stays, tell an administrator."),
        };
        return problem.ToHttp(context.Response.StatusCode).ExecuteAsync(context);
    }

    private static IResult NothingThere(HttpContext context) => context.Request.Path.StartsWithSegments("/api")
        ? Problems.NotThere("This address")
        : new Problem("There is nothing at this address.", "Begin at the shelf: /").ToHttp(StatusCodes.Status404NotFound);

    private static async Task SendAsync(HttpContext context, Microsoft.Extensions.FileProviders.IFileInfo page)
    {
        if (!page.Exists)
        {
            await new Problem("The client has not been built.", "Run ./run once.").ToHttp(StatusCodes.Status404NotFound).ExecuteAsync(context);
            return;
        }

        using var reader = new StreamReader(page.CreateReadStream());
        var text = (await reader.ReadToEndAsync(context.RequestAborted)).Replace("__NONCE__", PageHeaders.NonceOf(context));
        context.Response.ContentType = "text/html; charset=utf-8";
        context.Response.Headers.CacheControl = "no-cache";
        await context.Response.WriteAsync(text, context.RequestAborted);
    }
}
