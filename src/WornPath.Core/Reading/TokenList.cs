namespace WornPath.Core.Reading;

/// <summary>Looks at places of a list of tokens, also past its ends.</summary>
internal static class TokenList
{
    /// <summary>The word at a place; empty where there is none.</summary>
    public static string Word(List<Token> tokens, int at) => at >= 0 && at < tokens.Count && tokens[at].Kind == TokenKind.Word ? tokens[at].Text : "";

    /// <summary>Behind the last token, or at a mark or the end of a sentence.</summary>
    public static bool IsEnd(List<Token> tokens, int at) => at >= tokens.Count || tokens[at].Kind is TokenKind.Mark or TokenKind.Stop;

    /// <summary>At the start of a sentence, behind a mark, or behind what leads in.</summary>
    public static bool Begins(List<Token> tokens, int at) => at == 0 || at <= tokens.Count && tokens[at - 1].Kind is TokenKind.Mark or TokenKind.Stop
        || Word(tokens, at - 1) is "and" or "then" or "next" or "now" or "finally";
}
