<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Text;

use Brick\Math\BigRational;
use WideQuarry\Answer\NormaliseOptions;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Patterns\WholeWords;
use WideQuarry\Interchange\Patterns\XsdPatternReader;
use WideQuarry\Interchange\Patterns\XsdPatternWriter;
use WideQuarry\Interchange\Plain\AcceptedWordings;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\TypedChain;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;

/** qti-text-entry-interaction over a string; an extended text of one string is the same with more lines. */
final class TextMapping implements KindMapping
{
    use MappingDefaults;

    public function shape(): AnswerShape
    {
        return AnswerShape::Words;
    }

    public function choices(\stdClass $settings, array $gaps): array
    {
        return [[], []];
    }

    public function toResponse(array $given, string $language, \stdClass $settings): \stdClass
    {
        return (object) ['text' => $given[0] ?? ''];
    }

    public function on(string $value): ?string
    {
        return null;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return in_array($interaction->localName, ['qti-text-entry-interaction', 'qti-extended-text-interaction'], true) &&
            ($declaration === null || ($declaration->baseType === 'string' && $declaration->cardinality === 'single'));
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        $part =
            $marking === null || $declaration === null
                ? (object) [
                    'kind' => 'text',
                    'points' => 1,
                    'settings' => new \stdClass(),
                    'key' => (object) ['rules' => []],
                    'scoring' => (object) ['scheme' => 'person'],
                ]
                : match ($marking->by) {
                    'correct' => $this->matched($declaration, $marking),
                    'map' => $this->mapped($declaration),
                    'chain' => TypedChain::read('text', $marking, $this->condition(...)),
                    'own' => null,
                };
        if ($part !== null) {
            $width = (int) $interaction->getAttribute('expected-length');
            $lines =
                $interaction->localName === 'qti-extended-text-interaction'
                    ? min(40, max(3, (int) $interaction->getAttribute('expected-lines')))
                    : 0;
            $part->settings = (object) array_filter([
                'width' => min(200, $width),
                'lines' => $lines,
                'placeholder' => $interaction->getAttribute('placeholder-text'),
            ]);
        }

        return $part;
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof TextSettings);

        return PlainPart::words($settings->width, $in->normalise->overriddenBy($settings->normalise));
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof TextSettings);
        /** @var array<string, array{string, string}> $losses */
        $losses = [];
        $test = function (Rule $rule) use ($response, $in, $settings, &$losses): ?string {
            assert($rule->on instanceof TextMatcher);
            $options = $in->normalise->overriddenBy($settings->normalise);
            $options = $rule->on->case === null ? $options : $options->withCase($rule->on->case);

            return $this->test($rule->on, $response, $in, $options, $losses);
        };
        $processing = TypedChain::write($part, $response, $test);
        $best = null;
        foreach ($part->key->rules as $rule) {
            $best =
                $rule->on instanceof TextMatcher && $rule->on->answer === 'is' && $rule->on->texts !== [] && $rule->credit()->isPositive()
                    ? $best ?? $rule->on->texts[0]->words($in->roll, $in->language)
                    : $best;
        }
        $correct = $best === null ? '' : '<qti-correct-response><qti-value>'.Xml::escape($best).'</qti-value></qti-correct-response>';
        $placeholder = $settings->placeholder === '' ? '' : ' placeholder-text="'.Xml::escape($settings->placeholder).'"';

        return new WrittenPart(
            "<qti-response-declaration identifier=\"$response\" cardinality=\"single\" ".
                "base-type=\"string\">$correct</qti-response-declaration>",
            "<qti-text-entry-interaction response-identifier=\"$response\" expected-length=\"$settings->width\"$placeholder/>",
            $processing,
            array_values($losses),
            TypedChain::matches($part, $test),
        );
    }

    /** @param  array<string, array{string, string}>  $losses */
    private function test(TextMatcher $on, string $response, WriteContext $in, NormaliseOptions $options, array &$losses): ?string
    {
        $ignoreCase = $options->is('case', 'ignore');
        $wordings = new AcceptedWordings($options, $in->language);
        $variable = "<qti-variable identifier=\"$response\"/>";
        $sensitive = $ignoreCase ? 'false' : 'true';
        $texts = $wordings->of($on, array_map(fn ($text): string => $text->words($in->roll, $in->language), $on->texts));
        foreach ($wordings->losses() as $loss) {
            $losses[$loss[0]] = $loss;
        }
        $words = array_map(
            fn (string $text): string => '<qti-base-value base-type="string">'.Xml::escape($text).'</qti-base-value>',
            $texts,
        );
        if ($words === [] && $on->answer !== 'shape') {
            return null;
        }
        if ($on->answer === 'slips') {
            $losses['slips'] = [
                'text.slips',
                Message::of('parts.text.qti-cannot-accept-spelling'),
            ];
        }
        $pattern = fn (?string $expression): ?string => $expression === null
            ? null
            : '<qti-pattern-match pattern="'.Xml::escape($expression)."\">$variable</qti-pattern-match>";
        $held = fn (string $by): ?string => $this->joined(
            $by,
            array_map(
                fn ($text): ?string => $pattern(WholeWords::pattern($text->words($in->roll, $in->language), $ignoreCase)),
                $on->texts,
            ),
        );
        $shape = $on->answer === 'shape' ? $pattern(XsdPatternWriter::pattern($on->pattern, $on->anchored, $ignoreCase)) : null;
        if ($on->answer === 'shape' && $shape === null) {
            $losses['shape'] = ['text.pattern', Message::of('parts.text.shape-answers-cannot-said')];
        }

        return match ($on->answer) {
            'is', 'slips' => $this->joined(
                'qti-or',
                array_map(
                    fn (string $word): string => "<qti-string-match case-sensitive=\"$sensitive\">$variable$word</qti-string-match>",
                    $words,
                ),
            ),
            'holds', 'holds_any' => $held('qti-or'),
            'holds_all' => $held('qti-and'),
            'shape' => $shape,
            default => null,
        };
    }

    /** @param  array<?string>  $tests  at least one */
    private function joined(string $by, array $tests): ?string
    {
        return in_array(null, $tests, true) ? null : (count($tests) === 1 ? $tests[0] : "<$by>".implode('', $tests)."</$by>");
    }

    /** @return array<string, mixed>|null */
    private function condition(\DOMElement $test): ?array
    {
        if ($test->localName === 'qti-pattern-match') {
            return $this->pattern($test->getAttribute('pattern'));
        }
        if ($test->localName === 'qti-substring') {
            // letters anywhere, not whole words
            $letters = Xml::child($test, 'qti-base-value')->textContent ?? '';

            return [
                'answer' => 'shape',
                'pattern' => preg_quote($letters),
                'anchored' => false,
                'case' => $test->getAttribute('case-sensitive') === 'false' ? 'ignore' : 'keep',
            ];
        }
        if ($test->localName === 'qti-or' || $test->localName === 'qti-and') {
            return $this->several(Xml::children($test), $test->localName === 'qti-or');
        }
        $value = Xml::child($test, 'qti-base-value');
        if (
            $value === null ||
            ! in_array($test->localName, ['qti-string-match', 'qti-match'], true) ||
            $test->getAttribute('substring') === 'true'
        ) {
            return null;
        }

        return [
            'answer' => 'is',
            'text' => [$value->textContent],
            'case' => $test->localName === 'qti-string-match' && $test->getAttribute('case-sensitive') === 'false' ? 'ignore' : 'keep',
        ];
    }

    /** @return array<string, mixed>|null */
    private function pattern(string $pattern): ?array
    {
        $held = WholeWords::read($pattern);
        $shape = $held === null ? XsdPatternReader::pattern($pattern) : null;

        return $held !== null
            ? ['answer' => 'holds', 'text' => [$held[0]], 'case' => $held[1] ? 'ignore' : 'keep']
            : ($shape === null
                ? null
                : ['answer' => 'shape', 'pattern' => $shape, 'case' => 'keep']);
    }

    /**
     * Several wordings of one rule.
     *
     * @param  list<\DOMElement>  $tests
     * @param  bool  $any  whether one of them is enough
     * @return array<string, mixed>|null
     */
    private function several(array $tests, bool $any): ?array
    {
        $said = array_map($this->condition(...), $tests);
        $answer = match ($said[0]['answer'] ?? null) {
            'is' => $any ? 'is' : null,
            'holds' => $any ? 'holds_any' : 'holds_all',
            default => null,
        };
        $words = [];
        foreach ($said as $one) {
            if (
                $one === null ||
                $one['answer'] !== ($said[0]['answer'] ?? null) ||
                $one['case'] !== ($said[0]['case'] ?? null) ||
                ! is_array($one['text'] ?? null)
            ) {
                return null;
            }
            $words = [...$words, ...$one['text']];
        }

        return $answer === null ? null : ['answer' => $answer, 'text' => $words, 'case' => $said[0]['case'] ?? null];
    }

    private function matched(Declaration $declaration, Marking $marking): ?\stdClass
    {
        return $declaration->correct === []
            ? null
            : $this->part(
                Exact::read($marking->points) ?? Exact::one(),
                [
                    [
                        'id' => 'r1',
                        'on' => (object) ['answer' => 'is', 'text' => [$declaration->correct[0]], 'case' => 'keep'],
                        'credit' => '1',
                    ],
                ],
                '0',
            );
    }

    private function mapped(Declaration $declaration): ?\stdClass
    {
        $values = array_map(fn (array $entry): BigRational => Exact::read($entry['value']) ?? Exact::zero(), $declaration->map ?? []);
        $points = array_reduce(
            $values,
            fn (BigRational $best, BigRational $value): BigRational => $value->isGreaterThan($best) ? $value : $best,
            Exact::zero(),
        );
        $points = $declaration->upper === null ? $points : Exact::read($declaration->upper) ?? $points;
        if (! $points->isPositive()) {
            return null;
        }
        $rules = [];
        foreach ($declaration->map ?? [] as $i => $entry) {
            $rules[] = [
                'id' => 'r'.($i + 1),
                'on' => (object) ['answer' => 'is', 'text' => [$entry['key']], 'case' => $entry['sensitive'] ? 'keep' : 'ignore'],
                'credit' => ScoreFloats::share($entry['value'], $points),
            ];
        }

        return $this->part($points, $rules, ScoreFloats::share($declaration->default, $points));
    }

    /** @param  list<array<string, mixed>>  $rules */
    private function part(BigRational $points, array $rules, string $default): \stdClass
    {
        return (object) [
            'kind' => 'text',
            'points' => ScoreFloats::points($points),
            'settings' => new \stdClass(),
            'key' => (object) ['rules' => $rules, 'default' => $default],
            'scoring' => (object) ['scheme' => 'weights'],
        ];
    }
}
