using KeepTally.Core.Cards;
using KeepTally.Core.Judgement;
using KeepTally.Core.Text;

namespace KeepTally.Core.Words;

/// <summary>A player who stands far from the rest of the squad, told kindly: what might help, not who is better.</summary>
public static class ApartWords
{
    /// <param name="name">The player's name.</param>
    /// <param name="apart">The player's share less that of the others.</param>
    /// <param name="card">The drill card.</param>
    public static string Of(string name, ShareDifference apart, DrillCard card) =>
        apart.Value < 0
            ? $"{ShareWords.Plain(apart.First)} against {ShareWords.Plain(apart.Second)} of the others is more than chance. {card.Name} asks more of {name} than of them just now{Form(card.Easier, "; the card's easier form may help: ")}"
            : $"{ShareWords.Plain(apart.First)} against {ShareWords.Plain(apart.Second)} of the others is more than chance. {name} has outgrown {card.Name} as it is{Form(card.Harder, "; the card's harder form may suit: ")}";

    private static string Form(IReadOnlyList<string> forms, string words) =>
        forms.Count > 0 ? $"{words}{Phrase.Small(forms[0]).TrimEnd('.')}." : ".";
}
