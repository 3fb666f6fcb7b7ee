<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/**
 * Weighs what the looks of options say over the whole document: if forty questions put the key in bold, the forty-first does too; if
 * one has a bold word among forty, it is a bold word.
 */
final readonly class Evidence
{
    /** A look counts as the key from this share of the questions on that have no other. */
    private const SHARE = 0.5;

    /** From so many questions on that all agree a key counts as sure. */
    private const MANY = 5;

    /** The more telling first, where two say the same of as many questions. */
    private const ORDER = ['highlight', 'colour', 'bold', 'underline', 'sign', 'unstruck', 'letter', 'italic'];

    /**
     * @param  array<string, float>  $looks  look → share of the questions it sets an option apart in, the most telling first
     * @param  array<string, int>  $counts  look → how many questions that are
     * @param  array<string, int>  $seen  every look that sets something apart → in how many questions
     */
    private function __construct(public array $looks, private Corrections $corrections, private array $counts, private array $seen)
    {
    }

    /** @param  list<Unit>  $units */
    public static function weigh(array $units, Corrections $corrections): self
    {
        $open = array_values(array_filter($units, fn (Unit $unit): bool => $unit->said === null));
        $among = $open === [] ? $units : $open;
        $looks = ['unstruck' => true];
        foreach ($units as $unit) {
            $looks += array_fill_keys(array_merge([], ...$unit->looks), true);
        }
        $shares = $counts = $seen = [];
        foreach (array_keys($looks) as $look) {
            $look = (string) $look;
            $says = $corrections->looks[$look] ?? null;
            if (self::isIgnored($look, $corrections)) {
                continue;
            }
            $apart = count(array_filter($among, fn (Unit $unit): bool => $unit->apart($look) !== null));
            if ($apart > 0 || $says !== null) {
                $seen[$look] = $apart;
            }
            if ($says === 'nothing') {
                continue;
            }
            [$agree, $differ] = self::judged($units, $look);
            $isOften = $apart >= max(1, self::SHARE * count($among));
            if ($says === 'key' || ($isOften && self::isBorneOut($agree, $differ, $open === []))) {
                $shares[$look] = $says === 'key' ? 2.0 : $apart / count($among) * (($agree + 1) / ($agree + $differ + 1));
                $counts[$look] = $apart;
            }
        }

        return new self(self::ordered($shares), $corrections, $counts, $seen);
    }

    /**
     * @param  array<string, float>  $shares
     * @return array<string, float> the look that says most first
     */
    private static function ordered(array $shares): array
    {
        uksort(
            $shares,
            fn (string $a, string $b): int => [$shares[$b], self::order($a), strlen($b)] <=> [$shares[$a], self::order($b), strlen($a)],
        );

        return $shares;
    }

    /** A look may differ from one in four of the keys in words, and from one where most have none. */
    private static function isBorneOut(int $agree, int $differ, bool $haveAllKeys): bool
    {
        return $differ * 4 <= $agree + ($haveAllKeys ? 0 : 1);
    }

    /** Who says that bold means nothing means the letters before the options too. */
    private static function isIgnored(string $look, Corrections $corrections): bool
    {
        $said = $corrections->looks;
        $isOfLetter = str_starts_with($look, 'letter:') && ! isset($said[$look]);

        return $look === 'strike' || ($isOfLetter && ($said[substr($look, strlen('letter:'))] ?? null) === 'nothing');
    }

    /**
     * @param  list<Unit>  $units
     *
     * @return array{int, int} of the questions with a key in words, how many agree with a look and how many do not
     */
    private static function judged(array $units, string $look): array
    {
        $agree = $differ = 0;
        foreach ($units as $unit) {
            $apart = $unit->said === null ? null : $unit->apart($look);
            if ($apart !== null) {
                $agree += $apart === $unit->said ? 1 : 0;
                $differ += $apart === $unit->said ? 0 : 1;
            }
        }

        return [$agree, $differ];
    }

    private static function order(string $look): int
    {
        return (int) array_search(explode(':', $look)[0], self::ORDER, true);
    }

    /**
     * For who looks at the document: what sets options apart, in how many questions, and whether it is taken for the key.
     *
     * @return list<array{look: string, questions: int, key: bool}>
     */
    public function described(): array
    {
        $described = [];
        foreach ($this->seen as $look => $count) {
            // a colour is told by its own name, not by both
            $isGeneral = in_array($look, ['colour', 'highlight'], true);
            $own = array_filter(array_keys($this->seen), fn (int|string $one): bool => str_starts_with((string) $one, "$look:"));
            if (! ($isGeneral && count($own) === 1)) {
                $described[] = ['look' => (string) $look, 'questions' => $count, 'key' => isset($this->looks[$look])];
            }
        }
        usort($described, fn (array $a, array $b): int => $b['questions'] <=> $a['questions'] ?: strcmp($a['look'], $b['look']));

        return $described;
    }

    /** Gives each unit without a key in words the one its looks say. */
    public function apply(Unit ...$units): void
    {
        foreach ($units as $unit) {
            foreach ($this->looks as $look => $share) {
                $apart = $unit->apart($look);
                if ($apart === null) {
                    continue;
                }
                if ($unit->marked === null) {
                    [$unit->marked, $unit->sign] = [$apart, Sign::ofLook($look)];
                    $unit->certainty = $this->certainty($look, $share, $apart);
                } elseif ($apart !== $unit->marked && $share >= self::SHARE) {
                    $unit->certainty = min($unit->certainty, Sign::DISPUTED);
                }
            }
        }
    }

    /** @param  list<int>  $right */
    private function certainty(string $look, float $share, array $right): float
    {
        if (($this->corrections->looks[$look] ?? null) === 'key') {
            return Sign::Corrected->certainty();
        }
        $alone = Sign::ofLook($look)->certainty();
        $isMany = ($this->counts[$look] ?? 0) >= self::MANY && $share >= 0.9;

        return count($right) > 1 ? min($alone, 0.75) : ($isMany && $alone >= 0.8 ? 0.93 : $alone);
    }
}
