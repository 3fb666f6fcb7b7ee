<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Written;

use WideQuarry\Interchange\Package\ZipWriter;

/** What a converter packed, packed again without its clock, so that the same content gives the same bytes. */
final class WrittenZip
{
    public static function settled(string $bytes): string
    {
        $from = (string) tempnam(sys_get_temp_dir(), 'made');
        $to = (string) tempnam(sys_get_temp_dir(), 'made');
        try {
            file_put_contents($from, $bytes);
            $zip = new \ZipArchive;
            $zip->open($from, \ZipArchive::RDONLY);
            $written = new ZipWriter($to);
            for ($i = 0; $i < $zip->numFiles; $i++) {
                $name = (string) $zip->getNameIndex($i);
                if (! str_ends_with($name, '/')) {
                    $written->add($name, (string) $zip->getFromIndex($i), $name !== 'mimetype');
                }
            }
            $written->close();
            $zip->close();

            return (string) file_get_contents($to);
        } finally {
            unlink($from);
            unlink($to);
        }
    }
}
