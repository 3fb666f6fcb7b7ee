<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\KeySection;

/** What a line is by its own words, wherever it stands. None of this is a notation of ours: it is how people type. */
final class LineKinds
{
    private const HEADING = 80;

    public static function isKeyHeading(string $text): bool
    {
        $part = '(?:'.Vocabulary::SECTION.')\s+\w{1,4}';
        $to = '(?:to|for|of|zu|für|à|de|di|voor|do|[–—:-])';
        $of = "(?:\\s*$to?\\s*(?:the\\s+)?(?:$part|exam|test|quiz|questions)?(?:\\s*\\d+\\s*[–-]\\s*\\d+)?)?";

        return preg_match('/^(?:\d+\.\s*)?(?:'.Vocabulary::KEY.")$of\\s*:?$/iu", $text) === 1 ||
            preg_match("/^$part\\s*[:–—-]?\\s*(?:answer\\s+key|answers|key|lösungen|solutions)\\s*:?$/iu", $text) === 1;
    }

    /** A whole key on one line: "Key: 1 C 2 A". */
    public static function keyLine(string $text): ?string
    {
        return preg_match('/^(?:'.Vocabulary::KEY.')\s*[:–—-]\s*(.+)$/iu', $text, $m) === 1 && count(KeySection::read([$m[1]])) > 1
            ? $m[1]
            : null;
    }

    /**
     * "Answers to 7: a-3, b-1".
     *
     * @return array<int, string>|null number of the question → answer
     */
    public static function answerTo(string $text): ?array
    {
        $to = '(?:to|for|of|zu|à|pour|a|di|op|na)';
        $number = '(?:(?:'.Vocabulary::QUESTION.')\s*)?(\d{1,4})';
        $is = '/^(?:'.Vocabulary::ANSWER.")\\s+$to\\s+$number\\s*[:.–—-]\\s+(\\S.*)$/iu";

        return preg_match($is, $text, $m) === 1 ? [(int) $m[1] => $m[2]] : null;
    }

    public static function isHeading(string $text): bool
    {
        return mb_strlen($text) <= self::HEADING &&
            preg_match('/[.?!;,]$/u', $text) !== 1 &&
            preg_match('/_{3,}|\x{FFFC}/u', $text) !== 1 &&
            preg_match('/\p{L}/u', $text) === 1;
    }

    /** @param  bool  $isAlone  whether it must end there, or go on behind a sign */
    public static function isSection(string $text, bool $isAlone = false): bool
    {
        if (mb_strlen($text) > 120) {
            return false;
        }
        $number = '(?:[A-Z]|[IVX]{1,4}|\d{1,2}|one|two|three|four|five|six|eins|zwei|drei|un|deux|trois|uno|dos|tres|due|tre|een|twee)';

        return preg_match('/^(?:'.Vocabulary::SECTION.")\\s+$number".($isAlone ? '\\s*(?:[–—:.-]|$)' : '\\b').'/iu', $text) === 1 ||
            preg_match('/^[IVX]{1,4}[.)]\s+\p{Lu}{4,}\b/u', $text) === 1;
    }

    /** Numbers of pages, and the lines at the top of a sheet that ask for a name. */
    public static function isFurniture(string $text): bool
    {
        return preg_match(
            '/^(?:page|seite|pagina|página|strona|pág\.?|p\.|s\.)\s*\d{1,4}(?:\s*(?:of|\/|von|sur|de|di|van|z)\s*\d{1,4})?$/iu',
            $text,
        ) === 1 ||
            preg_match('/^[–—-]\s*\d{1,4}\s*[–—-]$/u', $text) === 1 ||
            preg_match('/^\d{1,3}\s*(?:\/|of)\s*\d{1,3}$/u', $text) === 1 ||
            preg_match(
                '/^(?:end\s+of\s+(?:the\s+)?(?:test|exam(?:ination)?|quiz|paper)|(?:please\s+)?turn\s+over|'.
                'continued?(?:\s+on\s+(?:the\s+)?next\s+page)?|good\s+luck|\(?(?:continued|cont\.?)\)?)[.!…]*$/iu',
                $text,
            ) === 1 ||
            preg_match(
                '/^(?:name|date|class|period|student|teacher|score|grade|klasse|datum|nom|prénom|nombre|fecha|nome|cognome|data|'.
                'naam|imię|nazwisko)\b[^?]{0,60}(?:_{3,}|:\s*$|\.{4,}|:\s*[^?]{0,60}(?:_{3,}|\.{4,}))/iu',
                $text,
            ) === 1;
    }

    /**
     * "Questions 4 to 7 refer to …", "Use the map to answer questions 4–7."
     *
     * @return array{int, int}|null the first and the last
     */
    public static function range(string $text): ?array
    {
        $words = 'questions?|items?|fragen?|aufgaben?|questions?|preguntas?|domande|vragen|pytan(?:ia|iach|iom)?|questões|perguntas';
        $to = '\s*(?:-|–|—|to|through|and|&|bis|und|à|et|a|y|al|e|tot|en|do|i)\s*';
        if (preg_match("/\b(?:$words)\s*(?:no\.?\s*)?(\d{1,4})(?:$to(\d{1,4}))?/iu", $text, $m, PREG_OFFSET_CAPTURE) !== 1) {
            return null;
        }
        $at = $m[0][1];
        $m = array_column($m, 0);
        $from = (int) $m[1];
        $last = isset($m[2]) ? (int) $m[2] : $from;
        $isSaid = preg_match(
            '/\b(?:refer|relate|use|using|based|read|look|study|following|below|answer|for|beziehen|lies|lesen|betrachte|verwende|'.
            'nutze|für|lisez|lis|utilise[rz]?|observe[rz]?|pour|se\s+rapportent|lee|lea|utiliza|usa|observa|para|se\s+refieren|'.
            'leggi|osserva|usa|per|lees|bekijk|gebruik|voor|przeczytaj|dotyczą|leia|use|observe|referem)\b/iu',
            $text,
        ) === 1;

        // a line that begins with "Question 4" is that question
        return $isSaid && ($last > $from || ($last === $from && $at > 0)) ? [$from, $last] : null;
    }

    public static function isWritingLine(string $text): bool
    {
        return preg_match('/^(?:_{5,}|\.{8,}|…{4,}|[-–—]{8,})$/u', (string) preg_replace('/\s+/', '', $text)) === 1;
    }

    /** Over the two sides of a matching question. */
    public static function isColumnHeading(string $text): bool
    {
        return preg_match(
            '/^(?:(?:column|list|spalte|liste|colonne|columna|lista|colonna|kolom|kolumna|coluna)\s+(?:[A-Z]|[IVX]+|'.
            '\d)\b\W*(?:\s+|$)){1,2}$/iu',
            $text,
        ) === 1;
    }

    /** Whether a text asks or tells somebody to do something. */
    public static function asks(string $text): bool
    {
        return preg_match('/\?\s*(?:[\[(][^\])]*[\])])?$|_{3,}|\.{5,}|…{2,}/u', $text) === 1 ||
            preg_match(
                '/^(?:'.Vocabulary::ESSAY.'|calculate|state|name|give|list|find|identify|define|draw|label|complete|write|show|'.
                'work\s+out|determine|estimate|how|what|why|which|when|where|who|nenne|berechne|gib|bestimme|définis|nomme[rz]?|'.
                'calcule[rz]?|indique[rz]?|nombra|calcula|define|cita|calcola|indica|definisci|noem|bereken|geef|podaj|oblicz|wymień)\b/iu',
                $text,
            ) === 1;
    }
}
