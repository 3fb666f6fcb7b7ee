<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Infrastructure\Pictures;
use App\Models\Medium;
use App\Storage\StoredFiles;
use Illuminate\Support\Facades\DB;
use WideQuarry\Media\MediaLimits;

/** Makes the narrower copies of a picture, by the hash of its bytes: whichever banks have it share them. */
final class MakePictureSizes extends BackgroundWork
{
    protected function work(): void
    {
        $medium = Medium::query()
            ->where('sha256', $this->thing)
            ->first(['type', 'width']);
        $files = new StoredFiles('media');
        $bytes = $medium === null ? null : $files->bytes($this->thing);
        if ($medium === null || $bytes === null) {
            return;
        }
        // one by one, so that what is ready is shown
        foreach (MediaLimits::widths($medium->type, $medium->width) as $width) {
            if (DB::table('media_sizes')->where('sha256', $this->thing)->where('width', $width)->exists()) {
                continue;
            }
            $made = Pictures::sizes($bytes, $medium->type, [$width])[$width] ?? '';
            $hash = $made === '' ? null : hash('sha256', $made);
            if ($hash !== null) {
                $files->putBytes($hash, $made);
            }
            DB::table('media_sizes')->insertOrIgnore([
                'sha256' => $this->thing,
                'width' => $width,
                'file' => $hash,
                'type' => $hash === null ? '' : 'image/webp',
                'bytes' => strlen($made),
            ]);
        }
    }

    protected function stopped(string $sentence): void
    {
        logger()->error("The picture $this->thing is shown in one size only: $sentence");
    }
}
