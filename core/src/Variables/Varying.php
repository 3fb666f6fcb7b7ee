<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use Brick\Math\BigRational;
use WideQuarry\Content\Element;
use WideQuarry\Content\Reader;
use WideQuarry\Content\Serialiser;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** A number of a question that is to vary: a value takes its place, everywhere it stands. */
final class Varying
{
    /** Fields that hold rich text. */
    private const RICH = ['body', 'html', 'text'];

    /** Fields that hold a number as text, where an expression may stand instead. */
    private const NUMBERS = ['value', 'values', 'from', 'to', 'width', 'step', 'at'];

    private int $places = 0;

    private function __construct(private readonly string $number, private readonly string $name)
    {
    }

    /**
     * @param  \stdClass  $question  as core/schema/question.json has it
     * @param  string  $number  as it stands in the text: "54", "2.70", "−3", "2,5"
     * @param  string  $name  '' for the first letter that is free
     * @return array{\stdClass, string, int} the question, the name, and at how many places the number stood
     *
     * @throws Malformed when it is no number, or the name is none
     * @throws RollProblem when the name is taken
     */
    public static function of(\stdClass $question, string $number, string $name): array
    {
        $exact = strtr(trim($number), ['−' => '-', ',' => '.']);
        if (Exact::read($exact) === null) {
            throw Malformed::outOfRange('/number', Message::of('variables.number-to-vary'), $number);
        }
        $question = Json::copy($question);
        assert($question instanceof \stdClass);
        $taken = Renaming::names($question->variables ?? null);
        $name = $name === '' ? self::free($taken) : Variable::name($name, '/name');
        if (in_array($name, $taken, true)) {
            throw RollProblem::repeated($name, '/name');
        }
        if (\WideQuarry\Maths\FunctionTable::isReserved($name)) {
            throw RollProblem::reserved($name, '/name');
        }
        $self = new self(trim($number), $name);
        foreach (['body', 'parts', 'feedback', 'hints'] as $field) {
            if (isset($question->{$field})) {
                $question->{$field} = $self->in($question->{$field}, $field);
            }
        }
        $variables = ($question->variables ?? null) instanceof \stdClass ? $question->variables : (object) ['list' => []];
        $variables->list = [...is_array($variables->list ?? null) ? $variables->list : [], self::definition($name, $exact)];
        $question->variables = $variables;

        return [$question, $name, $self->places];
    }

    /** A range around the number, in steps of its last place. */
    private static function definition(string $name, string $exact): \stdClass
    {
        $places = strlen(explode('.', $exact)[1] ?? '');
        $step = $places === 0 ? '1' : '0.'.str_repeat('0', $places - 1).'1';
        $value = Exact::of($exact);
        $around = Exact::of($step)->multipliedBy(5);
        // what counts things stays above 0
        $from = $value->isPositive() && $value->isLessThanOrEqualTo($around) ? Exact::of($step) : $value->minus($around);
        $write = fn (BigRational $end): string => (string) Exact::toPlaces($end, $places);

        return (object) [
            'name' => $name,
            'kind' => $places === 0 ? 'integer' : 'decimal',
            'from' => $write($from),
            'to' => $write($value->plus($around)),
            'step' => $step,
            ...$places === 0 ? [] : ['show' => (object) ['places' => $places]],
        ];
    }

    /** @param  list<string>  $taken */
    private static function free(array $taken): string
    {
        $letters = array_diff(range('a', 'z'), ['e', 'i', 'l', 'o']); // e is a number, the others look like digits
        foreach ([...$letters, ...array_map(fn (int $n): string => "a$n", range(1, 200))] as $name) {
            if (! in_array($name, $taken, true)) {
                return $name;
            }
        }

        return 'value';
    }

    private function in(mixed $json, string $field): mixed
    {
        if (is_string($json)) {
            return match (true) {
                in_array($field, self::RICH, true) && str_contains($json, $this->number) => $this->rich($json),
                in_array($field, self::NUMBERS, true) && $this->isIt($json) => $this->expression(),
                default => $json,
            };
        }
        if (is_array($json)) {
            return array_map(fn (mixed $one): mixed => $this->in($one, $field), $json);
        }
        if ($json instanceof \stdClass) {
            foreach (get_object_vars($json) as $name => $inner) {
                $json->{$name} = $this->in($inner, (string) $name);
            }
        }

        return $json;
    }

    private function isIt(string $text): bool
    {
        [$one, $other] = [Exact::read($text), Exact::read(strtr($this->number, ['−' => '-', ',' => '.']))];

        return $one !== null && $other !== null && $one->isEqualTo($other);
    }

    private function expression(): \stdClass
    {
        $this->places++;

        return (object) ['expr' => $this->name];
    }

    private function rich(string $html): string
    {
        return Serialiser::html($this->nodes(Reader::read($html)->nodes));
    }

    /**
     * @param  list<Element|string>  $nodes
     * @return list<Element|string>
     */
    private function nodes(array $nodes): array
    {
        $out = [];
        foreach ($nodes as $node) {
            if (is_string($node)) {
                array_push($out, ...$this->text($node));
            } elseif ($node->name === 'mn' && ($node->children[0] ?? '') === $this->number) {
                $this->places++;
                $out[] = new Element('mi', ['data-value' => $this->name]);
            } elseif ($node->name === 'annotation') {
                $out[] = $node->withChildren(array_map(
                    fn (Element|string $child): Element|string => is_string($child)
                        ? (string) preg_replace($this->pattern(), "\\val{{$this->name}}", $child)
                        : $child,
                    $node->children,
                ));
            } else {
                $out[] = $node->withChildren($this->nodes($node->children));
            }
        }

        return $out;
    }

    /** @return list<Element|string> */
    private function text(string $text): array
    {
        $out = [];
        foreach (preg_split($this->pattern(), $text) ?: [$text] as $i => $piece) {
            if ($i > 0) {
                $this->places++;
                $out[] = new Element('var', ['data-value' => $this->name]);
            }
            if ($piece !== '') {
                $out[] = $piece;
            }
        }

        return $out;
    }

    /** The number by itself: not a piece of a longer one, nor of a name. */
    private function pattern(): string
    {
        return '/(?<![\p{L}\d_.,])'.preg_quote($this->number, '/').'(?![\d_]|[.,]\d|\p{L})/u';
    }
}
