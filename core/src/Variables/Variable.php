<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Variables\Definition\Drawn;
use WideQuarry\Variables\Definition\OneOf;
use WideQuarry\Variables\Definition\Range;
use WideQuarry\Variables\Definition\Sample;
use WideQuarry\Variables\Definition\TableRow;

/** A name with a definition: something that is drawn, or an expression over other names. */
final readonly class Variable
{
    private const FIELDS = [
        'integer' => ['from', 'to', 'step', 'except'],
        'decimal' => ['from', 'to', 'step', 'except'],
        'list' => ['items'],
        'row' => ['columns', 'rows'],
        'sample' => ['items', 'count'],
        'expr' => ['expr'],
    ];

    /**
     * @param  Drawn|null  $drawn  null where it is worked out
     * @param  list<string>  $names  it gives values to
     * @param  string  $stream  the name whose random numbers it takes: its first, so that renaming it changes no learner's values
     */
    private function __construct(
        public string $name,
        public string $kind,
        public string $path,
        public ValueFormat $show,
        public ?Drawn $drawn,
        public string $expr,
        public array $names,
        public string $stream,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $kind = is_object($json) && isset($json->kind) && is_string($json->kind) ? $json->kind : '';
        $fields = Fields::of($json, $path, ['name', 'kind', 'show', 'stream', ...self::FIELDS[$kind] ?? []])
            ->need('name')
            ->need('kind');
        $fields->oneOf('kind', array_keys(self::FIELDS), '');
        $name = self::name($fields->raw('name'), $fields->at('name'));
        foreach (array_intersect(['from', 'to', 'items', 'expr', 'columns', 'rows', 'count'], self::FIELDS[$kind]) as $needed) {
            $fields->need($needed);
        }
        $drawn = match ($kind) {
            'integer', 'decimal' => Range::of($name, $kind, $fields, $path),
            'list' => OneOf::of($name, $fields, $path),
            'row' => TableRow::of($name, $fields, $path),
            'sample' => Sample::of($name, $fields, $path),
            default => null,
        };

        return new self(
            $name,
            $kind,
            $path,
            $fields->has('show') ? ValueFormat::read($fields->raw('show'), $fields->at('show')) : ValueFormat::plain(),
            $drawn,
            $fields->string('expr', ''),
            $drawn instanceof TableRow ? $drawn->columns : [$name],
            $fields->has('stream') ? self::name($fields->raw('stream'), $fields->at('stream')) : $name,
        );
    }

    /** @throws Malformed */
    public static function name(mixed $name, string $path): string
    {
        return is_string($name) && preg_match('/^[A-Za-z][A-Za-z0-9_]{0,39}$/D', $name) === 1
            ? $name
            : throw Malformed::outOfRange($path, Message::of('variables.name-letters-digits-letter'), $name);
    }
}
