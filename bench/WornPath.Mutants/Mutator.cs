using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace WornPath.Mutants;

/// <summary>A place where code can be made wrong in one way.</summary>
/// <param name="File">The file, from the top of the checkout.</param>
/// <param name="Span">Where it stands.</param>
/// <param name="Line">The line, from 1.</param>
/// <param name="What">What is done to it.</param>
internal sealed record Site(string File, Microsoft.CodeAnalysis.Text.TextSpan Span, int Line, string What);

/// <summary>Finds the places of a file and writes the switches in.</summary>
internal static class Mutator
{
    /// <summary>The code of mutant n at a place; <see cref="Rewrite"/> puts it in the place of what stands there.</summary>
    private static string? Wrong(SyntaxNode node, int n)
    {
        var text = node.ToString();
        return node switch
        {
            BinaryExpressionSyntax binary when Other(binary.Kind()) is { } other => $"(Mutant.Is({n}) ? ({binary.Left} {other} {binary.Right}) : ({text}))",
            IsPatternExpressionSyntax => $"(Mutant.Is({n}) ? !({text}) : ({text}))",
            LiteralExpressionSyntax { RawKind: (int)SyntaxKind.TrueLiteralExpression } => $"(!Mutant.Is({n}))",
            LiteralExpressionSyntax { RawKind: (int)SyntaxKind.FalseLiteralExpression } => $"(Mutant.Is({n}))",
            LiteralExpressionSyntax { Token.Value: int value } => $"(Mutant.Is({n}) ? {value + 1} : {value})",
            WithExpressionSyntax { Expression: IdentifierNameSyntax kept } => $"(Mutant.Is({n}) ? {kept} : {text})",
            ExpressionStatementSyntax or YieldStatementSyntax { RawKind: (int)SyntaxKind.YieldReturnStatement } => $"{{ if (!Mutant.Is({n})) {text} }}",
            _ => null,
        };
    }

    private static string? Other(SyntaxKind kind) => kind switch
    {
        SyntaxKind.EqualsExpression => "!=",
        SyntaxKind.NotEqualsExpression => "==",
        SyntaxKind.LessThanExpression => "<=",
        SyntaxKind.LessThanOrEqualExpression => "<",
        SyntaxKind.GreaterThanExpression => ">=",
        SyntaxKind.GreaterThanOrEqualExpression => ">",
        SyntaxKind.LogicalAndExpression => "||",
        SyntaxKind.LogicalOrExpression => "&&",
        SyntaxKind.AddExpression => null,
        _ => null,
    };

    /// <summary>Every place of a file.</summary>
    public static IEnumerable<Site> SitesOf(string file, string text)
    {
        foreach (var node in CSharpSyntaxTree.ParseText(text).GetRoot().DescendantNodes())
        {
            if (Wrong(node, 0) is null || IsFixed(node)) continue;
            // What names a variable cannot stand twice; what a statement declares must be declared.
            if (node is not StatementSyntax
                && node.DescendantNodesAndSelf().Any(d => d is SingleVariableDesignationSyntax or DeclarationExpressionSyntax)) continue;
            if (node is ExpressionStatementSyntax statement && (statement.Expression is AssignmentExpressionSyntax or AwaitExpressionSyntax
                || statement.DescendantNodes().Any(d => d is SingleVariableDesignationSyntax or DeclarationExpressionSyntax))) continue;
            var line = node.GetLocation().GetLineSpan().StartLinePosition.Line + 1;
            yield return new Site(file, node.Span, line, $"{node.Kind()}: {Short(node.ToString())}");
        }
    }

    /// <summary>The file with these mutants in it, by number. Places do not lie within each other.</summary>
    public static string Rewrite(string text, IEnumerable<(int Number, Site Site)> mutants)
    {
        var nodes = CSharpSyntaxTree.ParseText(text).GetRoot().DescendantNodes().ToLookup(n => n.Span);
        foreach (var (number, site) in mutants.OrderByDescending(m => m.Site.Span.Start))
        {
            var wrong = nodes[site.Span].Select(n => Wrong(n, number)).First(w => w is not null)!;
            text = text[..site.Span.Start] + wrong + text[site.Span.End..];
        }

        return text;
    }

    // Constants, attributes, patterns, labels and sizes that the compiler must know.
    private static bool IsFixed(SyntaxNode node) =>
        node.Ancestors().Any(a => a is AttributeSyntax or ParameterSyntax or EnumMemberDeclarationSyntax or PatternSyntax
        or SwitchLabelSyntax or FieldDeclarationSyntax or GlobalStatementSyntax or InterpolatedStringExpressionSyntax or ThrowExpressionSyntax
        or LocalDeclarationStatementSyntax { IsConst: true });

    private static string Short(string text) => string.Join(' ', text.Split((char[]?)null, StringSplitOptions.RemoveEmptyEntries)) is var one
        && one.Length > 90 ? one[..90] + "…" : one;
}
