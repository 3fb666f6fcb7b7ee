<?php

declare(strict_types=1);

namespace App\Printing;

use App\Infrastructure\Sandbox;
use WideQuarry\Printing\LinesOnPages;

/** Where things stand in a PDF: its named destinations (ISO 32000-1, 12.3.2.3), as Poppler lists them. */
final readonly class PageFinder
{
    /** The margins of a page in resources/views/print/sheet.blade.php, in points. */
    private const MARGIN = 16 / 25.4 * 72;

    private const BELOW = 18 / 25.4 * 72;

    /**
     * @param  float  $width  of a page, in points
     * @param  float  $height  of a page
     * @param  array<string, array{page: int, left: float, top: float}>  $at  name → page, and how far it is from the top left corner
     */
    private function __construct(public int $pages, private string $pdf, private float $width, private float $height, private array $at)
    {
    }

    /** @throws \App\Errors\Refused */
    public static function in(string $pdf): self
    {
        $said = Sandbox::run(
            ['in.pdf' => $pdf],
            ['sh', '-c', 'pdfinfo "$0" > "$1" && pdfinfo -dests "$0" >> "$1"', '{}/in.pdf', '{}/info'],
            fn (string $folder): string => (string) file_get_contents("$folder/info"),
        );
        $pages = preg_match('/^Pages:\s+(\d+)/m', $said, $found) === 1 ? (int) $found[1] : 0;
        $size = preg_match('/^Page size:\s+([\d.]+) x ([\d.]+)/m', $said, $found) === 1 ? $found : ['', '595', '842'];
        [$width, $height] = [(float) $size[1], (float) $size[2]];
        preg_match_all('/^\s*(\d+) \[ XYZ\s+(\S+)\s+(\S+)\s+\S+\s*\] "(.*)"$/m', $said, $lines, PREG_SET_ORDER);
        $at = [];
        // the first paper begins below the margin of its page, whether the browser counts that margin in or not
        $first = (float) ($lines[0][3] ?? $height);
        foreach ($lines as [, , , $top, $name]) {
            $first = $name === 'p0' ? (float) $top : $first;
        }
        $shift = $height - self::MARGIN - $first;
        foreach ($lines as [, $page, $left, $top, $name]) {
            $at[$name] = ['page' => (int) $page, 'left' => (float) $left, 'top' => $height - (float) $top - $shift];
        }

        return new self($pages, $pdf, $width, $height, $at);
    }

    /** @return array<string, true> shared texts that would stand on a right page: each of them begins a page */
    public function blanks(PrintedDocument $document): array
    {
        $blanks = [];
        foreach ($document->papers as $paper) {
            $first = $this->at[$paper->id]['page'] ?? 1;
            $places = [];
            foreach ($paper->facing as $shared) {
                $places[$shared] = $this->at[$shared]['page'] ?? $first;
            }
            asort($places);
            $before = 0;
            foreach ($places as $shared => $page) {
                // the first page of a paper is a right one; each empty page moves all that follow by one
                if (($page - $first + $before) % 2 === 0) {
                    $blanks[$shared] = true;
                    $before++;
                }
            }
        }

        return $blanks;
    }

    /**
     * @param  array<string, true>  $blanks  shared texts that get one more page
     * @return list<int> how many pages each paper has
     */
    public function lengths(PrintedDocument $document, array $blanks = []): array
    {
        $lengths = [];
        foreach ($document->papers as $i => $paper) {
            $next = ($document->papers[$i + 1] ?? null)?->id;
            $end = $next === null ? $this->pages + 1 : $this->at[$next]['page'] ?? $this->pages + 1;
            $more = count(array_intersect($paper->facing, array_keys($blanks)));
            $lengths[] = max(1, $end - ($this->at[$paper->id]['page'] ?? 1)) + $more;
        }

        return $lengths;
    }

    /**
     * from: how far below the top of its page, as a share of its height; shrunk: whether a picture of it is made smaller; lines: how many
     * there are to write on; to: the page on which it ends; single: a page on which a single line of it stands
     *
     * @return list<array{which: string, form: string|null, page: int, pages: int, entries: list<array{
     *     entry: string, label: string, page: int, from: float, to: int, single: int|null, shrunk: bool, lines: int}>}>
     *
     * @throws \App\Errors\Refused
     */
    public function outline(PrintedDocument $document): array
    {
        $outline = [];
        foreach ($this->lengths($document) as $i => $length) {
            $paper = $document->papers[$i];
            $entries = [];
            foreach ($paper->entries as $entry => $label) {
                $begin = $this->at[$paper->prefix.$entry] ?? null;
                if ($begin !== null) {
                    $end = $this->at[$paper->prefix.$entry.'-end'] ?? $begin;
                    $entries[] = [
                        'entry' => (string) $entry,
                        'label' => $label,
                        'page' => $begin['page'],
                        'from' => round($begin['top'] / $this->height, 4),
                        'to' => $end['page'],
                        'single' => $this->single($begin, $end, $paper->columns),
                        ...$document->questions[$paper->prefix.$entry] ?? ['shrunk' => false, 'lines' => 0],
                    ];
                }
            }
            $outline[] = [
                'which' => $paper->which->value,
                'form' => $paper->form,
                'page' => $this->at[$paper->id]['page'] ?? 1,
                'pages' => $length,
                'entries' => $entries,
            ];
        }

        return $outline;
    }

    /**
     * @param  array{page: int, left: float, top: float}  $begin
     * @param  array{page: int, left: float, top: float}  $end
     * @return int|null the page on which a single line of a question stands
     *
     * @throws \App\Errors\Refused
     */
    private function single(array $begin, array $end, int $columns): ?int
    {
        if ($end['page'] <= $begin['page']) {
            return null;
        }
        $lower = $this->height - self::BELOW;
        $lines = array_map(
            fn (array $lines): array => array_values(array_filter($lines, fn (array $line): bool => $line['top'] < $lower)),
            TextLines::in($this->pdf, $begin['page'], $end['page']),
        );

        return (new LinesOnPages($lines, self::MARGIN, $lower, $columns > 1 ? $this->width / 2 : null))->single($begin, $end);
    }
}
