<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\Medium;
use WideQuarry\Json\Json;

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

        return DB::table('media')->insertOrIgnore(['bank_id' => $bankId, 'id' => $medium->id, 'sha256' => $medium->sha256, 'type' => $medium->type, 'name' => $medium->name, 'bytes' => strlen($medium->bytes)]) === 1;
    }

    public function bytes(string $sha256): ?string
    {
        return $this->files->bytes($sha256);
    }

    /**
     * The media that some questions show, for another bank: rows for the same bytes.
     *
     * @param  list<string>  $questions
     */
    public static function share(array $questions, string $from, string $to): void
    {
        $rows = DB::select('SELECT content::text AS text FROM questions JOIN revisions ON question_id = questions.id WHERE questions.id = ANY (?::uuid[])', ['{'.implode(',', $questions).'}']);
        preg_match_all('/data-media=\\\\?"([^"\\\\]+)/', implode("\n", array_column($rows, 'text')), $named);
        if ($named[1] !== []) {
            DB::insert('INSERT INTO media (id, bank_id, sha256, type, name, bytes) SELECT media.id, ?, sha256, type, name, bytes FROM media JOIN jsonb_array_elements_text(?::jsonb) AS one (id) ON one.id = media.id WHERE bank_id = ? ON CONFLICT DO NOTHING', [$to, Json::encode(array_values(array_unique($named[1]))), $from]);
        }
    }

    /**
     * @param  list<string>  $questions
     * @return array<string, string> question → the name of a medium it shows, which stands for other bytes in the bank
     */
    public static function clashes(array $questions, string $bankId): array
    {
        $rows = DB::select(<<<'SQL'
            SELECT questions.id, min(mine.name) AS name FROM questions JOIN media AS mine ON mine.bank_id = questions.bank_id JOIN media AS theirs ON theirs.bank_id = ? AND theirs.id = mine.id AND theirs.sha256 <> mine.sha256
            JOIN revisions ON question_id = questions.id AND position(concat('data-media=\"', mine.id, '\"') IN content::text) > 0
            WHERE questions.id = ANY (?::uuid[]) AND questions.bank_id <> theirs.bank_id GROUP BY questions.id
            SQL, [$bankId, '{'.implode(',', $questions).'}']);

        return array_column($rows, 'name', 'id');
    }
}
