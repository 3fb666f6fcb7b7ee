<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use WideQuarry\Interchange\Qti30\Xml;

/** Words that QTI 2.1 can only hold as pictures: a drawing of them, with the words as its label (Edition2). */
final class WordPictures
{
    /** @return string|null rich text; null where it is another picture */
    public static function words(\DOMElement $choice): ?string
    {
        $object = Xml::all($choice, 'object')[0] ?? Xml::all($choice, 'img')[0] ?? null;
        $from = $object === null ? '' : $object->getAttribute('data').$object->getAttribute('src');

        return str_starts_with($from, 'data:image/svg+xml') && $choice->getAttribute('object-label') !== ''
            ? htmlspecialchars($choice->getAttribute('object-label'), ENT_NOQUOTES)
            : null;
    }
}
