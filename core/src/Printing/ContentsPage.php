<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use Brick\Math\BigRational;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** Which questions are about what: by topic, then by standard, with their points. For the author. */
final readonly class ContentsPage
{
    public function __construct(private PrintedTest $test)
    {
    }

    public function html(): string
    {
        $topics = $this->table(Message::of('printing.by-topic'), fn (PrintedQuestion $item): array => $item->topics);
        $standards = $this->table(Message::of('printing.by-standard'), fn (PrintedQuestion $item): array => $item->standards);

        return $topics.$standards === '' ? '<p class="gone">'.Paper::text(Message::of('printing.no-topics')).'</p>' : $topics.$standards;
    }

    /** @param  \Closure(PrintedQuestion): list<string>  $values */
    private function table(string $title, \Closure $values): string
    {
        $lines = [];
        $without = [];
        foreach ($this->test->questions() as $entry => [$item]) {
            $of = $values($item);
            foreach ($of as $value) {
                $lines[$value][$entry] = $item->points;
            }
            if ($of === []) {
                $without[$entry] = $item->points;
            }
        }
        if ($lines === []) {
            return '';
        }
        uksort($lines, fn (int|string $a, int|string $b): int => strnatcasecmp((string) $a, (string) $b));
        $rows = '';
        foreach ($lines as $value => $entries) {
            $rows .= $this->row((string) $value, $entries);
        }
        $rows .= $without === [] ? '' : $this->row(Message::of('printing.none-of-these'), $without);
        $heads = array_map(
            fn (string $head): string => '<th scope="col">'.Paper::text($head).'</th>',
            [$title, Message::of('printing.questions'), Message::of('printing.points')],
        );

        return '<table class="contents"><thead><tr>'.implode('', $heads)."</tr></thead><tbody>$rows</tbody></table>";
    }

    /** @param  array<string, BigRational>  $entries  their points */
    private function row(string $value, array $entries): string
    {
        $points = array_reduce($entries, fn (BigRational $sum, BigRational $one): BigRational => $sum->plus($one), Exact::zero());
        $numbers = implode(', ', array_map(fn (int|string $entry): string => $this->test->label((string) $entry), array_keys($entries)));

        return '<tr><th scope="row">'.Paper::text($value).'</th><td>'.Paper::text($numbers).'</td><td>'.
            Paper::text((string) Exact::number($points)).'</td></tr>';
    }
}
