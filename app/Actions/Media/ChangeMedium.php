<?php

declare(strict_types=1);

namespace App\Actions\Media;

use App\Models\Medium;
use WideQuarry\Media\MediaFile;

/** What the library says of a medium: its name, its alternative text, whether it is in the bin. Questions that show it go on doing so. */
final readonly class ChangeMedium
{
    /**
     * @param  string|null  $name  null to leave it
     * @param  string|false|null  $alt  false to leave it, null when it is not said
     * @param  bool|null  $binned  null to leave it
     */
    public function handle(string $bankId, string $id, ?string $name, string|false|null $alt, ?bool $binned): void
    {
        $medium = Medium::in($bankId)->where('id', $id)->firstOrFail();
        $changed = [
            ...$name === null ? [] : ['name' => MediaFile::name($name, $medium->type)],
            ...$alt === false ? [] : ['alt' => $alt === null ? null : trim($alt)],
            ...$binned === null ? [] : ['binned_at' => $binned ? now() : null],
        ];
        if ($changed !== []) {
            Medium::in($bankId)->where('id', $id)->update($changed);
        }
    }
}
