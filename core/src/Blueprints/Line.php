<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** A row or a column: the questions it means. It may be split into lines of its own, once. */
final readonly class Line
{
    /**
     * @param  string  $id  of its table only
     * @param  array<string, list<string>>  $where  conditions of a search
     * @param  list<self>  $lines  that it is split into
     */
    private function __construct(public string $id, public string $title, public array $where, public array $lines)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path, bool $isSplit = false): self
    {
        $fields = Fields::of($json, $path, ['id', 'title', 'where', 'lines']);
        $lines = [];
        foreach ($fields->list('lines', Table::LINES) as $i => $line) {
            $lines[] = $isSplit
                ? throw Malformed::outOfRange("$path/lines", Message::of('blueprints.two-levels'), count($fields->list('lines')))
                : self::read($line, "$path/lines/$i", true);
        }
        $id = $fields->id();

        return new self(
            preg_match('/^[\w-]{1,60}$/D', $id) === 1
                ? $id
                : throw Malformed::outOfRange("$path/id", Message::of('blueprints.line-id'), $id),
            trim($fields->string('title', '', 500)),
            Conditions::read($fields, 'where'),
            $lines,
        );
    }
}
