<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Mapping;

/** What the words over a column say that it holds, in the languages tables are made in: English, German, French, Spanish, Italian, Dutch,
 * Polish, Portuguese.
 */
final readonly class Heading
{
    private const OPTION = 'option|choice|alternative|possible answers?|answer (?:option|choice)|response option|antwortmöglichkeit|'.
        'auswahl|wahl|möglichkeit|choix|proposition|opción|opcion|opzione|scelta|alternativa|optie|keuze|keuzemogelijkheid|opcja|'.
        'wariant|opção|opcao|answer|antwort|réponse|reponse|respuesta|risposta|antwoord|odpowiedź|odpowiedz|resposta';

    private const RIGHT = 'right|correct|true|richtige?|korrekte?|correcte?|juste?|bonne|correcta|corretta|giusta|esatta|juiste?|goede?|'.
        'prawidłowa|poprawna|correta|certa';

    private const WRONG = 'wrong|incorrect|false|distract(?:o|e)r|falsche?|distraktor|incorrecte?|fausse?|mauvaise|incorrecta|falsa|'.
        'errata|sbagliata|foute?|onjuiste?|afleider|błędna|niepoprawna|dystraktor|incorreta|errada|distrattore';

    private const ANSWER = 'answers?|key|answer key|solutions?|response|ans|antwort(?:en)?|lösung(?:en)?|schlüssel|réponses?|reponses?|'.
        'corrigé|solution|clé|respuestas?|solución|clave|rispost[ae]|soluzione|chiave|antwoord(?:en)?|oplossing|sleutel|'.
        'odpowied(?:ź|zi)|klucz|respostas?|gabarito|solução|accepted answers?';

    private const FEEDBACK = 'feedback|explanation|rationale|comment|reason(?:ing)?|rückmeldung|erklärung|begründung|erläuterung|'.
        'kommentar|explication|justification|commentaire|rétroaction|retroalimentación|explicación|comentario|spiegazione|commento|'.
        'uitleg|toelichting|terugkoppeling|wyjaśnienie|uzasadnienie|komentarz|informacja zwrotna|explicação|comentário|justificativa';

    /** In order: the first that fits holds. */
    private const PLAIN = [
        'identifier' => 'identifier|(?:question |item )?id|uuid|guid|kennung|id nr|identifiant|identificador|identificativo|'.
            'identificatie|identyfikator|(?:question |item )?code|ref(?:erence)?|key ?id',
        'kind' => '(?:question |item )?(?:type|kind|format)|(?:frage|aufgaben)(?:typ|art)|typ|art|type(?: de question)?|genre|'.
            'tipo(?: de pregunta| di domanda| de questão)?|soort|vraagtype|(?:typ|rodzaj)(?: pytania)?',
        'title' => '(?:question |item )?(?:title|name|label)|titel|überschrift|name|titre|nom|título|titulo|titolo|nome|naam|tytuł|nazwa',
        'question' => '(?:the )?(?:question|item|stem|prompt)(?: ?(?:text|stem|wording|body|prompt))?|text|wording|task|problem|'.
            '(?:frage|aufgaben?)(?:text|stellung|stamm)?|énoncé|enoncé|enonce|question|consigne|pregunta|enunciado|texto(?: de la '.
            'pregunta)?|domanda|testo(?: della domanda)?|quesito|vraag(?:tekst)?|opgave|(?:treść )?pytani[ea]|zadanie|treść|pergunta|'.
            'questão|questao|texto da pergunta|exercise|exercice|sentence|statement',
        'passage' => 'passage|stimulus|context|reading|case|scenario|vignette|material|kontext|fallbeispiel|contexte|contexto|contesto|'.
            'context|kontekst|lesetext',
        'model answer' => '(?:model|sample|example|suggested|specimen) (?:answer|response|solution)|muster(?:lösung|antwort)|'.
            'erwartungshorizont|réponse (?:modèle|type)|respuesta modelo|risposta modello|modelantwoord|odpowiedź wzorcowa|resposta modelo',
        'tolerance' => 'tolerance|margin|accuracy|\+\/-|±|toleranz|abweichung|tolérance|marge|tolerancia|tolleranza|tolerantie|'.
            'tolerancja|tolerância|error margin|margin of error',
        'unit' => 'units?|einheit(?:en)?|unités?|unidad(?:es)?|unità|eenheid|jednostka|unidade',
        'points' => 'points?|marks?|score|worth|value|max(?:imum)? (?:score|points|marks)|weight|pts|punkte?|punktzahl|bewertung|barème|'.
            'note|puntos?|puntuación|puntaje|valor|punti|punteggio|punten|score|punkty|liczba punktów|pontos?|pontuação|be|credits?',
        'feedback when right' => '(?:feedback|rückmeldung|commentaire|retroalimentación) (?:when |if |for |bei |si )?(?:right|correct|'.
            'richtig|juste|correcte?|correcta)|(?:right|correct|positive) feedback',
        'feedback when wrong' => '(?:feedback|rückmeldung|commentaire|retroalimentación) (?:when |if |for |bei |si )?(?:wrong|incorrect|'.
            'falsch|faux|fausse|incorrecte?|incorrecta)|(?:wrong|incorrect|negative) feedback',
        'feedback' => '(?:general |overall |question )?(?:'.self::FEEDBACK.')s?|(?:allgemeine )(?:rückmeldung)',
        'picture' => '(?:picture|image|graphic|figure|photo|illustration|media)(?: ?(?:file|name|file ?name|url|path))?|bild(?:datei)?|'.
            'abbildung|grafik|image|fichier image|imagen|figura|immagine|afbeelding|plaatje|obraz(?:ek)?|ilustracja|imagem|file ?name',
        'alternative text' => 'alt(?:ernative)?[ -]?(?:text|description)?|(?:image|picture) (?:description|text)|alternativtext|'.
            'bildbeschreibung|texte alternatif|texto alternativo|testo alternativo|alternatieve tekst|tekst alternatywny',
        'folder' => 'folder|quiz|section|group|bank|test|exam|chapter|unit|lesson|week|part|ordner|abschnitt|kapitel|lektion|gruppe|'.
            'dossier|chapitre|leçon|groupe|carpeta|sección|capítulo|lección|cartella|sezione|capitolo|map|hoofdstuk|les|folder|'.
            'rozdział|dział|pasta|seção|secção|capítulo',
        'topic' => '(?:topic|subject|category|theme|area|domain|subtopic|sub ?topic|sub ?category)(?: path)?|thema|themen|unterthema|'.
            'fach|kategorie|bereich|sujet|thème|catégorie|matière|tema|categoría|argomento|categoria|materia|onderwerp|categorie|'.
            'temat|kategoria|tópico|assunto|disciplina',
        'standard' => '(?:learning |content |curriculum )?(?:standard|objective|outcome|goal)s?(?: ?codes?)?|competenc(?:y|ies)|'.
            'kompetenz(?:en)?|bildungsstandard|lernziel|compétences?|objectif|estándar(?:es)?|objetivo|competencia|obiettivo|'.
            'competenza|leerdoel|eindterm|podstawa programowa|cel|habilidades?|competência',
        'tags' => 'tags?|keywords?|labels|stichw(?:o|ö)rte?r?|schlagw(?:o|ö)rte?r?|mots?[ -]clés?|étiquettes?|etiquetas?|palabras? '.
            'clave|parole? chiave|etichette?|trefwoord(?:en)?|słowa kluczowe|tagi|palavras?[ -]chave',
        'difficulty' => 'difficulty(?: level)?|hardness|schwierigkeit(?:sgrad)?|difficulté|niveau de difficulté|dificultad|difficoltà|'.
            'moeilijkheid(?:sgraad)?|(?:poziom )?trudnoś(?:ć|ci)|dificuldade',
        'level' => 'levels?|grade(?: level)?|year|class|stufe|klasse|jahrgang|niveau|classe|nivel|curso|livello|anno|leerjaar|klas|'.
            'poziom|klasa|nível|ano|série|bloom(?:.s)?(?: level)?|cognitive level',
        'minutes' => '(?:time|minutes|duration)(?: ?(?:\(?min(?:utes)?\.?\)?))?|zeit|dauer|minuten|durée|temps|tiempo|duración|tempo|'.
            'durata|tijd|czas|duração',
        'language' => 'lang(?:uage)?|sprache|langue|idioma|lengua|lingua|taal|język|língua',
        'source' => 'source|origin|reference|citation|quelle|herkunft|fuente|fonte|bron|źródło|origine',
        'author' => 'author|written by|writer|created by|teacher|autor(?:in)?|auteur|autora?|autore|auteur',
        'notes' => '(?:internal |teacher |author )?(?:notes?|remarks?)|bemerkung(?:en)?|anmerkung(?:en)?|notiz(?:en)?|remarques?|'.
            'notas?|observaciones|osservazioni|opmerking(?:en)?|uwagi|observações',
        'options' => '(?:'.self::OPTION.')s|answers? (?:list|options|choices)|all options|antwortmöglichkeiten|optionen|auswahl|choix|'.
            'propositions|opciones|opzioni|scelte|opties|keuzes|opcje|warianty|opções|alternativas|items|pairs|paare|paires|parejas|'.
            'coppie|paren|pary|pares|items to (?:order|match|sort)|matches',
        'hint' => 'hints?|clue|tips?|hinweis(?:e)?|tipps?|indices?|pistas?|suggeriment[oi]|aanwijzing|wskazówk[ai]|dicas?',
    ];

    /** A letter or number that says which option a column belongs to. */
    private const NUMBER = '(?:[a-h]|[1-9]|1\d|2[0-6])';

    private function __construct(public Meaning $is, public ?int $for = null, public bool $isCertain = true)
    {
    }

    /** @return self|null null when the words say nothing */
    public static function of(string $words): ?self
    {
        $plain = self::folded($words);
        if ($plain === '' || mb_strlen($plain) > 60) {
            return null;
        }
        $number = self::NUMBER;
        if (preg_match("/^\(?($number)\)?$/u", $plain, $m) === 1) {
            return new self(Meaning::Option, self::number($m[1]), ctype_alpha($m[1]));
        }

        return self::ofOptions($plain) ?? self::plain($plain) ?? self::numbered($plain);
    }

    /**
     * Whether a row is a heading over questions: it names what is asked, and what is answered or chosen from.
     *
     * @param  list<string>  $cells
     */
    public static function isOfQuestions(array $cells): bool
    {
        $found = array_filter(array_map(fn (string $cell): ?Meaning => self::of($cell)?->is, $cells));
        $answers = [Meaning::Option, Meaning::Options, Meaning::Answer, Meaning::Right, Meaning::Wrong, Meaning::Mark, Meaning::Model];
        $asks = in_array(Meaning::Stem, $found, true);

        return $asks && array_filter($answers, fn (Meaning $one): bool => in_array($one, $found, true)) !== [] ||
            ($asks && in_array(Meaning::Kind, $found, true) && in_array(Meaning::Points, $found, true));
    }

    private static function folded(string $words): string
    {
        $plain = mb_strtolower(trim((string) preg_replace('/[\s_\-]+/u', ' ', $words), " .:*?\u{FEFF}#"));

        return trim((string) preg_replace('/\((?:optional|required|pflicht|facultatif|opcional|html|text)\)/u', '', $plain));
    }

    private static function number(string $label): int
    {
        return ctype_digit($label) ? (int) $label : ord($label) - 96;
    }

    /** What belongs to one option, or to the key. */
    private static function ofOptions(string $plain): ?self
    {
        $number = self::NUMBER;
        [$right, $wrong, $option, $answer, $feedback] = [self::RIGHT, self::WRONG, self::OPTION, self::ANSWER, self::FEEDBACK];
        $tests = [
            // "Feedback A", "Feedback for option 2", "Option A feedback"
            ["/^(?:$feedback)s? (?:for |to |zu |zur |pour |für )?(?:(?:$option) ?)?\(?(?<n>$number)\)?$/u", Meaning::OptionFeedback],
            ["/^(?:(?:$option) ?)?(?<n>$number) (?:$feedback)s?$/u", Meaning::OptionFeedback],
            ["/^(?:$option)s? ?(?:$feedback)s?$/u", Meaning::OptionFeedback],
            // "A correct", "Is option 2 right", "Correct A", "Mark 3", "Fraction"
            [
                "/^(?:is )?(?:(?:$option) ?)?(?<n>$number) (?:is )?(?:$right|mark|score|share|credit|fraction|weight|value|points)$/u",
                Meaning::Mark,
            ],
            ["/^(?:$right) (?<n>[a-h])$/u", Meaning::Mark],
            ['/^(?:is (?:it )?(?:'.$right.')|(?:'.$right.')\?|(?:option|choice) (?:'.$right.'|mark|credit)|fraction|credit|'.
                'right or wrong|correct or not|richtig oder falsch|vrai ou faux|right\/wrong)$/u', Meaning::Mark],
            // "Wrong answer 2", "Distractor"
            ["/^(?:$wrong)(?: (?:$option)s?)? ?(?<n>\d{1,2})?$/u", Meaning::Wrong],
            ["/^(?:$option)s? (?:$wrong) ?(?<n>\d{1,2})?$/u", Meaning::Wrong],
            // "Right answer 1"
            ["/^(?:$right) (?:$option|$answer) (?<n>\d{1,2})$/u", Meaning::Right],
            ["/^(?:$option|$answer) (?:$right) (?<n>\d{1,2})$/u", Meaning::Right],
            ["/^(?:$right) (?<n>\d{1,2})$/u", Meaning::Right],
            // "Correct answer", "Right options"
            ["/^(?:the )?(?:$right)(?: (?:$option|$answer)s?)?(?: ?(?:letter|number|index|key|nr|no))?$/u", Meaning::Answer],
            ["/^(?:$option|$answer)s? (?:$right)s?$/u", Meaning::Answer],
            ["/^(?:$option)s? ?\(?(?<n>$number)\)?$/u", Meaning::Option],
            ["/^(?:$answer)(?: ?(?:letter|number|index|text|key))?$/u", Meaning::Answer],
            ["/^(?:$option)$/u", Meaning::Option],
        ];
        foreach ($tests as [$pattern, $meaning]) {
            if (preg_match($pattern, $plain, $m) === 1) {
                return new self($meaning, ($m['n'] ?? '') === '' ? null : self::number($m['n']));
            }
        }

        return null;
    }

    private static function plain(string $plain): ?self
    {
        foreach (self::PLAIN as $meaning => $words) {
            if (preg_match("/^(?:$words)$/u", $plain) === 1) {
                return new self(Meaning::from($meaning));
            }
        }

        return null;
    }

    /** "Hint 2", "Topic 1": what stands in several columns. */
    private static function numbered(string $plain): ?self
    {
        if (preg_match('/^(.+?) ?(\d{1,2})$/u', $plain, $m) !== 1) {
            return match (true) {
                in_array(
                    $plain,
                    ['no', 'nr', 'n°', 'number', 'nummer', 'numéro', 'número', 'numero', 'q', 'q no', 'row', ''],
                    true,
                ) => new self(Meaning::Ignored),
                default => null,
            };
        }
        $found = self::plain($m[1]);

        return $found !== null && $found->is->isRepeated() ? new self($found->is, (int) $m[2]) : null;
    }
}
