using System.Globalization;
using WornPath.Core.Sheets;
using static WornPath.Core.Reading.TokenList;

namespace WornPath.Core.Reading;

/// <summary>
/// A pass over the words of a step that puts one way of telling as another the reader knows, before clauses are found. What it puts in stands where the
/// words are that it stands for, or nowhere.
/// </summary>
internal abstract class Straightening(List<Token> tokens, NameIndex names)
{
    // Nobody names a thing in more words.
    protected const int Longest = 5;

    protected List<Token> Tokens => tokens;

    /// <summary>Straightens what there is of it among the tokens.</summary>
    public void Run()
    {
        for (var i = 0; i < tokens.Count; i++)
            if (tokens[i].Kind is TokenKind.Word or TokenKind.Number) Look(i);
    }

    /// <summary>Looks at one word or number, and puts what begins or stands there as the reader knows it.</summary>
    protected abstract void Look(int i);

    protected NameIndex Names => names;

    /// <summary>The word or number at a place; empty where there is none.</summary>
    protected string At(int i) => i >= 0 && i < tokens.Count && tokens[i].Kind == TokenKind.Number ? tokens[i].Text : Word(tokens, i);

    /// <summary>At the start of a sentence or behind a mark.</summary>
    protected bool IsStart(int i) => i == 0 || i < tokens.Count && tokens[i - 1].Kind is TokenKind.Stop or TokenKind.Mark;

    /// <summary>A mark of this text.</summary>
    protected bool IsMark(int i, string text) => i >= 0 && i < tokens.Count && tokens[i].Kind == TokenKind.Mark && tokens[i].Text == text;

    /// <summary>A word that names something that is worked on: of the sheet, or of the trade.</summary>
    protected bool IsThing(string word) => word.Length > 0 && (names.IsHead(Stem.Of(word)) || Trade.IsThing(word));

    /// <summary>Where a name of the sheet begins that ends here, with its determiner; null where none does.</summary>
    protected int? StartOfName(int end) => TokenList.StartOfName(tokens, names, end);

    /// <summary>Says another word in the place of one.</summary>
    protected void Say(int i, string word) => tokens[i] = tokens[i] with { Text = word };

    /// <summary>Leaves words out.</summary>
    protected void Drop(int from, int to) => tokens.RemoveRange(from, to - from);

    /// <summary>Puts words, numbers or commas in before a place.</summary>
    protected void Put(int i, params IEnumerable<string> words) => Put(i, i, words);

    /// <summary>Puts words, numbers or commas in the place of others.</summary>
    protected void Put(int from, int to, params IEnumerable<string> words)
    {
        var at = from < to ? new Span(tokens[from].At.Start, tokens[to - 1].At.End - tokens[from].At.Start)
            : new Span(from > 0 ? tokens[from - 1].At.End : from < tokens.Count ? tokens[from].At.Start : 0, 0);
        tokens.RemoveRange(from, to - from);
        tokens.InsertRange(from, words.Select(w => new Token(w == "," ? TokenKind.Mark : char.IsAsciiDigit(w[0]) ? TokenKind.Number : TokenKind.Word, w, at)));
    }

    /// <summary>A number as it is put in.</summary>
    protected static string Said(int number) => number.ToString(CultureInfo.InvariantCulture);
}
