<?php

declare(strict_types=1);

namespace App\Storage;

use App\Errors\Refused;
use App\Models\Medium as StoredMedium;
use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\Medium;
use WideQuarry\Json\Json;
use WideQuarry\Question\QuestionMedia;

/** Bytes by hash on a disk, references by bank. */
final readonly class MediaStore
{
    private StoredFiles $files;

    public function __construct()
    {
        $this->files = new StoredFiles('media');
    }

    /**
     * Keeps the bytes; no bank refers to them yet.
     *
     * @throws Refused when the disk does not take them
     */
    public function keep(Medium $medium): void
    {
        $this->files->putBytes($medium->sha256, $medium->bytes);
    }

    public function put(string $bankId, Medium $medium): bool
    {
        $this->keep($medium);

        return DB::table('media')->insertOrIgnore([
            'bank_id' => $bankId,
            'id' => $medium->id,
            'sha256' => $medium->sha256,
            'type' => $medium->type,
            'name' => $medium->name,
            'bytes' => strlen($medium->bytes),
        ]) === 1;
    }

    public function bytes(string $sha256): ?string
    {
        return $this->files->bytes($sha256);
    }

    /**
     * A medium of a bank as it is shown: the narrowest copy that is at least so wide, or the medium itself.
     *
     * @param  int  $width  0 for the medium itself
     * @return array{bytes: string, type: string, name: string}|null null when the bank has none of this name, or its file is damaged
     */
    public function shown(string $bankId, string $id, int $width): ?array
    {
        $medium = StoredMedium::in($bankId)->where('id', $id)->first(['sha256', 'type', 'name']);
        if ($medium === null) {
            return null;
        }
        $copy = $width <= 0
            ? null
            : DB::table('media_sizes')
                ->where('sha256', $medium->sha256)
                ->where('width', '>=', $width)
                ->whereNotNull('file')
                ->orderBy('width')
                ->value('file');
        $bytes = is_string($copy) ? $this->bytes($copy) : null;
        $type = $bytes === null ? $medium->type : 'image/webp';
        $bytes ??= $this->bytes($medium->sha256);

        return $bytes === null ? null : ['bytes' => $bytes, 'type' => $type, 'name' => $medium->name];
    }

    /**
     * The media that some questions show, for another bank: rows for the same bytes.
     *
     * @param  list<string>  $questions
     */
    public static function share(array $questions, string $from, string $to): void
    {
        $named = array_values(array_unique(array_merge([], ...array_values(self::named($questions)))));
        if ($named !== []) {
            DB::insert(
                <<<'SQL'
                INSERT INTO media (id, bank_id, sha256, type, name, bytes, width, height, seconds, alt, given_sha256)
                SELECT media.id, ?, sha256, type, name, bytes, width, height, seconds, alt, given_sha256 FROM media
                    JOIN jsonb_array_elements_text(?::jsonb) AS one (id) ON one.id = media.id
                WHERE bank_id = ? ON CONFLICT DO NOTHING
                SQL,
                [$to, Json::encode($named), $from],
            );
        }
    }

    /**
     * @param  list<string>  $questions
     * @return array<string, string> question → the name of a medium it shows, which stands for other bytes in the bank
     */
    public static function clashes(array $questions, string $bankId): array
    {
        /** @var list<object{bank_id: string, id: string, name: string}&\stdClass> $taken */
        $taken = DB::select(
            <<<'SQL'
            SELECT mine.bank_id, mine.id, mine.name FROM media AS mine
                JOIN media AS theirs ON theirs.id = mine.id AND theirs.sha256 <> mine.sha256
            WHERE theirs.bank_id = ? AND mine.bank_id IN (SELECT bank_id FROM questions
                WHERE id = ANY (?::uuid[]) AND bank_id <> theirs.bank_id)
            SQL,
            [$bankId, '{'.implode(',', $questions).'}'],
        );
        if ($taken === []) {
            return [];
        }
        $names = [];
        foreach ($taken as $medium) {
            $names["$medium->bank_id\t$medium->id"] = $medium->name;
        }
        /** @var array<string, string> $homes */
        $homes = DB::table('questions')->whereIn('id', $questions)->where('bank_id', '<>', $bankId)->pluck('bank_id', 'id')->all();
        $clashes = [];
        foreach (self::named(array_map(strval(...), array_keys($homes))) as $question => $media) {
            $found = array_intersect_key($names, array_flip(array_map(fn (string $id): string => "$homes[$question]\t$id", $media)));
            if ($found !== []) {
                $clashes[$question] = min($found);
            }
        }

        return $clashes;
    }

    /**
     * The media that any revision of some questions shows.
     *
     * @param  list<string>  $questions
     * @return array<string, list<string>> question → ids of media
     */
    private static function named(array $questions): array
    {
        $media = [];
        $holds = "(content::text LIKE '%data-media%' OR content::text LIKE '%data-captions%' OR content::text LIKE '%\"media\"%')";
        /** @var iterable<object{question_id: string, content: string}&\stdClass> $revisions */
        $revisions = DB::table('revisions')
            ->whereIn('question_id', $questions)
            ->whereRaw($holds)
            ->select(['question_id', 'content'])
            ->cursor();
        foreach ($revisions as $revision) {
            $id = $revision->question_id;
            $media[$id] = array_values(
                array_unique([...$media[$id] ?? [], ...QuestionMedia::in(Json::decode($revision->content))]),
            );
        }

        return $media;
    }
}
