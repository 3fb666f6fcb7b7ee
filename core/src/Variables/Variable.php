<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Maths\Evaluator;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Maths\Parser;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Random\Stream;

/** A name with a definition: a range, a list or an expression over earlier names. */
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

    /** @param  list<string|bool>  $items of a list; of a range, what is left out */
    private function __construct(
        public string $name,
        public string $kind,
        public string $path,
        public ValueFormat $show,
        private string $from,
        private string $to,
        private string $step,
        private array $items,
        private string $expr,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $kind = is_object($json) && isset($json->kind) && is_string($json->kind) ? $json->kind : '';
        $fields = Fields::of($json, $path, ['name', 'kind', 'show', ...self::FIELDS[$kind] ?? []])
            ->need('name')
            ->need('kind');
        $fields->oneOf('kind', array_keys(self::FIELDS), '');
        $name = $fields->string('name', '', 40);
        if (preg_match('/^[A-Za-z][A-Za-z0-9_]{0,39}$/D', $name) !== 1) {
            throw Malformed::outOfRange($fields->at('name'), Message::of('variables.name-letters-digits-letter'), $name);
        }
        foreach (array_intersect(['from', 'to', 'items', 'expr', 'columns', 'rows', 'count'], self::FIELDS[$kind]) as $needed) {
            $fields->need($needed);
        }
        $show = $fields->has('show') ? ValueFormat::read($fields->raw('show'), $fields->at('show')) : ValueFormat::plain();
        if ($kind === 'sample') {
            $fields->int('count', 1, 1, 1000);
        }
        $items = self::items($fields, $kind);

        return new self(
            $name,
            $kind,
            $path,
            $show,
            $fields->exact('from', ''),
            $fields->exact('to', ''),
            $fields->exact('step', $kind === 'integer' ? '1' : ''),
            $items,
            $fields->string('expr', ''),
        );
    }

    /**
     * @param  array<string, BigRational|string|bool>  $earlier
     *
     * @throws RollProblem
     */
    public function draw(Stream $stream, array $earlier): BigRational|string|bool
    {
        return match ($this->kind) {
            'integer', 'decimal' => $this->fromRange($stream),
            'list' => $this->fromList($stream),
            'expr' => $this->fromExpression($earlier),
            default => throw RollProblem::unavailable($this->kind, "$this->path/kind"),
        };
    }

    private function fromRange(Stream $stream): BigRational
    {
        $from = $this->number($this->from, 'from');
        $to = $this->number($this->to, 'to');
        $step = $this->number($this->step === '' ? $this->finest() : $this->step, 'step');
        if ($this->kind === 'integer' && ! ($this->whole($from) && $this->whole($to) && $this->whole($step))) {
            throw RollProblem::notWhole($this->name, "$this->path/from");
        }
        if (! $step->isPositive()) {
            throw RollProblem::stepTooSmall($this->name, "$this->path/step");
        }
        $except = array_map(fn (int $i): BigRational => $this->number((string) $this->items[$i], "except/$i"), array_keys($this->items));
        $last = $to->minus($from)->dividedBy($step)->toScale(0, RoundingMode::FLOOR);
        if ($last->isNegative()) {
            throw RollProblem::emptyRange($this->name, "$this->path/to");
        }
        if ($last->isGreaterThan(2_000_000_000)) {
            throw RollProblem::stepTooSmall($this->name, "$this->path/step");
        }
        for ($tries = 0; $tries < 1000; $tries++) {
            $value = $from->plus($step->multipliedBy($stream->below($last->toInt() + 1)))->simplified();
            if (array_filter($except, fn (BigRational $out): bool => $out->isEqualTo($value)) === []) {
                return $value;
            }
        }
        throw RollProblem::emptyRange($this->name, "$this->path/except");
    }

    private function fromList(Stream $stream): BigRational|string|bool
    {
        if ($this->items === []) {
            throw RollProblem::emptyRange($this->name, "$this->path/items");
        }
        $item = $this->items[$stream->below(count($this->items))];

        return is_string($item) ? Exact::read($item) ?? $item : $item;
    }

    /** @param  array<string, BigRational|string|bool>  $earlier */
    private function fromExpression(array $earlier): BigRational|string|bool
    {
        try {
            return (new Evaluator($earlier))->value(Parser::parse($this->expr));
        } catch (MathsProblem $problem) {
            throw RollProblem::expression($problem, "$this->path/expr");
        }
    }

    private function number(string $text, string $field): BigRational
    {
        return Exact::read($text) ?? throw RollProblem::unreadable($text, "$this->path/$field");
    }

    private function whole(BigRational $value): bool
    {
        return $value->simplified()->getDenominator()->isEqualTo(1);
    }

    /** Without a step, a decimal moves by the last place written in its ends. */
    private function finest(): string
    {
        $places = max(array_map(fn (string $end): int => strlen(explode('.', $end)[1] ?? ''), [$this->from, $this->to]));

        return $places === 0 ? '1' : '0.'.str_repeat('0', $places - 1).'1';
    }

    private static function checkRows(Fields $fields): void
    {
        foreach ($fields->list('columns', 50) as $i => $name) {
            if (! is_string($name) || preg_match('/^[A-Za-z][A-Za-z0-9_]{0,39}$/D', $name) !== 1) {
                throw Malformed::outOfRange($fields->at("columns/$i"), Message::of('variables.name-letters-digits-letter'), $name);
            }
        }
        foreach ($fields->list('rows') as $i => $row) {
            if (! is_array($row)) {
                throw Malformed::wrongType($fields->at("rows/$i"), Message::of('variables.list-numbers-text-words'), $row);
            }
            foreach ($row as $at => $cell) {
                self::plain($cell, $fields->at("rows/$i/$at"));
            }
        }
    }

    /** @return list<string|bool> */
    private static function items(Fields $fields, string $kind): array
    {
        $name = $kind === 'integer' || $kind === 'decimal' ? 'except' : 'items';
        if ($kind === 'row' || $kind === 'expr') {
            self::checkRows($fields);

            return [];
        }
        $items = [];
        foreach ($fields->list($name) as $i => $item) {
            $items[] = $name === 'items' ? self::plain($item, $fields->at("items/$i")) : self::numberText($item, $fields->at("except/$i"));
        }

        return $items;
    }

    /** @throws Malformed */
    private static function numberText(mixed $value, string $path): string
    {
        return match (true) {
            ! is_string($value) => throw Malformed::wrongType($path, Message::of('variables.number-text'), $value),
            mb_strlen($value) > 200 => throw Malformed::outOfRange($path, Message::of('variables.most-200-characters'), $value),
            default => $value,
        };
    }

    /** @throws Malformed */
    private static function plain(mixed $value, string $path): string|bool
    {
        return match (true) {
            is_bool($value) => $value,
            ! is_string($value) => throw Malformed::wrongType($path, Message::of('variables.number-text-words'), $value),
            mb_strlen($value) > 1000 => throw Malformed::outOfRange($path, Message::of('variables.most-1000-characters'), $value),
            default => $value,
        };
    }
}
