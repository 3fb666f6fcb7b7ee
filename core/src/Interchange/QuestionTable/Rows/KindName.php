<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

/** What kind of question a row is, as people write it in a table. */
enum KindName: string
{
    case Single = 'one right option';
    case Several = 'several right options';
    case Truth = 'true or false';
    case Text = 'short text';
    case Number = 'number';
    case Pairs = 'matching';
    case Groups = 'grouping';
    case Sequence = 'ordering';
    case Essay = 'long answer';

    private const WORDS = [
        'several right options' => 'multiple[ -]?(?:response|answers?|select(?:ion)?|correct|choices?,? several)|mr(?:q)?|ma|several|'.
            'multi[ -]?(?:select|answer|response)|check ?box(?:es)?|select all(?: that apply)?|choice \(?several\)?|'.
            'mehrfach(?:auswahl|wahl)?|'.
            'mehrfachantwort|choix multiples?|réponses? multiples?|selección múltiple|respuesta múltiple|scelta plurima|risposta multipla|'.
            'meerdere antwoorden|wielokrotny wybór|wielokrotnego wyboru|múltiplas respostas|pick several',
        'one right option' => 'multiple[ -]?choice(?: ?\(?(?:single|one)(?: answer)?\)?)?|mcq?|choice|single|sc|'.
        'single[ -]?(?:choice|answer|'.
            'select)|one|radio(?: buttons?)?|best answer|sba|pick one|einfach(?:auswahl|wahl)|auswahl|mc-frage|choix unique|qcm|qcu|'.
            'opción múltiple|selección única|elección|scelta (?:multipla|singola)|meerkeuze|mk|wybór|jednokrotny wybór|jednokrotnego '.
            'wyboru|test|múltipla escolha|escolha(?: única| múltipla)?|drop ?-?down|menu',
        'true or false' => 't ?\/ ?f|tf|true ?(?:[\/-]|or|and)? ?false|right ?(?:[\/-]|or) ?wrong|yes ?(?:[\/-]|or) ?no|boolean|binary|'.
            'richtig ?(?:[\/-]|oder) ?falsch|wahr ?(?:[\/-]|oder) ?falsch|rf|ja ?\/ ?nein|vrai ?(?:[\/-]|ou|et)? ?faux|vf|v ?\/ ?f|'.
            'verdadero ?(?:[\/-]|o|y) ?falso|vero ?(?:[\/-]|o|e) ?falso|waar ?(?:[\/-]|of)? ?(?:niet ?waar|onwaar)|'.
            'juist ?(?:[\/-]|of) ?onjuist|'.
            'goed ?(?:[\/-]|of) ?fout|prawda ?(?:[\/-]|czy|lub)? ?fałsz|verdadeiro ?(?:[\/-]|ou|e) ?falso',
        'number' => 'num(?:ber|eric(?:al)?(?: (?:answer|response))?)?|nr|calculat(?:ed|ion)|integer|decimal|zahl|numerisch|rechnen|nombre|'.
            'numérique|número|numérico|numerica?|numero|numerieke?|getal|liczba|liczbow[ea]',
        'matching' => 'match(?:ing|es)?|pairs?|pairing|zuordnung(?:saufgabe)?|zuordnen|paare|association|appariement|associer|'.
            'emparejamiento|emparejar|relacionar|abbinamento|corrispondenza|koppelen|koppelvraag|combineren|dopasowanie|łączenie|'.
            'associação|correspondência|relacione',
        'grouping' => 'group(?:ing|s)?|sort(?:ing)?|categori[sz](?:e|ing|ation)|classif(?:y|ication)|gruppieren|gruppierung|einordnen|'.
            'classement|catégoriser|clasificar|clasificación|raggruppare|classificare|groeperen|grupowanie|agrupar|classificação',
        'ordering' => 'order(?:ing)?|sequenc(?:e|ing)|rank(?:ing)?|arrange|reihenfolge|anordnung|ordnen|sortieren|ordre|'.
            'ordonner|mise en ordre|ordenar|ordenación|secuencia|ordinamento|ordinare|sequenza|volgorde|ordenen|porządkowanie|kolejność|'.
            'ordenação',
        'long answer' => 'essay|long(?:[ -](?:answer|text|response))?|open(?:[ -](?:ended|question|answer))?|free(?:[ -](?:text|'.
        'response))?|'.
            'extended(?: response)?|paragraph|freitext|aufsatz|offen(?:e frage)?|langtext|rédaction|question ouverte|'.
            'réponse longue|ouverte|'.
            'ensayo|redacción|pregunta abierta|abierta|desarrollo|tema|saggio|domanda aperta|aperta|open vraag|opstel|esej|rozprawka|'.
            'pytanie otwarte|otwarte|dissertação|dissertativa|aberta|by hand|marked by hand',
        'short text' => 'short(?:[ -](?:answer|text|response))?|sa(?:q)?|text|word|words|'.
        'fill(?:[ -]?in)?(?:[ -](?:the[ -])?(?:gaps?|blanks?))?|'.
            'fib|gaps?(?:[ -]?fill)?|blanks?|completion|complete|typed|kurzantwort|lückentext|lücke|wort|kurztext|réponse courte|texte '.
            'à trous|texte|compléter|mot|respuesta corta|completar|rellenar|texto|risposta breve|completamento|testo|'.
            'kort antwoord|invul(?:len|vraag)?|'.
            'krótka odpowiedź|luki|uzupełnianie|resposta curta|preencher|lacunas?',
    ];

    public static function of(string $words): ?self
    {
        $plain = mb_strtolower(trim((string) preg_replace('/[\s_]+/u', ' ', $words), ' .:'));
        $plain = (string) preg_replace('/ ?(?:question|frage|aufgabe|questions|pregunta|domanda|vraag|pytanie|questão)$/u', '', $plain);
        foreach (self::cases() as $kind) {
            if ($plain === $kind->value) {
                return $kind;
            }
        }
        foreach (self::WORDS as $kind => $pattern) {
            if (preg_match("/^(?:$pattern)$/u", $plain) === 1) {
                return self::from($kind);
            }
        }

        return null;
    }

    /** Whether its options are there to be chosen from. */
    public function isChoice(): bool
    {
        return in_array($this, [self::Single, self::Several, self::Truth], true);
    }
}
