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
            if (
                $question->feedback !== [] ||
                $part->feedback !== [] ||
                array_filter($part->key->rules, fn ($rule): bool => $rule->feedback !== null) !== []
            ) {
                $losses[] = Message::of('parts.choice.says-right-wrong-answer', ['name' => $question->name()]);
            }
            if ($question->hints !== []) {
                $losses[] = Message::of('parts.choice.hints-lost', ['name' => $question->name()]);
            }
        }
        if ($rules === []) {
            $losses[] = Message::of('parts.choice.none-statements-true-list');
        }
        $first = $questions[0]->toJson();
        $json = (object) [
            'format' => Question::FORMAT,
            'version' => 1,
            'id' => $id,
            'title' => '',
            'language' => $questions[0]->language,
            'body' => '<p>'.Message::of('parts.choice.which-are-true').'</p>'.Draft::blockPlace('p1'),
            'stimuli' => $questions[0]->stimuli,
            'parts' => [
                (object) [
                    'id' => 'p1',
                    'kind' => 'choice',
                    'label' => '',
                    'points' => Exact::number($points),
                    'settings' => (object) [
                        'options' => $options,
                        'min' => 0,
                        'max' => null,
                        'layout' => 'column',
                        'labels' => 'A',
                        'shuffle' => true,
                    ],
                    'key' => (object) ['rules' => $rules, 'default' => '0'],
                    'scoring' => (object) ['scheme' => 'judge'],
                ],
            ],
        ];
        $record = ($first->record ?? null) instanceof \stdClass ? $first->record : new \stdClass();
        $json->record = (object) [
            'status' => 'draft',
            ...array_intersect_key((array) $record, ['topics' => 1, 'tags' => 1, 'level' => 1, 'difficulty' => 1, 'licence' => 1]),
        ];

        return new ConvertedQuestion($json, $losses);
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
        $questions = [];
        foreach ($part->settings->options as $option) {
            $rule = array_values(array_filter($part->key->rules, fn ($rule): bool => $rule->on === $option['id']))[0] ?? null;
            $isTrue = $rule?->credit()->isPositive() === true;
            $json = $question->toJson();
            $record = ($json->record ?? null) instanceof \stdClass ? (array) $json->record : [];
            $statement = RichText::read($option['html'])->html();
            $feedback =
                $rule?->feedback === null
                    ? []
                    : [
                        (object) [
                            'id' => 'r2',
                            'on' => 'a',
                            'credit' => $isTrue ? '1' : '0',
                            'feedback' => (object) ['html' => $rule->feedback->html, 'show' => $rule->feedback->show],
                        ],
                    ];
            $questions[] = (object) [
                'format' => Question::FORMAT,
                'version' => 1,
                'id' => $id(),
                'title' => '',
                'language' => $question->language,
                'stimuli' => $question->stimuli,
                'body' => '<p>'.Message::of('parts.choice.true-or-false').'</p>'.
                    (str_starts_with($statement, '<p') ? $statement : "<p>$statement</p>").
                    Draft::blockPlace('p1'),
                'parts' => [
                    (object) [
                        'id' => 'p1',
                        'kind' => 'choice',
                        'label' => '',
                        'points' => Exact::number($share),
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
                        'key' => (object) [
                            'rules' => $isTrue && $feedback !== []
                                    ? $feedback
                                    : [(object) ['id' => 'r1', 'on' => $isTrue ? 'a' : 'b', 'credit' => '1'], ...$feedback],
                            'default' => '0',
                        ],
                        'scoring' => (object) ['scheme' => 'weights'],
                    ],
                ],
                'record' => (object) [
                    'status' => 'draft',
                    ...array_intersect_key($record, ['topics' => 1, 'tags' => 1, 'level' => 1, 'difficulty' => 1, 'licence' => 1]),
                ],
            ];
        }

        return [$questions, $losses];
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
