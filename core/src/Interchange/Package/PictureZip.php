<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

use WideQuarry\Interchange\Source;

/** A ZIP of nothing but pictures, given beside the file that names them. */
final class PictureZip
{
    public static function is(Source $source): bool
    {
        if (! $source->isZip()) {
            return false;
        }
        $pictures = 0;
        foreach (array_keys($source->zip()->entries) as $name) {
            $name = (string) $name;
            if (str_ends_with($name, '/') || preg_match('~(?:^|/)(?:\.|__MACOSX/|Thumbs\.db$)~i', $name) === 1) {
                continue;
            }
            if (preg_match('/\.(?:png|jpe?g|gif|svg|webp|bmp|tiff?)$/iD', $name) !== 1) {
                return false;
            }
            $pictures++;
        }

        return $pictures > 0;
    }
}
