<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use WideQuarry\Interchange\Medium;

/** Bytes by hash on a disk, references by bank. */
final class MediaStore
{
    /** Keeps the bytes; no bank refers to them yet. */
    public function keep(Medium $medium): void
    {
        $path = $this->path($medium->sha256);
        if (! Storage::disk('local')->exists($path)) {
            Storage::disk('local')->put($path, $medium->bytes);
        }
    }

    public function put(string $bankId, Medium $medium): bool
    {
        $this->keep($medium);

        return DB::table('media')->insertOrIgnore(['bank_id' => $bankId, 'id' => $medium->id, 'sha256' => $medium->sha256, 'type' => $medium->type, 'name' => $medium->name, 'bytes' => strlen($medium->bytes)]) === 1;
    }

    public function bytes(string $sha256): ?string
    {
        return Storage::disk('local')->get($this->path($sha256));
    }

    private function path(string $sha256): string
    {
        return 'media/'.substr($sha256, 0, 2)."/$sha256";
    }
}
