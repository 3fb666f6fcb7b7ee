<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** The words before a colon, over a key and around a number by which exams say what a line is, in the languages they are typed in. */
final class Vocabulary
{
    public const QUESTION = 'questions?|q|item|exercise|problem|task|frage|aufgabe|exercice|pregunta|ejercicio|domanda|quesito|'.
        'esercizio|vraag|opgave'.
        '|pytanie|zadanie|questão|pergunta|exercício|no|nr|n°|№';

    public const ANSWER = '(?:the\s+)?(?:(?:correct|right|accepted|acceptable)\s+)?answers?(?:\s+(?:is|are))?|(?:correct|'.
        'right)(?:\s+(?:choices?|options?|responses?))?|ans|key|solutions?'.
        '|(?:richtige\s+)?antwort(?:en)?|lösung(?:en)?|richtig(?:\s+ist)?|(?:bonnes?\s+|la\s+)?réponses?(?:\s+correctes?|'.
        '\s+justes?)?|corrigé'.
        '|(?:la\s+)?respuestas?(?:\s+correctas?)?|soluci(?:ón|ones)|rispost[ae](?:\s+(?:corrett[ae]|esatt[ae]))?|soluzion[ei]'.
        '|(?:(?:juiste|goede)\s+)?antwoord(?:en)?|oplossing(?:en)?|(?:(?:prawidłowa|poprawna)\s+)?odpowied(?:ź|'.
        'zi)(?:\s+(?:prawidłowa|poprawna))?|klucz'.
        '|respostas?(?:\s+(?:corretas?|certas?))?|gabarito|soluç(?:ão|ões)';

    public const FEEDBACK = 'feedback|explanations?|because|reason(?:ing)?|rationale|comments?|erklärung|begründung|erläuterung|'.
        'kommentar|explications?'.
        '|justification|commentaire|explicaci(?:ón|ones)|justificación|comentario|spiegazione|motivazione|commento|uitleg|'.
        'toelichting|verklaring'.
        '|wyjaśnienie|uzasadnienie|komentarz|explicaç(?:ão|ões)|justificativa|comentário';

    public const HINT = 'hints?|tips?|clue|hinweis|tipp|indice|pista|suggerimento|wskazówka|dica';

    public const DIFFICULTY = 'difficulty(?:\s+level)?|schwierigkeit(?:sgrad)?|(?:niveau\s+de\s+)?difficulté|dificultad|'.
        'difficoltà|moeilijkheid(?:sgraad)?'.
        '|(?:poziom\s+)?trudnoś(?:ć|ci)|dificuldade';

    public const STANDARD = '(?:learning\s+|content\s+)?standards?|(?:learning\s+)?(?:objectives?|outcomes?)|kompetenz(?:en)?|'.
        'bildungsstandard|compétences?'.
        '|estándar(?:es)?|standard[ei]?|leerdoel(?:en)?|podstawa|habilidades?';

    public const TOPIC = 'topics?|thema|thème|sujet|temas?|argomento|onderwerp|temat|assunto';

    public const POINTS_WORD = 'marks?|points?|pts?|punkte?n?|pkt|punktów|punkty|punti|punto|puntos?|punt(?:en)?|pontos?|be';

    public const MODEL = '(?:model|sample|example|suggested|specimen|possible)\s+(?:answers?|responses?|solutions?)|'.
        'muster(?:lösung|antwort)|erwartungshorizont'.
        '|(?:réponse|corrigé)[\s-](?:modèle|type)|(?:respuesta|solución)\s+modelo|risposta\s+modello|modelantwoord|voorbeeldantwoord'.
        '|(?:odpowiedź\s+)?(?:wzorcowa|modelowa)|resposta\s+(?:modelo|esperada)';

    public const SCHEME = '(?:mark(?:ing)?|grading|scoring)\s+(?:scheme|guide|guidance|notes?|criteria|rubric)|rubric|'.
        'bewertung(?:sschema|skriterien|shinweise)?|barème'.
        '|(?:criterios|pauta)\s+de\s+(?:corrección|evaluación)|griglia\s+di\s+valutazione|correctievoorschrift|beoordeling(?:smodel)?'.
        '|kryteria\s+oceniania|critérios?\s+de\s+(?:correção|avaliação)';

    /** Over a key that stands apart; "Answers" alone, or with the part it is of. */
    public const KEY = '(?:exam\s+|quiz\s+|test\s+)?(?:answer\s+keys?|answers?(?:\s+(?:sheet|section|list))?|key|solutions?|'.
        '(?:marking|scoring|correction)\s+key|keys\s+and\s+answers)'.
        '|lösung(?:en|sschlüssel|steil)?|antworten|lösungen\s+und\s+antworten|(?:corrigés?|réponses|clé(?:\s+de\s+correction)?|'.
        'solutions)|grille\s+de\s+réponses'.
        '|(?:clave(?:\s+de\s+(?:respuestas|corrección))?|respuestas(?:\s+correctas)?|soluciones|solucionario)|(?:soluzioni|'.
        'risposte|chiave(?:\s+di\s+correzione)?|correttore)'.
        '|(?:antwoorden|antwoordmodel|antwoordenblad|oplossingen|sleutel|correctiemodel)|(?:klucz(?:\s+odpowiedzi)?|odpowiedzi|'.
        'rozwiązania)|(?:gabarito|respostas|soluções)';

    public const SECTION = 'part|section|unit|chapter|block|teil|abschnitt|kapitel|partie|section|chapitre|parte|sección|capítulo|'.
        'sezione|capitolo|deel|sectie|hoofdstuk'.
        '|część|rozdział|seção|secção';

    public const MATCH = 'match(?:es|ing)?|pair\s+(?:up|each)|connect|ordne\s+zu|zuordn\w*|ordnen\s+sie|verbinde\w*|associe[rz]?|'.
        'relie[rz]?|fais\s+correspondre|empareja\w*|relaciona\w*'.
        '|une\s+con|abbina\w*|collega\w*|associa\w*|koppel|verbind|combineer|dopasuj|połącz|przyporządkuj|relacione|ligue|correlacione';

    public const ORDER = 'in(?:to)?\s+(?:the\s+)?(?:correct\s+|right\s+|proper\s+|chronological\s+)?(?:order|sequence)|arrange|'.
        '(?:put|place)\b.{0,60}\border|rank\b|sequence\s+the|reihenfolge|ordne\b(?!.{0,40}\bzu\b)'.
        '|dans\s+l.ordre|ordonne[rz]?|classe[rz]?\b.{0,60}\bordre|en\s+orden|ordena\w*|in\s+ordine|metti\b.{0,60}\bordine|'.
        'in\s+(?:de\s+)?(?:juiste|goede)?\s*volgorde|w\s+kolejności|uporządkuj|ustaw'.
        '|em\s+ordem|ordene|coloque\b.{0,60}\bordem|oldest\s+to\s+youngest|youngest\s+to\s+oldest|(?:from|'.
        'starting\s+with)\s+(?:the\s+)?(?:oldest|earliest|smallest|lowest|first)';

    public const ESSAY = 'explain|describe|discuss|compare|contrast|evaluate|justify|analyse|analyze|outline|summarise|summarize|'.
        'argue|assess|account\s+for|suggest\s+(?:why|how)|write\s+(?:an?|about)'.
        '|erkläre\w*|beschreib\w*|erläuter\w*|diskutier\w*|vergleich\w*|begründe\w*|nimm\s+stellung|expliquez?|décri[srvez]+|'.
        'discutez|comparez?|justifiez?|argumentez'.
        '|explica\w*|describ[ea]\w*|discut\w*|compara\w*|justifica\w*|spiega\w*|descriv\w*|confronta\w*|leg\s+uit|beschrijf|'.
        'bespreek|vergelijk|verklaar|wyjaśnij|opisz|omów|porównaj|uzasadnij'.
        '|explique|descreva|discuta|compare|justifique';

    /** True and false, each with its short form. */
    public const TRUTH = [
        ['true', 'false', 't', 'f'], ['richtig', 'falsch', 'r', 'f'], ['wahr', 'falsch', 'w', 'f'], ['vrai', 'faux', 'v', 'f'],
        ['verdadero', 'falso', 'v', 'f'], ['vero', 'falso', 'v', 'f'], ['waar', 'onwaar', 'w', 'o'], ['juist', 'onjuist', 'j', 'o'],
        ['goed', 'fout', 'g', 'f'], ['prawda', 'fałsz', 'p', 'f'], ['verdadeiro', 'falso', 'v', 'f'], ['correct', 'incorrect', 'c', 'i'],
        ['right', 'wrong', 'r', 'w'], ['yes', 'no', 'y', 'n'], ['ja', 'nein', 'j', 'n'], ['ja', 'nee', 'j', 'n'], ['oui', 'non', 'o', 'n'],
        ['sí', 'no', 's', 'n'], ['sì', 'no', 's', 'n'], ['tak', 'nie', 't', 'n'], ['sim', 'não', 's', 'n'],
    ];

    /** Words of difficulty by their step, from 1. */
    public const STEPS = [
        1 => 'very easy|sehr leicht|très facile|muy fácil|molto facile|zeer makkelijk|bardzo łatw\w*|muito fácil|1',
        2 => 'easy|leicht|einfach|facile|fácil|makkelijk|łatw\w*|low|basic|2',
        3 => 'medium|moderate|average|mittel|moyen(?:ne)?|media|medio|gemiddeld|średni\w*|média|médio|standard|intermediate|3',
        4 => 'hard|difficult|schwer|schwierig|difficile|difícil|moeilijk|trudn\w*|high|advanced|challenging|4',
        5 => 'very (?:hard|difficult)|sehr schwer|très difficile|muy difícil|molto difficile|zeer moeilijk|bardzo trudn\w*|'.
            'muito difícil|expert|5',
    ];

    /** @return array{string, string}|null the two words as they are written with a capital, when the word is one of a pair */
    public static function pairOf(string $word): ?array
    {
        $word = mb_strtolower(trim($word, " \t.()[]"));
        foreach (self::TRUTH as [$true, $false]) {
            if (in_array($word, [$true, $false], true)) {
                return [self::capital($true), self::capital($false)];
            }
        }

        return null;
    }

    /** Pairs as alternatives of a pattern, the words joined by another one. */
    public static function pairs(string $between): string
    {
        return implode('|', array_map(fn (array $pair): string => "{$pair[0]}$between{$pair[1]}", self::TRUTH));
    }

    /**
     * @param  array{string, string}|null  $pair  where only one is meant
     * @return bool|null what a word says of a pair; null when neither
     */
    public static function truth(string $answer, ?array $pair = null): ?bool
    {
        $word = mb_strtolower(trim($answer, " \t.()[]"));
        foreach (self::TRUTH as [$true, $false, $t, $f]) {
            if ($pair !== null && mb_strtolower($pair[0]) !== $true) {
                continue;
            }
            if (in_array($word, [$true, $t], true)) {
                return true;
            }
            if (in_array($word, [$false, $f], true)) {
                return false;
            }
        }

        return null;
    }

    public static function step(string $words): ?int
    {
        foreach (self::STEPS as $step => $is) {
            if (preg_match("/^(?:$is)$/iu", trim($words, ' .')) === 1) {
                return $step;
            }
        }

        return null;
    }

    public static function capital(string $word): string
    {
        return mb_strtoupper(mb_substr($word, 0, 1)).mb_substr($word, 1);
    }
}
