<?php

declare(strict_types=1);

namespace App\Printing;

use App\Infrastructure\Sandbox;

/** Where lines of text stand on the pages of a PDF, as Poppler finds them. */
final class TextLines
{
    /**
     * @param  int  $from  the first page that is looked at
     * @param  int  $to  the last
     * @return array<int, list<array{left: float, top: float, bottom: float}>> page → its lines, in points from the top left corner
     *
     * @throws \App\Errors\Refused
     */
    public static function in(string $pdf, int $from, int $to): array
    {
        $said = Sandbox::run(
            ['in.pdf' => $pdf],
            ['pdftotext', '-bbox-layout', '-f', (string) $from, '-l', (string) $to, '{}/in.pdf', '{}/lines'],
            fn (string $folder): string => (string) file_get_contents("$folder/lines"),
        );
        preg_match_all('/<(page|line) (?:xMin="([\d.]+)" yMin="([\d.]+)" xMax="[\d.]+" yMax="([\d.]+)")?/', $said, $found, PREG_SET_ORDER);
        $lines = [];
        $page = $from - 1;
        foreach ($found as $one) {
            if ($one[1] === 'page') {
                $lines[++$page] = [];
            } elseif ($page >= $from) {
                $lines[$page][] = ['left' => (float) ($one[2] ?? 0), 'top' => (float) ($one[3] ?? 0), 'bottom' => (float) ($one[4] ?? 0)];
            }
        }

        return $lines;
    }
}
