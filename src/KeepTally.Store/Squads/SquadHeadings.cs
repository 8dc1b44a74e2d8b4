using System.Text;

namespace KeepTally.Store.Squads;

/// <summary>
/// What columns are called in the lists that clubs have, in the languages of Western, Northern and Central Europe. Common
/// practice; to know another word is to add it here.
/// </summary>
internal static class SquadHeadings
{
    private static readonly Dictionary<string, SquadField> Known = new(
        Words(
                SquadField.Name,
                "name, player, players, player name, full name, spieler, spielerin, spielername, joueur, joueuse, nom complet, nom et prenom, nom prenom, jugador, jugadora, nombre completo, nombre y apellidos, nome completo, giocatore, giocatrice, speler, naam, navn, namn, spiller, spelare, nimi, pelaaja, zawodnik, imie i nazwisko, hrac, jmeno a prijmeni, nev"
            )
            .Concat(
                Words(
                    SquadField.FirstName,
                    "first name, firstname, given name, forename, vorname, prenom, nombre, nome, voornaam, fornavn, fornamn, etunimi, imie, jmeno, keresztnev"
                )
            )
            .Concat(
                Words(
                    SquadField.LastName,
                    "last name, lastname, surname, family name, nachname, familienname, zuname, nom, nom de famille, apellido, apellidos, cognome, achternaam, etternavn, efternavn, efternamn, sukunimi, nazwisko, prijmeni, vezeteknev"
                )
            )
            .Concat(
                Words(
                    SquadField.Number,
                    "number, no, nr, num, n, shirt, shirt no, shirt number, jersey, jersey number, back number, kit number, squad number, ruckennummer, ruckennr, trikotnummer, trikot, numero, numero de maillot, maillot, dorsal, maglia, rugnummer, nummer, draktnummer, trojnummer, pelinumero, numer, cislo, mez"
                )
            )
            .Concat(
                Words(
                    SquadField.BirthYear,
                    "born, birth, birth year, birthyear, year of birth, yob, dob, date of birth, birth date, birthdate, birthday, geboren, geburtsdatum, geburtsjahr, geburtstag, jahrgang, ne le, nee le, naissance, date de naissance, annee de naissance, nacimiento, fecha de nacimiento, ano de nacimiento, nascita, data di nascita, anno di nascita, geboortedatum, geboortejaar, geboren op, fodt, fodselsdato, fodselsar, fodelsedatum, fodelsear, fodd, syntymaaika, syntymavuosi, data urodzenia, rok urodzenia, rocznik, datum narozeni, rok narozeni, rocnik"
                )
            )
            .Concat(
                Words(
                    SquadField.Positions,
                    "position, positions, pos, plays, poste, posicion, posiciones, posizione, ruolo, positie, posisjon, pelipaikka, pozycja, pozice"
                )
            )
            .Concat(
                Words(
                    SquadField.Hand,
                    "hand, throwing hand, shooting hand, stick hand, wurfhand, main, bras, mano, kastehand, reka, ruka"
                )
            )
            .Concat(
                Words(
                    SquadField.Notes,
                    "note, notes, remark, remarks, comment, comments, bemerkung, bemerkungen, notiz, notizen, remarque, remarques, nota, notas, observaciones, opmerking, opmerkingen, merknad, anmarkning, uwagi, poznamka"
                )
            ),
        StringComparer.Ordinal
    );

    /// <summary>Letters with marks and, place by place, the letters they are without. The runtime has no tables of its own for it.</summary>
    private const string Marked = "àáâãäåāăąçćčďđðèéêëēęěğìíîïīıłñńňòóôõöøőŕřśšşťţùúûüūůűýÿźžż";

    private const string Bare = "aaaaaaaaacccdddeeeeeeegiiiiiilnnnooooooorrsssttuuuuuuuyyzzz";

    /// <summary>What a column of this heading holds; null where the heading is not known.</summary>
    internal static SquadField? Of(string heading) =>
        heading.Trim() is "#" or "№" ? SquadField.Number
        : Known.TryGetValue(Plain(heading), out var field) ? field
        : null;

    private static IEnumerable<KeyValuePair<string, SquadField>> Words(SquadField field, string words) =>
        words.Split(", ").Select(word => KeyValuePair.Create(word, field));

    /// <summary>Small letters without their marks, one space where there was anything between words: "Né(e) le:" is "nee le".</summary>
    private static string Plain(string heading)
    {
        var plain = new StringBuilder();
        var before = ' ';
        foreach (var letter in heading.Replace("(e)", "e", StringComparison.Ordinal))
        {
            // Words written together, as in a program, are told apart by their capitals.
            if (char.IsUpper(letter) && char.IsLower(before))
            {
                plain.Append(' ');
            }

            var small = char.ToLowerInvariant(letter);
            plain.Append(
                Marked.IndexOf(small, StringComparison.Ordinal) is >= 0 and var at ? Bare[at]
                : char.IsLetter(small) ? small
                : ' '
            );
            before = letter;
        }

        return string.Join(' ', plain.ToString().Split(' ', StringSplitOptions.RemoveEmptyEntries));
    }
}
