<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use Brick\Math\BigRational;
use WideQuarry\Content\RichText;
use WideQuarry\Marking\RubricText;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\ScoringContext;

/** A part as markers need it: what earns how many points, accepted variants, foreseen mistakes, or the rubric. */
final readonly class MarkScheme
{
    private const NAMED = [
        'all' => 'scheme-all',
        'each' => 'scheme-each',
        'balance' => 'scheme-balance',
        'judge' => 'scheme-judge',
        'weights' => 'scheme-weights',
        'pairs' => 'scheme-pairs',
        'joins' => 'scheme-joins',
        'chain' => 'scheme-chain',
        'positions' => 'scheme-positions',
    ];

    public function __construct(private ScoringContext $in, private Paper $paper)
    {
    }

    /**
     * @param  array<mixed>  $presented  as the kind presented it
     *
     * @throws \WideQuarry\Question\NotScorable|\WideQuarry\Variables\RollProblem
     */
    public function html(Part $part, array $presented): string
    {
        if ($part->scheme === Scheme::Person) {
            return $this->byHand($part);
        }
        $right = $wrong = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->credit()->isPositive()) {
                $right[] = $this->rule($part, $presented, $rule, $rule->credit());
            } else {
                $wrong[] = $this->rule($part, $presented, $rule, null);
            }
        }
        $several = count($right) > 1 ? Message::of('printing.'.self::NAMED[$part->scheme->value]) : '';

        return self::list($right).
            ($several === '' ? '' : '<p class="how">'.Paper::text($several).'</p>').
            ($wrong === [] ? '' : '<p class="how">'.Paper::text(Message::of('printing.foreseen')).'</p>'.self::list($wrong));
    }

    private function byHand(Part $part): string
    {
        $rubric = $part->key->rubric;

        return $rubric === null
            ? '<p><em>'.Paper::text(Message::of('printing.marked-by-a-person')).'</em></p>'
            : $this->rich((new RubricText($rubric))->html());
    }

    /**
     * One rule as the kind says it, with the points it earns and what the author noted.
     *
     * @param  array<mixed>  $presented
     * @param  BigRational|null  $credit  null of a mistake, which earns nothing
     */
    private function rule(Part $part, array $presented, Rule $rule, ?BigRational $credit): string
    {
        $kind = $part->kind;
        assert($kind instanceof PrintableKind);
        // kinds print what earns something: a mistake is asked for as if it did
        $only = $part->key->only(fn (Rule $one): bool => $one->id === $rule->id);
        $alone = $part->withKey($only->map(fn (Rule $one): Rule => $one->earning('1')));
        $said = implode(
            '; ',
            array_map(fn (PrintedAnswer $answer): string => $answer->html, $kind->answers($alone, $presented, $this->in, $this->paper)),
        );
        $points = $credit === null || $credit->isEqualTo(1) ? '' : ' <span class="credit">('.$this->percent($credit).')</span>';
        $told = $credit === null && $rule->feedback !== null ? RichText::read($rule->feedback->html)->plain() : '';
        $note = implode(' ', array_filter([$rule->note, $told]));

        return $said.$points.($note === '' ? '' : ' <span class="note">'.Paper::text($note).'</span>');
    }

    /** @param  list<string>  $lines */
    private static function list(array $lines): string
    {
        $filled = array_filter($lines, fn (string $line): bool => trim($line) !== '');

        return $filled === [] ? '' : '<ul>'.implode('', array_map(fn (string $line): string => "<li>$line</li>", $filled)).'</ul>';
    }

    private function percent(BigRational $credit): string
    {
        $percent = $credit->multipliedBy(100);

        return (Exact::decimal($percent) ?? (string) Exact::toPlaces($percent, 1)).' %';
    }

    private function rich(string $html): string
    {
        return $this->paper->html(\WideQuarry\Content\Tree::of(RichText::read($html)->html(), $this->in->roll->filling()));
    }
}
