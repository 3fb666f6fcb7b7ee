<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Content\Tree;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\ScoringContext;

/** All that a question can tell its learners, each with when it is told: for an answer, a part, the whole, or on request. */
final readonly class FeedbackList
{
    private const STATES = [
        'right' => 'printing.feedback-right',
        'partly' => 'printing.feedback-partly',
        'wrong' => 'printing.feedback-wrong',
        'general' => 'printing.feedback-general',
    ];

    public function __construct(private ScoringContext $in, private Paper $paper)
    {
    }

    /**
     * @param  list<array<string, mixed>>  $presented  its parts as they were presented
     * @return string a list; empty where it tells nothing
     *
     * @throws \WideQuarry\CoreException
     */
    public function html(Question $question, array $presented): string
    {
        $lines = [];
        foreach ($question->parts as $i => $part) {
            $name = count($question->parts) > 1 ? ($part->label !== '' ? $part->label : '('.($i + 1).')') : null;
            foreach ($this->ofPart($part, (array) $presented[$i]['settings']) as [$when, $html]) {
                $of = Paper::text(Message::of('printing.of-part', ['name' => (string) $name, 'what' => "\u{FFFC}"]));
                $lines[] = $this->line($name === null ? $when : str_replace("\u{FFFC}", $when, $of), $html);
            }
        }
        foreach ($question->feedback as $state => $feedback) {
            $lines[] = $this->line(self::state($state), $feedback->html);
        }
        foreach ($question->hints as $hint) {
            $lines[] = $this->line(Paper::text(Message::of('printing.feedback-hint')), $hint->html);
        }

        return $lines === [] ? '' : '<ul class="feedback">'.implode('', $lines).'</ul>';
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<array{string, string}> when, as markup, and what is said, as it was written
     */
    private function ofPart(Part $part, array $presented): array
    {
        $lines = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->feedback !== null && $rule->feedback->html !== '') {
                $lines[] = [$this->answer($part, $rule, $presented), $rule->feedback->html];
            }
        }
        foreach ($part->kind?->remarks($part) ?? [] as $about => $feedback) {
            $lines[] = [Paper::text($about), $feedback->html];
        }
        foreach ($part->feedback as $state => $feedback) {
            $lines[] = [self::state($state), $feedback->html];
        }

        return $lines;
    }

    /**
     * The answer a rule is about. Kinds print what earns something: a mistake is asked for as if it did.
     *
     * @param  array<mixed>  $presented
     */
    private function answer(Part $part, Rule $rule, array $presented): string
    {
        if (! $part->kind instanceof PrintableKind) {
            return '';
        }
        $only = $part->key->only(fn (Rule $one): bool => $one->id === $rule->id)->map(fn (Rule $one): Rule => $one->earning('1'));

        return implode('; ', array_map(
            fn (PrintedAnswer $answer): string => $answer->html,
            $part->kind->answers($part->withKey($only), $presented, $this->in, $this->paper),
        ));
    }

    private static function state(string $state): string
    {
        return Paper::text(Message::of(self::STATES[$state] ?? self::STATES['general']));
    }

    /** @param  string  $when  markup */
    private function line(string $when, string $html): string
    {
        return "<li><span class=\"when\">$when</span> ".$this->paper->html(Tree::of($html, $this->in->roll->filling())).'</li>';
    }
}
