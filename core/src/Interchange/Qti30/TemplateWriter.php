<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Content\Element;
use WideQuarry\CoreException;
use WideQuarry\Json\Json;
use WideQuarry\Maths\Node;
use WideQuarry\Maths\Parser;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Question;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\Value;

/** The variables of a question as template variables (QTI 3.0 ASI, 2.9): ranges, lists and expressions, and conditions over them. */
final class TemplateWriter
{
    private string $declarations = '';

    private string $processing = '';

    private string $correct = '';

    /** @var array<string, Element> variable → how it is printed */
    private array $printed = [];

    private function __construct()
    {
    }

    /** @return self|null null when there are none, or some of them cannot be said so that one set of values has to stand for all */
    public static function of(Question $question): ?self
    {
        $json = $question->toJson()->variables ?? null;
        if ($question->variables->list === [] || ! ($json instanceof \stdClass) || self::isElsewhere($question)) {
            return null;
        }
        $self = new self();
        try {
            foreach (is_array($json->list ?? null) ? $json->list : [] as $variable) {
                if (! ($variable instanceof \stdClass) || ! $self->variable($variable)) {
                    return null;
                }
            }
            foreach (is_array($json->conditions ?? null) ? $json->conditions : [] as $condition) {
                $self->processing .=
                    '<qti-template-constraint>'.
                    Parser::parse(is_string($condition) ? $condition : '')->accept(new ExpressionXml).
                    '</qti-template-constraint>';
            }
        } catch (CoreException) {
            return null;
        }

        return $self;
    }

    /** @return array<string, Element> what stands in a text for each of them */
    public function printed(): array
    {
        return $this->printed;
    }

    /** A value of a key as an expression. @throws \WideQuarry\Variables\RollProblem */
    public function value(Value $value, Roll $roll): string
    {
        return $value->isExpression() ? $this->expression($value->source()) : ExpressionXml::number($value->number($roll));
    }

    /** The right answer of a response, which depends on the values. */
    public function correct(string $response, Value $value): void
    {
        $this->correct .=
            "<qti-set-correct-response identifier=\"$response\">".$this->expression($value->source()).'</qti-set-correct-response>';
    }

    public function declarations(): string
    {
        return $this->declarations;
    }

    public function processing(): string
    {
        return "<qti-template-processing>$this->processing$this->correct</qti-template-processing>";
    }

    /** @throws CoreException */
    private function variable(\stdClass $variable): bool
    {
        $name = is_string($variable->name ?? null) ? $variable->name : '';
        $show = $variable->show ?? null;
        $show = $show instanceof \stdClass ? get_object_vars($show) : [];
        if ($name === '' || array_diff_key($show, ['places' => 1]) !== []) {
            return false; // fractions, powers of ten, signs and units are not printed there
        }
        $places = is_int($show['places'] ?? null) ? $show['places'] : null;
        $kind = $variable->kind ?? '';
        if ($kind === 'row' || $kind === 'sample') {
            $drawn = $kind === 'row' ? DrawnTogether::row($variable) : DrawnTogether::sample($variable);
            $this->declarations .= $drawn->declarations ?? '';
            $this->processing .= $drawn->processing ?? '';
            foreach ($drawn->printed ?? [] as $shown => $id) {
                $this->printed[$shown] = self::printedAs($id, $places);
            }

            return $drawn !== null;
        }
        [$type, $value, $more] = match ($kind) {
            'integer', 'decimal' => $this->range($variable),
            'list' => $this->list($variable),
            'expr' => $this->worked(is_string($variable->expr ?? null) ? $variable->expr : '', $name),
            default => ['', '', ''],
        };
        if ($value === '') {
            return false;
        }
        $this->declarations .= "<qti-template-declaration identifier=\"$name\" cardinality=\"single\" base-type=\"$type\" ".
            'math-variable="true"/>';
        $this->processing .= str_starts_with($value, '<qti-template-condition>')
            ? $value
            : "<qti-set-template-value identifier=\"$name\">$value</qti-set-template-value>$more";
        $this->printed[$name] = self::printedAs($name, $places);

        return true;
    }

    private static function printedAs(string $id, ?int $places): Element
    {
        return new Element('qti-printed-variable', ['identifier' => $id, ...$places === null ? [] : ['format' => "%.{$places}f"]]);
    }

    /**
     * What is worked out: an expression, or where the whole of it is a choice between two, a condition that sets one or the other.
     *
     * @return array{string, string, string}
     *
     * @throws CoreException
     */
    private function worked(string $expression, string $name): array
    {
        $node = Parser::parse($expression);
        $isWords = $node instanceof Node\Literal && is_string($node->value);

        return [$isWords ? 'string' : 'float', $this->chosen($node, $name), ''];
    }

    private function chosen(Node $node, string $name): string
    {
        if (! ($node instanceof Node\Call) || $node->name !== 'if' || count($node->arguments) !== 3) {
            return $node->accept(new ExpressionXml);
        }
        [$condition, $then, $else] = $node->arguments;
        $set = function (Node $value) use ($name): string {
            $xml = $this->chosen($value, $name);

            return str_starts_with($xml, '<qti-template-condition>')
                ? $xml
                : "<qti-set-template-value identifier=\"$name\">$xml</qti-set-template-value>";
        };

        return '<qti-template-condition><qti-template-if>'.$condition->accept(new ExpressionXml).$set($then).
            '</qti-template-if><qti-template-else>'.$set($else).'</qti-template-else></qti-template-condition>';
    }

    /** @return array{string, string, string} base type, value, and what it must not be */
    private function range(\stdClass $variable): array
    {
        $read = fn (string $field): ?\Brick\Math\BigRational => is_string($variable->{$field} ?? null)
            ? Exact::read($variable->{$field})
            : null;
        [$from, $to] = [$read('from'), $read('to')];
        if ($from === null || $to === null) {
            return ['', '', ''];
        }
        $places = max(
            array_map(
                fn (string $end): int => strlen(explode('.', is_string($variable->{$end} ?? null) ? $variable->{$end} : '')[1] ?? ''),
                ['from', 'to'],
            ),
        );
        $step = $read('step') ?? \Brick\Math\BigRational::of($places === 0 ? '1' : "1e-$places");
        $last = (string) $to->minus($from)->dividedBy($step)->toScale(0, \Brick\Math\RoundingMode::FLOOR);
        $value =
            ($variable->kind ?? '') === 'integer'
                ? "<qti-random-integer min=\"$from\" max=\"$to\" step=\"".$step->simplified().'"/>'
                : '<qti-sum>'.
                    ExpressionXml::number($from).
                    '<qti-product>'.
                    ExpressionXml::number($step).
                    "<qti-random-integer min=\"0\" max=\"$last\"/></qti-product></qti-sum>";
        $except = '';
        foreach (is_array($variable->except ?? null) ? $variable->except : [] as $one) {
            $out = is_string($one) ? Exact::read($one) : null;
            $except .=
                $out === null
                    ? ''
                    : '<qti-template-constraint><qti-not><qti-equal tolerance-mode="exact"><qti-variable identifier="'.
                        (is_string($variable->name) ? $variable->name : '').
                        '"/>'.
                        ExpressionXml::number($out).
                        '</qti-equal></qti-not></qti-template-constraint>';
        }

        return [($variable->kind ?? '') === 'integer' ? 'integer' : 'float', $value, $except];
    }

    /** @return array{string, string, string} */
    private function list(\stdClass $variable): array
    {
        $all = is_array($variable->items ?? null) ? $variable->items : [];
        $items = array_values(array_filter($all, is_string(...)));
        $numbers = array_filter(array_map(Exact::read(...), $items));
        $type = count($numbers) === count($items) ? 'float' : 'string';
        $values = implode(
            '',
            array_map(
                fn (string $item): string => "<qti-base-value base-type=\"$type\">".
                    Xml::escape($type === 'float' ? ScoreFloats::float(Exact::of($item)) : $item).
                    '</qti-base-value>',
                $items,
            ),
        );

        return $items === [] || count($items) < count($all)
            ? ['', '', '']
            : [$type, "<qti-random><qti-multiple>$values</qti-multiple></qti-random>", ''];
    }

    /** @throws CoreException */
    private function expression(string $text): string
    {
        return Parser::parse($text)->accept(new ExpressionXml);
    }

    /** Whether something other than numbers of a key depends on the values. */
    private static function isElsewhere(Question $question): bool
    {
        $json = Json::decode(Json::encode($question->toJson()->parts ?? []));
        foreach (is_array($json) ? $json : [] as $i => $part) {
            assert($part instanceof \stdClass);
            if (Mappings::of($question->parts[$i]->kind)?->canKeyVary() === true && $part->key instanceof \stdClass) {
                foreach (is_array($part->key->rules ?? null) ? $part->key->rules : [] as $rule) {
                    if ($rule instanceof \stdClass && $rule->on instanceof \stdClass) {
                        unset($rule->on->value, $rule->on->values, $rule->on->from, $rule->on->to);
                    }
                }
            }
        }

        return preg_match('/\{"expr":/', Json::encode($json)) === 1;
    }
}
