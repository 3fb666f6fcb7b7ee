<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** A list to choose from in a sentence: "Granite is [igneous / metamorphic / sedimentary]." */
final class Menu
{
    private const BRACKETS = '/\[([^\[\]]{3,300})\]|\{([^{}]{3,300})\}|\(([^()]{3,160})\)/u';

    private const CHOOSE = '/\b(?:circle|underline|choose|select|cross\s+out|delete|correct\s+(?:word|term|option)|'.
        'unterstreich\w*|wähle\w*|streich\w*|souligne[rz]?|entoure[rz]?|choisis\w*|subraya|rodea|elige|sottolinea|scegli|'.
        'onderstreep|kies|omcirkel|podkreśl|wybierz|sublinhe|escolha)\b/iu';

    public ?Unit $unit = null;

    /**
     * @param  int  $paragraph  of the stem
     * @param  int  $from  where it begins, in bytes
     * @param  list<Words>  $words
     */
    private function __construct(
        public readonly int $paragraph,
        public readonly int $from,
        public readonly int $length,
        public array $words,
    ) {
        $this->unit = new Unit(array_map(fn (Words $one): array => Looks::of($one), $words));
    }

    /**
     * @param  list<Words>  $stem
     * @return list<self>
     */
    public static function in(array $stem, bool $isChosen = false): array
    {
        $menus = [];
        $isChosen = $isChosen || preg_match(
            self::CHOOSE,
            implode(' ', array_map(fn (Words $words): string => $words->text(), $stem)),
        ) === 1;
        foreach ($stem as $paragraph => $words) {
            preg_match_all(self::BRACKETS, $words->text(), $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
            foreach ($found as $m) {
                [$inner, $at] = end($m);
                $isRound = str_starts_with($m[0][0], '(');
                $parts = self::parts($words->slice($at, strlen($inner)), $isRound);
                if (count($parts) > 1 &&
                    (! $isRound || $isChosen || array_filter($parts, fn (Words $one): bool => Looks::of($one) !== []) !== [])) {
                    $menus[] = new self($paragraph, $m[0][1], strlen($m[0][0]), $parts);
                }
            }
        }

        return $menus;
    }

    /** @return list<Words> */
    private static function parts(Words $words, bool $isRound): array
    {
        $between = preg_match('/\s[\/|]\s/u', $words->text()) === 1 ? '/\s*(?<=\s)[\/|](?=\s)\s*/u' : (
            $isRound && preg_match('/^\p{L}{1,2}\/|\/\p{L}{1,2}$/u', $words->text()) === 1 ? null : '/\s*[\/|]\s*/u'
        );
        if ($between === null || preg_match('/\d\s*[\/|]\s*\d/', $words->text()) === 1) {
            return [];
        }
        $parts = [];
        $from = 0;
        preg_match_all($between, $words->text(), $found, PREG_OFFSET_CAPTURE);
        foreach ([...$found[0], ['', strlen($words->text())]] as [$sign, $at]) {
            $part = $words->slice($from, $at - $from)->trimmed();
            if ($part->isEmpty() || mb_strlen($part->text()) > 60) {
                return [];
            }
            $parts[] = $part;
            $from = $at + strlen($sign);
        }
        $isPair = count($parts) === 2 &&
            Vocabulary::pairOf($parts[0]->text()) !== null &&
            Vocabulary::pairOf($parts[0]->text()) === Vocabulary::pairOf($parts[1]->text());

        return $isPair || count($parts) > 12 ? [] : $parts;
    }
}
