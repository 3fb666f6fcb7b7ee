<?php

declare(strict_types=1);

namespace Tests\Bench\Documents;

/**
 * An exam typed in some habit, with what is true of it: of each question its kind and key, of each paragraph what it belongs to.
 *
 * A paragraph is `{runs: list<[text, list<mark>]>, heading: int, auto: [list, level]|null, table: rows|null, of: string}`, where `of` is
 * the number of a question from 0, or `heading`, `key`, `unused`, `stimulus`.
 */
final class TypedExam
{
    /** @var list<array<string, mixed>> */
    public array $paragraphs = [];

    /** @var list<array{kind: string, key: mixed}> */
    public array $truth = [];

    /** @var list<string> answers for a key that stands apart */
    private array $apart = [];

    private \Random\Randomizer $random;

    /** @param  array<string, list<mixed>>  $pool */
    public function __construct(private readonly Habit $habit, private readonly array $pool, int $seed)
    {
        $this->random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed));
        if ($habit->isMessy) {
            $this->line('Science test', 'heading');
            $this->line('Name: ____________   Date: ________', 'unused');
        }
        $asked = $this->pick();
        foreach ($asked as $i => [$kind, $question]) {
            if ($habit->isHeaded && $i % 5 === 0) {
                $this->heading($habit->word('Part').' '.chr(65 + intdiv($i, 5)));
                if ($habit->key === 'parts') {
                    $this->apart = [];
                }
            }
            $this->{$kind}($i, $question);
            if ($habit->isMessy && $i % 6 === 5) {
                $this->line('Page '.(intdiv($i, 6) + 1).' of 3', 'unused');
            }
            if ($habit->key === 'parts' && $i % 5 === 4) {
                $this->key();
            }
        }
        if (in_array($habit->key, ['section', 'run', 'table'], true)) {
            $this->key();
        }
    }

    /** @return list<array{string, mixed}> */
    private function pick(): array
    {
        $all = [];
        foreach ($this->habit->kinds as $kind) {
            $all[$kind] = $this->random->shuffleArray($this->pool[$kind]);
        }
        $picked = [];
        for ($i = 0; count($picked) < $this->habit->count; $i++) {
            $kind = $this->habit->kinds[$i % count($this->habit->kinds)];
            if ($all[$kind] !== []) {
                $picked[] = [$kind, array_shift($all[$kind])];
            } elseif (array_filter($all) === []) {
                break;
            }
        }

        return $picked;
    }

    private function numberOf(int $i): int
    {
        return $this->habit->key === 'parts' ? $i % 5 + 1 : $i + 1;
    }

    /** @param  list<string>  $marks */
    private function line(string $text, string $of, array $marks = [], bool $isApart = false): void
    {
        $this->paragraphs[] = ['runs' => [[$text, $marks]], 'heading' => 0, 'auto' => null, 'of' => $of, 'apart' => $isApart];
    }

    private function heading(string $text): void
    {
        $this->paragraphs[] = ['runs' => [[$text, []]], 'heading' => 2, 'auto' => null, 'of' => 'heading', 'apart' => true];
    }

    private function stem(int $i, string $text, string $blank = ''): void
    {
        $points = $this->habit->points === '' ? '' : ' '.$this->habit->points;
        $isAuto = $this->habit->number === 'auto';
        $label = $isAuto ? '' : $blank.str_replace('1', (string) $this->numberOf($i), $this->habit->number).' ';
        $this->paragraphs[] = [
            'runs' => [[$label.$text.$points, []]],
            'heading' => 0,
            'auto' => $isAuto ? [1, 0] : null,
            'of' => (string) $i,
            'apart' => $this->habit->isApart,
        ];
    }

    /** @param  array{string, list<string>, list<int>}  $question */
    private function choice(int $i, array $question): void
    {
        [$stem, $options, $right] = $question;
        $letters = array_map(fn (int $at): string => chr(65 + $at), $right);
        $this->stem($i, $stem, $this->habit->key === 'blank' ? '__'.implode($letters).'__ ' : '');
        $runs = [];
        foreach ($options as $at => $option) {
            $runs[] = $this->option($at, $option, in_array($at, $right, true));
        }
        if ($this->habit->layout === 'one line') {
            $line = [];
            foreach ($runs as $at => $run) {
                array_push($line, ...$at === 0 ? [] : [['     ', []]], ...$run);
            }
            $this->paragraphs[] = ['runs' => $line, 'heading' => 0, 'auto' => null, 'of' => (string) $i, 'apart' => false];
        } elseif ($this->habit->layout === 'table') {
            $this->paragraphs[] = ['table' => array_chunk($runs, 2), 'of' => (string) $i, 'apart' => false];
        } else {
            foreach ($runs as $at => $run) {
                $auto = $this->habit->option === 'auto' ? [100 + $i, 1] : null;
                $this->paragraphs[] = ['runs' => $run, 'heading' => 0, 'auto' => $auto, 'of' => (string) $i, 'apart' => false];
            }
        }
        $this->said($i, implode(', ', $letters), 'choice', array_map(fn (int $at): string => $options[$at], $right));
    }

    /** @param  array{string, list<string>, list<int>}  $question */
    private function several(int $i, array $question): void
    {
        $this->choice($i, $question);
    }

    /** @return list<array{string, list<string>}> */
    private function option(int $at, string $text, bool $isRight): array
    {
        $key = $this->habit->key;
        $sign = strlen($key) <= 4 && str_contains($key, ' ');
        $before = $sign && $isRight && str_ends_with($key, ' ') ? $key : '';
        $after = $sign && $isRight && str_starts_with($key, ' ') ? $key : '';
        $label = match ($this->habit->option) {
            'none', 'auto' => '',
            '•' => '• ',
            '☐' => $key === 'box' && $isRight ? '☑ ' : '☐ ',
            default => strtr($this->habit->option, [
                'A' => chr(65 + $at), 'a' => chr(97 + $at), '1' => (string) ($at + 1), 'i' => ['i', 'ii', 'iii', 'iv'][$at],
            ]).' ',
        };
        $looks = ['bold', 'highlight', 'colour', 'underline', 'italic'];
        $marks = in_array($key, $looks, true) && $isRight ? [$key] : ($key === 'strike' && ! $isRight ? ['strike'] : []);

        return [[$before.$label, []], [$text.$after, $marks]];
    }

    /** @param  array{string, bool}  $question */
    private function truth(int $i, array $question): void
    {
        [$true, $false] = [$this->habit->word('True'), $this->habit->word('False')];
        $key = $this->habit->key;
        $word = $question[1] ? $true : $false;
        $this->stem($i, $question[0], $key === 'blank' ? ($question[1] ? '__T__ ' : '__F__ ') : '');
        if (in_array($key, ['bold', 'highlight', 'colour', 'underline', 'strike', 'italic'], true)) {
            $mark = fn (bool $is): array => $key === 'strike' ? ($is ? [] : ['strike']) : ($is ? [$key] : []);
            $this->paragraphs[] = [
                'runs' => [[$true, $mark($question[1])], [' / ', []], [$false, $mark(! $question[1])]],
                'heading' => 0, 'auto' => null, 'of' => (string) $i, 'apart' => false,
            ];
        } elseif ($key === 'box') {
            $this->line(($question[1] ? '☑ ' : '☐ ').$true.'   '.($question[1] ? '☐ ' : '☑ ').$false, (string) $i);
        } else {
            $this->line("$true / $false", (string) $i);
        }
        $this->said($i, $word, 'choice', [$word]);
    }

    /** @param  array{string, list<string>}  $question */
    private function text(int $i, array $question): void
    {
        $this->stem($i, $question[0]);
        $this->said($i, implode(' / ', $question[1]), 'text', $question[1]);
    }

    /** @param  array{string, string, string|null, string}  $question */
    private function number(int $i, array $question): void
    {
        [$stem, $value, $width, $unit] = $question;
        $this->stem($i, $stem);
        $this->said($i, trim($value.($width === null ? '' : " ± $width").' '.$unit), 'number', [$value, $width]);
    }

    /** @param  array{string, list<string>}  $question */
    private function gap(int $i, array $question): void
    {
        $this->stem($i, $question[0]);
        $this->said($i, implode('; ', $question[1]), 'gap', $question[1]);
    }

    /** @param  array{string, string}  $question */
    private function essay(int $i, array $question): void
    {
        $this->stem($i, $question[0]);
        $this->line('______________________________', (string) $i);
        $this->line('______________________________', (string) $i);
        $this->line($this->habit->word('Model answer').': '.$question[1], (string) $i);
        $this->truth[$i] = ['kind' => 'essay', 'key' => null];
    }

    /** @param  array{string, list<string>, list<string>}  $question */
    private function match(int $i, array $question): void
    {
        [$stem, $left, $right] = $question;
        $this->stem($i, $stem);
        $places = $this->random->shuffleArray(array_keys($right));
        $rows = [];
        foreach ($left as $at => $one) {
            $rows[] = [[[($at + 1).'. '.$one, []]], [[chr(65 + $at).'. '.$right[$places[$at]], []]]];
        }
        if (in_array($this->habit->format, ['docx', 'odt', 'html', 'md'], true)) {
            $this->paragraphs[] = ['table' => $rows, 'of' => (string) $i, 'apart' => false];
        } else {
            foreach ($rows as $row) {
                $this->line($row[0][0][0].'      '.$row[1][0][0], (string) $i);
            }
        }
        $answer = [];
        $pairs = [];
        foreach ($left as $at => $one) {
            $answer[] = ($at + 1).'-'.chr(65 + (int) array_search($at, $places, true));
            $pairs[] = "$one = $right[$at]";
        }
        $this->said($i, implode(', ', $answer), 'match', $pairs, isLine: true);
    }

    /** @param  array{string, list<string>}  $question */
    private function order(int $i, array $question): void
    {
        $this->stem($i, $question[0]);
        $places = $this->random->shuffleArray(array_keys($question[1]));
        foreach ($places as $at => $place) {
            $this->line(
                str_replace(['A', 'a', '1'], [chr(65 + $at), chr(97 + $at), (string) ($at + 1)], 'A. ').$question[1][$place],
                (string) $i,
            );
        }
        $letters = array_map(fn (int $at): string => chr(65 + (int) array_search($at, $places, true)), array_keys($question[1]));
        $this->said($i, implode(', ', $letters), 'order', $question[1], isLine: true);
    }

    /** @param  array{string, list<array{string, string}>}  $question */
    private function parts(int $i, array $question): void
    {
        $this->stem($i, $question[0]);
        foreach ($question[1] as $at => [$part, $answer]) {
            $this->line('('.chr(97 + $at).') '.$part.' (1 mark)', (string) $i);
            $this->line($this->habit->word('Answer').': '.$answer, (string) $i);
        }
        $this->truth[$i] = ['kind' => 'parts', 'key' => array_column($question[1], 1)];
    }

    /** @param  array{string, list<string>}  $question */
    private function menu(int $i, array $question): void
    {
        $this->stem($i, $question[0]);
        $this->said($i, $question[1][0], 'menu', $question[1], isLine: true);
    }

    private function said(int $i, string $answer, string $kind, mixed $key, bool $isLine = false): void
    {
        $this->truth[$i] = ['kind' => $kind, 'key' => $key];
        $isLooked = ! in_array($this->habit->key, ['line', 'section', 'run', 'table', 'parts'], true);
        $isChoice = $kind === 'choice';
        if ($this->habit->key === 'line' || $isLine || ($isLooked && ! $isChoice)) {
            $this->line($this->habit->word('Answer').': '.$answer, (string) $i);
        } elseif (! $isLooked) {
            $this->apart[$this->numberOf($i)] = $answer;
        }
        if ($this->habit->explains) {
            $this->line($this->habit->word('Explanation').': see chapter '.($i + 1).'.', (string) $i);
        }
    }

    private function key(): void
    {
        $this->paragraphs[] = [
            'runs' => [[$this->habit->word('Answer key'), []]],
            'heading' => 0,
            'auto' => null,
            'of' => 'key',
            'apart' => true,
        ];
        if ($this->habit->key === 'run') {
            $this->line(
                implode('  ', array_map(fn (int $n, string $a): string => "$n. $a", array_keys($this->apart), $this->apart)),
                'key',
            );
        } elseif ($this->habit->key === 'table') {
            $rows = array_map(fn (int $n, string $a): array => [[["$n", []]], [[$a, []]]], array_keys($this->apart), $this->apart);
            $this->paragraphs[] = [
                'table' => [[[['Question', ['bold']]], [['Answer', ['bold']]]], ...$rows],
                'of' => 'key',
                'apart' => false,
            ];
        } else {
            foreach ($this->apart as $n => $answer) {
                $this->line("$n. $answer", 'key');
            }
        }
    }
}
