<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * The questions of lines of answers. Most lines repeat the question of the line before, byte for byte: it is read once. For that a line
 * has to begin with its question; any other is read as a whole.
 */
final class RepeatedQuestion
{
    private const BEGINNING = '{"question":';

    /** One token that opens, closes or hides brackets (RFC 8259). */
    private const TOKEN = '/"(?:[^"\\\\]++|\\\\.)*+"|[{}\[\]]/s';

    /** Lines that differ before this many bytes have other questions: no need to look for where the question ends. */
    private const ALIKE = 200;

    /** How lines begin that have the question that is known; "" where that cannot be told, null while nobody has asked. */
    private ?string $beginning = null;

    /** The line the known question was read from. */
    private string $source = '';

    private ?Question $known = null;

    private string $line = '';

    private bool $isRepeated = false;

    public function __construct(private readonly PartKinds $kinds)
    {
    }

    /**
     * A line; where it repeats the question of the line before, without that.
     *
     * @throws Malformed
     */
    public function decoded(string $line): mixed
    {
        $this->line = $line;
        $rest = null;
        if ($this->known !== null && strncmp($line, $this->source, self::ALIKE) === 0) {
            $begins = $this->beginning ??= self::beginning($this->source);
            $rest = $begins !== '' && str_starts_with($line, $begins) ? self::rest($line, strlen($begins)) : null;
        }
        $this->isRepeated = $rest !== null;

        return $rest ?? Json::decode($line);
    }

    /**
     * The question of the line that was decoded last.
     *
     * @throws Malformed
     */
    public function of(Fields $line): Question
    {
        if ($this->isRepeated && $this->known !== null) {
            return $this->known;
        }
        $this->known = Question::read($line->need('question')->raw('question'), $this->kinds);
        [$this->source, $this->beginning] = [$this->line, null];

        return $this->known;
    }

    /** A line up to the end of its question; "" where it does not begin with one. */
    private static function beginning(string $line): string
    {
        $end = str_starts_with($line, self::BEGINNING) ? self::endOfObject($line, strlen(self::BEGINNING)) : null;

        return $end !== null && self::rest($line, $end) !== null ? substr($line, 0, $end) : '';
    }

    /**
     * What a line says besides its question.
     *
     * @return \stdClass|null null where it names a second question, which would count, or does not go on as an object does
     */
    private static function rest(string $line, int $end): ?\stdClass
    {
        $next = $line[$end] ?? '';
        if ($next !== ',' && $next !== '}') {
            return null;
        }
        try {
            $rest = Json::decode('{'.substr($line, $next === ',' ? $end + 1 : $end));
        } catch (Malformed) {
            return null; // read as a whole, it says where it is wrong
        }

        $isEmpty = (array) $rest === []; // after a comma, which JSON does not allow there

        return $rest instanceof \stdClass && ! property_exists($rest, 'question') && ! ($isEmpty && $next === ',') ? $rest : null;
    }

    /** @return int|null the offset behind the object that begins at an offset; null where none does */
    private static function endOfObject(string $line, int $at): ?int
    {
        $depth = 0;
        while (preg_match(self::TOKEN, $line, $m, PREG_OFFSET_CAPTURE, $at) === 1) {
            [$token, $offset] = $m[0];
            $at = $offset + strlen($token);
            $depth += match ($token) {
                '{', '[' => 1,
                '}', ']' => -1,
                default => 0,
            };
            if ($depth <= 0) {
                return $token === '}' && $depth === 0 ? $at : null;
            }
        }

        return null;
    }
}
