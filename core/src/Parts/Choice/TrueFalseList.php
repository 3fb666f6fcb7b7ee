<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Choice;

use Brick\Math\BigRational;
use WideQuarry\Content\RichText;
use WideQuarry\Converting\ConvertedQuestion;
use WideQuarry\Converting\Draft;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;

/** A run of true–false questions as one list of statements that are each judged, and such a list as a run of questions. */
final class TrueFalseList
{
    private const TRUE = ['true', 'yes', 'right', 'correct'];

    private const FALSE = ['false', 'no', 'wrong', 'not true', 'incorrect'];

    /**
     * @param  list<Question>  $questions
     * @param  string  $id  of the new question
     *
     * @throws Malformed when one of them asks for something else than true or false
     */
    public static function join(array $questions, string $id): ConvertedQuestion
    {
        if (count($questions) < 2) {
            throw Malformed::outOfRange('/questions', Message::of('parts.choice.least-two-questions'), count($questions));
        }
        $options = $rules = $losses = [];
        $points = Exact::zero();
        foreach ($questions as $i => $question) {
            [$part, $isTrue] =
                self::verdict($question) ??
                throw Malformed::outOfRange("/questions/$i", Message::of('parts.choice.question-two-options-true'), $question->name());
            $option = 'o'.($i + 1);
            $options[] = (object) ['id' => $option, 'html' => self::statement($question, $part)];
            if ($isTrue) {
                $rules[] = (object) ['id' => 'r'.(count($rules) + 1), 'on' => $option, 'credit' => '1'];
            }
            $points = $points->plus($part->points());
            array_push($losses, ...self::lost($question, $part));
        }
        if ($rules === []) {
            $losses[] = Message::of('parts.choice.none-statements-true-list');
        }
        $list = (object) [
            'format' => Question::FORMAT,
            'version' => 1,
            'id' => $id,
            'title' => '',
            'language' => $questions[0]->language,
            'body' => '<p>'.Message::of('parts.choice.which-are-true').'</p>'.Draft::blockPlace('p1'),
            'stimuli' => $questions[0]->stimuli,
            'parts' => [self::toTick($options, $rules, Exact::number($points))],
            'record' => self::record($questions[0]),
        ];

        return new ConvertedQuestion($list, $losses);
    }

    /**
     * @param  \Closure(): string  $id  of each new question
     * @return array{list<\stdClass>, list<string>} the questions, and what was lost
     *
     * @throws Malformed when it is no list of statements
     */
    public static function split(Question $question, \Closure $id): array
    {
        $part = $question->parts[0] ?? null;
        if (
            count($question->parts) !== 1 ||
            $part === null ||
            ! ($part->settings instanceof ChoiceSettings) ||
            $part->settings->max === 1
        ) {
            throw Malformed::outOfRange('/parts', Message::of('parts.choice.one-list-statements-several'), count($question->parts));
        }
        $share = Exact::toPlaces($part->points()->dividedBy(count($part->settings->options)), 4)->toBigRational();
        $losses = $share->multipliedBy(BigRational::of(count($part->settings->options)))->isEqualTo($part->points())
            ? []
            : [Message::of('parts.choice.points-cannot-shared-out', ['share' => Exact::number($share)])];
        if ($part->scheme !== Scheme::Judge) {
            $losses[] = Message::of('parts.choice.statements-counted-together-afterwards');
        }
        if ($question->hints !== [] || $question->feedback !== [] || $part->feedback !== []) {
            $losses[] = Message::of('parts.choice.hints-feedback-whole-list');
        }
        $stem = trim(
            str_replace([Draft::blockPlace($part->id), Draft::inlinePlace($part->id)], '', RichText::read($question->body)->html()),
        );
        $losses[] = Message::of('parts.choice.text-above-list-gives', ['plain' => mb_substr(RichText::read($stem)->plain(), 0, 60)]);
        $questions = array_map(
            fn (array $option): \stdClass => self::trueOrFalse($question, $part, $option, $id(), Exact::number($share)),
            $part->settings->options,
        );

        return [$questions, $losses];
    }

    /** @param  array{id: string, html: string}  $option  the statement */
    private static function trueOrFalse(Question $question, Part $part, array $option, string $id, int|float $points): \stdClass
    {
        $rule = array_values(array_filter($part->key->rules, fn (Rule $rule): bool => $rule->on === $option['id']))[0] ?? null;
        $statement = RichText::read($option['html'])->html();
        $body = Message::of('parts.choice.true-or-false');

        return (object) [
            'format' => Question::FORMAT,
            'version' => 1,
            'id' => $id,
            'title' => '',
            'language' => $question->language,
            'stimuli' => $question->stimuli,
            'body' => "<p>$body</p>".(str_starts_with($statement, '<p') ? $statement : "<p>$statement</p>").Draft::blockPlace('p1'),
            'parts' => [
                (object) [
                    'id' => 'p1',
                    'kind' => 'choice',
                    'label' => '',
                    'points' => $points,
                    'settings' => (object) [
                        'options' => [
                            (object) ['id' => 'a', 'html' => '<p>true</p>'],
                            (object) ['id' => 'b', 'html' => '<p>false</p>'],
                        ],
                        'min' => 0,
                        'max' => 1,
                        'layout' => 'row',
                        'labels' => 'none',
                        'shuffle' => false,
                    ],
                    'key' => (object) ['rules' => self::verdictRules($rule), 'default' => '0'],
                    'scoring' => (object) ['scheme' => 'weights'],
                ],
            ],
            'record' => self::record($question),
        ];
    }

    /** What a question hands on to those made of it: all but what is its own. */
    private static function record(Question $question): \stdClass
    {
        $record = ($question->toJson()->record ?? null) instanceof \stdClass ? (array) $question->toJson()->record : [];

        return (object) [
            'status' => 'draft',
            ...array_intersect_key($record, ['topics' => 1, 'tags' => 1, 'level' => 1, 'difficulty' => 1, 'licence' => 1]),
        ];
    }

    /**
     * @param  list<\stdClass>  $statements
     * @param  list<\stdClass>  $rules
     */
    private static function toTick(array $statements, array $rules, int|float $points): \stdClass
    {
        return (object) [
            'id' => 'p1',
            'kind' => 'choice',
            'label' => '',
            'points' => $points,
            'settings' => (object) [
                'options' => $statements,
                'min' => 0,
                'max' => null,
                'layout' => 'column',
                'labels' => 'A',
                'shuffle' => true,
            ],
            'key' => (object) ['rules' => $rules, 'default' => '0'],
            'scoring' => (object) ['scheme' => 'judge'],
        ];
    }

    /** @return list<string> what a question loses as a line of a list */
    private static function lost(Question $question, Part $part): array
    {
        $losses = [];
        $says = array_filter($part->key->rules, fn (Rule $rule): bool => $rule->feedback !== null) !== [];
        if ($says || $question->feedback !== [] || $part->feedback !== []) {
            $losses[] = Message::of('parts.choice.says-right-wrong-answer', ['name' => $question->name()]);
        }
        if ($question->hints !== []) {
            $losses[] = Message::of('parts.choice.hints-lost', ['name' => $question->name()]);
        }

        return $losses;
    }

    /**
     * What was said of ticking the statement is said of calling it true.
     *
     * @return list<\stdClass>
     */
    private static function verdictRules(?Rule $ticked): array
    {
        $isTrue = $ticked?->credit()->isPositive() === true;
        $right = (object) ['id' => 'r1', 'on' => $isTrue ? 'a' : 'b', 'credit' => '1'];
        if ($ticked?->feedback === null) {
            return [$right];
        }
        $said = (object) [
            'id' => 'r2',
            'on' => 'a',
            'credit' => $isTrue ? '1' : '0',
            'feedback' => (object) ['html' => $ticked->feedback->html, 'show' => $ticked->feedback->show],
        ];

        return $isTrue ? [$said] : [$right, $said];
    }

    /** @return array{Part, bool}|null the part, and whether its statement is true */
    private static function verdict(Question $question): ?array
    {
        $part = $question->parts[0] ?? null;
        if (
            count($question->parts) !== 1 ||
            $part === null ||
            ! ($part->settings instanceof ChoiceSettings) ||
            count($part->settings->options) !== 2
        ) {
            return null;
        }
        $says = [];
        foreach ($part->settings->options as $option) {
            $word = mb_strtolower(trim(RichText::read($option['html'])->plain(), " .!\t\n"));
            $says[$option['id']] = in_array($word, self::TRUE, true) ? true : (in_array($word, self::FALSE, true) ? false : null);
        }
        foreach ($part->key->rules as $rule) {
            if (is_string($rule->on) && isset($says[$rule->on]) && $rule->credit()->isEqualTo(1) && ! in_array(null, $says, true)) {
                return [$part, $says[$rule->on]];
            }
        }

        return null;
    }

    /** The text of the question without its answers and without the asking itself. */
    private static function statement(Question $question, Part $part): string
    {
        $html = str_replace(
            [Draft::blockPlace($part->id), '<p>'.Draft::inlinePlace($part->id).'</p>', Draft::inlinePlace($part->id)],
            '',
            RichText::read($question->body)->html(),
        );

        return (string) preg_replace('~<p>\s*(?:True or false|Right or wrong|Is this true)\s*[?:.]?\s*</p>~iu', '', $html);
    }
}
