<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Content\Pieces;
use WideQuarry\Content\RichText;
use WideQuarry\Finding;

/** What an author should mend in the pieces of a text. */
final class PieceCheck
{
    /** @return list<Finding> */
    public static function findings(string $html, string $path, int $least): array
    {
        $pieces = Pieces::of($html);
        $findings = [];
        if (trim(RichText::read($html)->plain()) === '') {
            return [Finding::blocking('text.empty', $path, 'There is no text yet.')];
        }
        if (count($pieces) < $least) {
            $findings[] = Finding::blocking(
                'pieces.too_few',
                $path,
                $pieces === []
                    ? 'Nothing of the text can be picked yet: select words and make them a piece.'
                    : 'With one piece there is nothing to choose.',
            );
        }
        foreach ($pieces as $piece) {
            if ($piece['inside']) {
                $findings[] = Finding::blocking(
                    'pieces.overlap',
                    $path,
                    "“{$piece['words']}” lies inside another piece; pieces must not overlap.",
                    ['piece' => $piece['id']],
                );
            } elseif ($piece['words'] === '') {
                $findings[] = Finding::blocking('pieces.empty', $path, 'A piece has no words.', ['piece' => $piece['id']]);
            }
        }
        foreach (array_keys(array_filter(array_count_values(array_column($pieces, 'id')), fn (int $times): bool => $times > 1)) as $id) {
            $findings[] = Finding::blocking('pieces.repeated', $path, "Two pieces are called \"$id\".", ['piece' => (string) $id]);
        }

        return $findings;
    }
}
