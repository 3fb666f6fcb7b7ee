<?php

declare(strict_types=1);

namespace App\Actions\Media;

use App\Infrastructure\Pictures;
use App\Jobs\MakePictureSizes;
use App\Models\Medium;
use App\Models\User;
use App\Storage\Quota;
use App\Storage\StoredFiles;
use Illuminate\Database\Eloquent\Builder;
use WideQuarry\Media\MediaFile;
use WideQuarry\Media\MediaLimits;
use WideQuarry\Media\UnusableMedium;

/** Takes a file into the library of a bank. The same bytes twice in a bank are one medium. */
final readonly class AddMedium
{
    private StoredFiles $files;

    public function __construct()
    {
        $this->files = new StoredFiles('media');
    }

    /**
     * @param  string|null  $alt  null when it is not said; '' for a picture that only decorates
     * @return array{string, bool} the id of the medium, and whether it is new
     *
     * @throws UnusableMedium
     * @throws \App\Errors\Refused when the bank or the disk is full
     */
    public function handle(string $bankId, User $person, string $bytes, string $name, ?string $alt): array
    {
        $given = hash('sha256', $bytes);
        $known = $this->known($bankId, $given);
        if ($known !== null) {
            return [$known, false];
        }
        $file = Pictures::prepare(MediaFile::of($bytes, $name));
        $sha256 = hash('sha256', $file->bytes);
        Quota::allowBytes($bankId, strlen($file->bytes));
        $this->files->putBytes($sha256, $file->bytes);
        $id = substr($sha256, 0, 32);
        $isNew =
            Medium::query()->insertOrIgnore([
                'bank_id' => $bankId,
                'id' => $id,
                'sha256' => $sha256,
                'given_sha256' => $given === $sha256 ? null : $given,
                'type' => $file->type,
                'name' => $file->name,
                'bytes' => strlen($file->bytes),
                'width' => $file->width,
                'height' => $file->height,
                'seconds' => $file->seconds,
                'alt' => $alt === null ? null : mb_substr(trim($alt), 0, MediaLimits::ALT),
                'created_by' => $person->id,
            ]) === 1;
        if (! $isNew) {
            $this->restore($bankId, $id);
        }
        if (MediaLimits::widths($file->type, $file->width) !== []) {
            MakePictureSizes::dispatch($sha256, $person->id)->afterCommit();
        }

        return [$id, $isNew];
    }

    /** @return string|null the medium that this file is already; taken out of the bin */
    private function known(string $bankId, string $given): ?string
    {
        $id = Medium::in($bankId)
            ->where(fn (Builder $either) => $either->where('sha256', $given)->orWhere('given_sha256', $given))
            ->orderBy('created_at')
            ->value('id');
        if (! is_string($id)) {
            return null;
        }
        $this->restore($bankId, $id);

        return $id;
    }

    private function restore(string $bankId, string $id): void
    {
        Medium::in($bankId)
            ->where('id', $id)
            ->update(['binned_at' => null]);
    }
}
