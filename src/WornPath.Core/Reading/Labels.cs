namespace WornPath.Core.Reading;

/// <summary>What is written on something is no way it goes: "the hose from port OUT to the pump", "to the union marked IN".</summary>
internal sealed class Labels(string text, List<Token> tokens, NameIndex names) : Straightening(tokens, names)
{
    // A text in capitals tells nothing by them.
    private readonly bool _capitalsTell = text.Any(char.IsLower);

    protected override void Look(int i)
    {
        if (_capitalsTell && i > 0 && Trade.Paths.Contains(At(i)) && Trade.Labelled.Contains(At(i - 1))
            && Tokens[i].At.Of(text).All(char.IsUpper)) Drop(i, i + 1);
    }
}
