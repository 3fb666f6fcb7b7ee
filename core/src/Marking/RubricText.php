<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** A rubric as rich text: a table to mark by, for paper and for packages that know no rubrics. */
final readonly class RubricText
{
    public function __construct(private Rubric $rubric)
    {
    }

    public function html(): string
    {
        $rubric = $this->rubric;
        $title = $rubric->title === '' ? '' : '<p><strong>'.self::text($rubric->title).'</strong></p>';
        $table = $rubric->marked() === []
            ? ''
            : match ($rubric->scheme) {
                RubricScheme::Checklist => $this->checklist(),
                RubricScheme::Holistic => $this->holistic($rubric->marked()[0]),
                RubricScheme::Analytic => $this->analytic(),
            };

        return $title.$rubric->html.$table.$this->limits();
    }

    /** Points as they are written: 2, 0.5, 1–3. */
    public static function points(Level $level): string
    {
        if (! $level->hasPoints()) {
            return '';
        }
        $from = self::number($level->from());

        return $level->isRange() ? $from.'–'.self::number($level->to()) : $from;
    }

    public static function number(BigRational $value): string
    {
        return str_replace('-', '−', Exact::decimal($value) ?? Exact::text($value));
    }

    private function analytic(): string
    {
        $rows = '';
        foreach ($this->rubric->criteria as $criterion) {
            $levels = array_reverse($criterion->ascending());
            foreach ($levels === [] ? [null] : $levels as $i => $level) {
                $span = count($levels) > 1 ? ' rowspan="'.count($levels).'"' : '';
                $head = $i === 0 ? "<th scope=\"row\"$span>".$this->criterion($criterion).'</th>' : '';
                $rows .= "<tr>$head".self::level($level).'</tr>';
            }
        }

        return self::table(['head-criterion', 'head-level', 'head-points'], $rows);
    }

    private function holistic(Criterion $criterion): string
    {
        $rows = '';
        foreach (array_reverse($criterion->ascending()) as $level) {
            $rows .= '<tr>'.self::level($level).'</tr>';
        }

        return $criterion->html.self::table(['head-level', 'head-points'], $rows);
    }

    private function checklist(): string
    {
        $rows = '';
        foreach ($this->ordered() as [$group, $criteria]) {
            if ($group !== null) {
                $rows .= '<tr><th colspan="3" scope="rowgroup">'.self::text($this->grouped($group)).'</th></tr>';
            }
            foreach ($criteria as $criterion) {
                $rows .=
                    '<tr><td>'.
                    $this->criterion($criterion).
                    '</td><td>'.
                    self::wordings($criterion).
                    '</td><td>'.
                    self::number($criterion->worth($criterion->highest())).
                    '</td></tr>';
            }
        }

        return self::table(['head-point', 'head-wordings', 'head-points'], $rows);
    }

    /** @return list<array{CriteriaGroup|null, list<Criterion>}> what stands alone first, then group by group */
    private function ordered(): array
    {
        $known = array_column($this->rubric->groups, 'id');
        $alone = array_values(
            array_filter($this->rubric->criteria, fn (Criterion $one): bool => ! in_array($one->group, $known, true)),
        );
        $ordered = $alone === [] ? [] : [[null, $alone]];
        foreach ($this->rubric->groups as $group) {
            $inside = array_values(array_filter($this->rubric->criteria, fn (Criterion $one): bool => $one->group === $group->id));
            if ($inside !== []) {
                $ordered[] = [$group, $inside];
            }
        }

        return $ordered;
    }

    private function grouped(CriteriaGroup $group): string
    {
        $inside = count(array_filter($this->rubric->criteria, fn (Criterion $one): bool => $one->group === $group->id));
        $cap = $group->cap();

        return Message::of('marking.group', [
            'title' => $group->title,
            'named' => $group->title === '' ? 'no' : 'yes',
            'rule' => match (true) {
                $group->any !== null && $group->any < $inside => 'any',
                $cap !== null => 'cap',
                default => 'all',
            },
            'any' => $group->any ?? $inside,
            'of' => $inside,
            'cap' => $cap === null ? '' : self::number($cap),
        ]);
    }

    /** What is judged, with what else holds for it. */
    private function criterion(Criterion $criterion): string
    {
        $said = [];
        $weight = $criterion->weight();
        if ($weight !== null && ! $weight->isEqualTo(1)) {
            $said[] = Message::of('marking.counts-times', ['weight' => self::number($weight)]);
        }
        $cap = $criterion->cap();
        if ($cap !== null) {
            $said[] = Message::of('marking.at-most', ['cap' => self::number($cap)]);
        }
        $needs = array_map(fn (string $id): string => '“'.($this->rubric->criterion($id)->title ?? $id).'”', $criterion->needs);
        if ($needs !== []) {
            $said[] = Message::of('marking.depends-on', ['list' => implode(', ', $needs)]);
        }
        $title = self::text($criterion->title);

        return ($said === [] ? $title : "$title<br><em>".self::text(implode('; ', $said)).'</em>').$criterion->html;
    }

    private static function wordings(Criterion $criterion): string
    {
        $lines = [];
        foreach (['accept', 'reject'] as $which) {
            if ($criterion->{$which} !== []) {
                $words = implode('; ', array_map(self::text(...), $criterion->{$which}));
                $lines[] = '<p><em>'.self::text(Message::of("marking.$which"))."</em> $words</p>";
            }
        }

        return implode('', [...array_map(fn (Level $level): string => $level->html, $criterion->levels), ...$lines]);
    }

    private static function level(?Level $level): string
    {
        if ($level === null) {
            return '<td></td><td></td>';
        }
        $title = $level->title === '' ? '' : '<strong>'.self::text($level->title).'</strong> ';

        return "<td>$title$level->html</td><td>".self::points($level).'</td>';
    }

    /** @param  list<string>  $heads */
    private static function table(array $heads, string $rows): string
    {
        $cells = array_map(fn (string $head): string => '<th scope="col">'.self::text(Message::of("marking.$head")).'</th>', $heads);

        return '<table><thead><tr>'.implode('', $cells)."</tr></thead><tbody>$rows</tbody></table>";
    }

    private function limits(): string
    {
        $cap = $this->rubric->cap();

        return $cap === null ? '' : '<p>'.self::text(Message::of('marking.counts-at-most', ['cap' => self::number($cap)])).'</p>';
    }

    private static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_NOQUOTES | ENT_SUBSTITUTE);
    }
}
