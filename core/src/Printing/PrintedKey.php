<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use Brick\Math\BigRational;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\ValueFormat;

/** What is right, part by part, in the letters and signs of the sheet. */
final readonly class PrintedKey
{
    public function __construct(private ScoringContext $in, private Paper $paper)
    {
    }

    /**
     * @param  list<array<string, mixed>>  $presented  its parts as they were presented
     *
     * @throws \WideQuarry\CoreException
     */
    public function html(Question $question, array $presented): string
    {
        $asked = array_filter($question->parts, fn (Part $one): bool => ! $question->scoring->isInstead($one->id));
        $html = '';
        foreach ($asked as $i => $part) {
            $html .= $this->ofPart($part, (array) $presented[$i]['settings'], count($asked) > 1 ? $i + 1 : null);
        }

        return $html;
    }

    /** @param  array<mixed>  $presented */
    private function ofPart(Part $part, array $presented, ?int $place): string
    {
        $answers =
            $part->scheme !== Scheme::Person && $part->kind instanceof PrintableKind
                ? $part->kind->answers($part, $presented, $this->in, $this->paper)
                : [];
        $lines = implode('', array_map($this->line(...), $answers));
        $name = $part->label !== '' ? $part->label : "($place)";
        $label = $place === null ? '' : '<span class="place">'.Paper::text($name).'</span> ';
        $said = $lines === '' ? '<em>'.Paper::text(Message::of('printing.marked-by-a-person')).'</em>' : "<ul>$lines</ul>";

        return "<div class=\"answers\">$label$said</div>";
    }

    private function line(PrintedAnswer $answer): string
    {
        $credit = $answer->credit->isEqualTo(1) ? '' : ' <span class="credit">('.$this->percent($answer->credit).' %)</span>';

        return "<li>$answer->html$credit</li>";
    }

    /** Exact where it can be, thirds to one decimal. */
    private function percent(BigRational $credit): string
    {
        $percent = $credit->multipliedBy(100);

        return ValueFormat::plain()->write(
            Exact::decimal($percent) === null ? Exact::toPlaces($percent, 1)->toBigRational() : $percent,
            $this->in->language,
        );
    }
}
