<?php

declare(strict_types=1);

namespace App\Actions\Media;

use App\Jobs\MakePictureSizes;
use App\Models\Medium;
use App\Storage\MediaStore;
use Illuminate\Support\Facades\DB;
use WideQuarry\Media\MediaFile;
use WideQuarry\Media\MediaLimits;
use WideQuarry\Media\UnusableMedium;

/** Media that came with questions: how large they are, and what the first text that shows them says of them. */
final readonly class DescribeImported
{
    /** In the canonical form of rich text the alternative text stands before the medium; both inside a JSON string. */
    private const SAID = <<<'SQL'
        SELECT DISTINCT ON (m[2]) m[2] AS id, m[1] AS alt FROM (
            SELECT content::text AS text FROM questions JOIN revisions ON question_id = questions.id AND number = revision
                WHERE bank_id = ? AND media <> '{}'
            UNION ALL SELECT to_json(body)::text FROM stimuli WHERE bank_id = ? AND media <> '{}'
        ) AS texts, regexp_matches(text, 'alt=\\"([^"\\]+)\\" data-media=\\"([^"\\]+)\\"', 'g') AS m ORDER BY m[2], m[1]
        SQL;

    public function __construct(private MediaStore $store)
    {
    }

    public function handle(string $bankId): void
    {
        $unmeasured = Medium::in($bankId);
        $unmeasured->getQuery()->whereNull('width')->whereLike('type', 'image/%', caseSensitive: true);
        foreach ($unmeasured->get() as $medium) {
            try {
                $file = MediaFile::of($this->store->bytes($medium->sha256) ?? '', $medium->name);
            } catch (UnusableMedium) {
                continue; // kept as it came, and shown as far as it can be
            }
            Medium::in($bankId)->where('id', $medium->id)->update(['width' => $file->width, 'height' => $file->height]);
            if (MediaLimits::widths($file->type, $file->width) !== []) {
                MakePictureSizes::dispatch($medium->sha256)->afterCommit();
            }
        }
        if (Medium::in($bankId)->whereNull('alt')->where('type', 'like', 'image/%')->exists()) {
            /** @var list<object{id: string, alt: string}&\stdClass> $rows */
            $rows = DB::select(self::SAID, [$bankId, $bankId]);
            foreach ($rows as $said) {
                Medium::in($bankId)
                    ->where('id', $said->id)
                    ->whereNull('alt')
                    ->update(['alt' => mb_substr(html_entity_decode($said->alt, ENT_QUOTES | ENT_HTML5), 0, MediaLimits::ALT)]);
            }
        }
    }
}
