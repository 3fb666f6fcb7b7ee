<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Content\Pieces;
use WideQuarry\Content\RichText;
use WideQuarry\Finding;
use WideQuarry\Messages\Message;

/** What an author should mend in the pieces of a text. */
final class PieceCheck
{
    /** @return list<Finding> */
    public static function findings(string $html, string $path, int $least): array
    {
        $pieces = Pieces::of($html);
        $findings = [];
        if (trim(RichText::read($html)->plain()) === '') {
            return [Finding::blocking('text.empty', $path, Message::of('parts.no-text-yet'))];
        }
        if (count($pieces) < $least) {
            $findings[] = Finding::blocking(
                'pieces.too_few',
                $path,
                $pieces === []
                    ? Message::of('parts.nothing-text-can-picked')
                    : Message::of('parts.one-piece-nothing-choose'),
            );
        }
        foreach ($pieces as $piece) {
            if ($piece['inside']) {
                $findings[] = Finding::blocking(
                    'pieces.overlap',
                    $path,
                    Message::of('parts.lies-inside-another-piece', ['words' => $piece['words']]),
                    ['piece' => $piece['id']],
                );
            } elseif ($piece['words'] === '') {
                $findings[] = Finding::blocking('pieces.empty', $path, Message::of('parts.piece-without-words'), ['piece' => $piece['id']]);
            }
        }
        foreach (array_keys(array_filter(array_count_values(array_column($pieces, 'id')), fn (int $times): bool => $times > 1)) as $id) {
            $findings[] = Finding::blocking('pieces.repeated', $path, Message::of('parts.two-pieces-called', [
                'id' => $id,
            ]), ['piece' => (string) $id]);
        }

        return $findings;
    }
}
