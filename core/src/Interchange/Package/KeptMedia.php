<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

/** The media that our own copy of a question in a package names: the structure is ours, its content may be anybody's. */
final class KeptMedia
{
    /**
     * @return list<array{id: string, file: string, type: string, name: string}> those that are whole and in the package
     */
    public static function in(mixed $list, SafeZip $zip): array
    {
        $media = [];
        foreach (is_array($list) ? $list : [] as $entry) {
            if (! ($entry instanceof \stdClass)) {
                continue;
            }
            [$id, $file, $type, $name] = [$entry->id ?? null, $entry->file ?? null, $entry->type ?? null, $entry->name ?? null];
            if (is_string($id) && is_string($file) && is_string($type) && is_string($name) && $zip->has($file)) {
                $media[] = ['id' => $id, 'file' => $file, 'type' => $type, 'name' => $name];
            }
        }

        return $media;
    }
}
