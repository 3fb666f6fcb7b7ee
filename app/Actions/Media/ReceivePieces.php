<?php

declare(strict_types=1);

namespace App\Actions\Media;

use App\Errors\Refused;
use App\Models\Upload;
use App\Models\User;
use App\Storage\Quota;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;
use WideQuarry\Media\MediaFile;
use WideQuarry\Media\MediaLimits;
use WideQuarry\Media\UnusableMedium;
use WideQuarry\Messages\Message;

/**
 * A large file, piece by piece. What was answered with success is on the disk, and `received` says where to go on; a piece that comes
 * again changes nothing.
 */
final readonly class ReceivePieces
{
    /** Files that one person may have on their way at once. */
    private const AT_ONCE = 20;

    public function __construct(private AddMedium $add)
    {
    }

    /** @throws Refused */
    public function begin(string $bankId, User $person, string $name, int $bytes, ?string $alt): Upload
    {
        if (Upload::query()->where('user_id', $person->id)->count() >= self::AT_ONCE) {
            throw Refused::because('upload.many', Message::of('app.actions.media.many', ['most' => self::AT_ONCE]));
        }
        MediaFile::allowBytes('video/mp4', $bytes); // the most anything may have; what it is is known once it is here
        Quota::allowBytes($bankId, $bytes, '/bytes');

        return Upload::query()
            ->create([
                'id' => (string) Str::uuid7(),
                'bank_id' => $bankId,
                'user_id' => $person->id,
                'name' => $name,
                'alt' => $alt,
                'bytes' => $bytes,
            ])
            ->refresh();
    }

    /**
     * @param  string  $bytes  from the place $from on
     *
     * @throws Refused where a piece is missing before it, or where it goes beyond what was announced
     */
    public function take(string $id, int $from, string $bytes): Upload
    {
        DB::transaction(function () use ($id, $from, $bytes): void {
            DB::table('uploads')->where('id', $id)->lockForUpdate()->value('id');
            $upload = Upload::query()->findOrFail($id);
            if ($from > $upload->received) {
                throw Refused::conflict('upload.gap', Message::of('app.actions.media.gap', ['received' => $upload->received]), '/from');
            }
            $new = substr($bytes, $upload->received - $from);
            if ($upload->received + strlen($new) > $upload->bytes || strlen($bytes) > MediaLimits::AT_ONCE) {
                throw Refused::because('upload.beyond', Message::of('app.actions.media.beyond'));
            }
            if ($new !== '') {
                $this->write($upload, $new);
                $upload->update(['received' => $upload->received + strlen($new), 'updated_at' => now()]);
            }
        });

        return Upload::query()->findOrFail($id);
    }

    /**
     * The file is whole: it becomes a medium. Where the bank or the disk is full it stays as it arrived, to be tried again; only what can
     * never be a medium is given up.
     *
     * @return array{string, bool} the medium, and whether it is new
     *
     * @throws Refused
     * @throws UnusableMedium
     */
    public function finish(Upload $upload, User $person): array
    {
        if ($upload->received !== $upload->bytes) {
            throw Refused::conflict('upload.gap', Message::of('app.actions.media.gap', ['received' => $upload->received]), '/from');
        }
        $bytes = (string) @file_get_contents(self::path($upload->id));
        try {
            $medium = $this->add->handle($upload->bank_id, $person, $bytes, $upload->name, $upload->alt);
        } catch (UnusableMedium $problem) {
            self::forget($upload->id);
            throw $problem;
        }
        self::forget($upload->id);

        return $medium;
    }

    public static function forget(string $id): void
    {
        Upload::query()->whereKey($id)->delete();
        @unlink(self::path($id));
    }

    /** Deletes what nobody has gone on with. @return int how many */
    public static function sweep(int $olderThanSeconds): int
    {
        $old = Upload::query()->where('updated_at', '<', now()->subSeconds($olderThanSeconds))->get(['id']);
        foreach ($old as $upload) {
            self::forget($upload->id);
        }

        return $old->count();
    }

    /** @throws Refused when the disk is full */
    private function write(Upload $upload, string $bytes): void
    {
        $path = self::path($upload->id);
        if (! is_dir(dirname($path))) {
            @mkdir(dirname($path), 0750, true);
        }
        $file = @fopen($path, 'cb');
        // a piece that was written but never answered is written over
        $isWritten =
            $file !== false &&
            @ftruncate($file, max(0, $upload->received)) &&
            @fseek($file, $upload->received) === 0 &&
            @fwrite($file, $bytes) === strlen($bytes) &&
            @fflush($file) &&
            @fsync($file);
        if ($file !== false) {
            @fclose($file);
        }
        if (! $isWritten) {
            throw Refused::because('storage.full', Message::of('app.storage.server-could-not-store-file'));
        }
    }

    private static function path(string $id): string
    {
        return Storage::disk('local')->path("uploads/$id");
    }
}
