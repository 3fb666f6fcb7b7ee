<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Medium;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Query\Builder as TableQuery;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Media\MediaLimits;
use WideQuarry\Messages\Message;
use WideQuarry\Question\QuestionMedia;

/** The media of a bank as its library lists them, and where each is used. */
final readonly class MediaLibrary
{
    public const PAGE = 60;

    private const USES = 200;

    /** Words that are looked for; more of them narrow nothing and cost time. */
    private const WORDS = 10;

    private const COLUMNS = [
        'id', 'sha256', 'type', 'name', 'bytes', 'width', 'height', 'seconds', 'alt', 'created_at', 'binned_at',
    ];

    private const USED = <<<'SQL'
        (SELECT count(*) FROM questions WHERE questions.media @> ARRAY[media.id] AND questions.bank_id = media.bank_id
                AND binned_at IS NULL)
            + (SELECT count(*) FROM stimuli WHERE stimuli.media @> ARRAY[media.id] AND stimuli.bank_id = media.bank_id)
        SQL;

    /** All that a bank's questions and stimuli show, at one go: asked for each medium, thousands would be looked up. */
    private const SHOWN = <<<'SQL'
        SELECT unnest(media) FROM questions WHERE bank_id = ? AND media <> '{}' AND binned_at IS NULL
        UNION SELECT unnest(media) FROM stimuli WHERE bank_id = ? AND media <> '{}'
        SQL;

    /**
     * @param  array{words: string, kind: string, only: string, larger: int, cursor: string}  $asked
     *     kind: image, audio, video or text, several with commas; only: used, unused, no-alt or binned; larger: than so many bytes, or 0
     * @return array{data: list<array<string, mixed>>, meta: array{next_cursor: string|null, found: int}}
     *
     * @throws Malformed
     */
    public function page(string $bankId, array $asked): array
    {
        $query = $this->query($bankId, $asked);
        $found = (clone $query)->count();
        if ($asked['cursor'] !== '') {
            if (preg_match('/^(\d{1,20})\.([^\s]{1,255})$/D', $asked['cursor'], $m) !== 1) {
                throw Malformed::outOfRange('/cursor', Message::of('app.search.cursor-earlier-page'), $asked['cursor']);
            }
            $query->whereRaw('(created_at, id) < (to_timestamp(?::numeric / 1000000), ?)', [$m[1], $m[2]]);
        }
        $query->getQuery()->orderByDesc('created_at')->orderByDesc('id')->limit(self::PAGE + 1);
        $rows = self::counted($query)->get();
        $last = $rows->count() > self::PAGE ? $rows[self::PAGE - 1] : null;

        return [
            'data' => array_values($rows->take(self::PAGE)->map(fn (Medium $row): array => self::row($row))->all()),
            'meta' => ['next_cursor' => $last === null ? null : "$last->made.$last->id", 'found' => $found],
        ];
    }

    /** @return array<string, mixed>|null */
    public function one(string $bankId, string $id): ?array
    {
        $row = self::counted(Medium::in($bankId)->where('id', $id))->first();

        return $row === null ? null : self::row($row);
    }

    /** @return array{questions: list<array<string, mixed>>, stimuli: list<array<string, mixed>>, more: bool} */
    public function uses(string $bankId, string $id): array
    {
        $of = fn (string $table): TableQuery => DB::table($table)
            ->where("$table.bank_id", $bankId)
            ->whereRaw("$table.media @> ARRAY[?]", [$id])
            ->whereNull("$table.binned_at")
            ->orderBy("$table.title")
            ->limit(self::USES + 1);
        /** @var \Illuminate\Support\Collection<int, object{id: string, title: string, stem: string, revision: int,
            content: string}&\stdClass> $questions */
        $questions = $of('questions')
            ->join('revisions', fn (JoinClause $join) => $join->on('question_id', 'questions.id')->on('number', 'revision'))
            ->get(['questions.id', 'title', 'stem', 'revision', 'content']);
        /** @var \Illuminate\Support\Collection<int, object{id: string, title: string, revision: int}&\stdClass> $stimuli */
        $stimuli = $of('stimuli')->get(['id', 'title', 'revision']);

        return [
            'questions' => array_values(
                $questions
                    ->take(self::USES)
                    ->map(fn (\stdClass $row): array => [
                        'id' => $row->id,
                        'name' => $row->title === '' ? mb_strimwidth($row->stem, 0, 80, '…') : $row->title,
                        'revision' => $row->revision,
                        'places' => QuestionMedia::places(Json::object($row->content), $id),
                    ])
                    ->all(),
            ),
            'stimuli' => array_values(
                $stimuli
                    ->take(self::USES)
                    ->map(fn (\stdClass $row): array => ['id' => $row->id, 'name' => $row->title, 'revision' => $row->revision])
                    ->all(),
            ),
            'more' => $questions->count() > self::USES || $stimuli->count() > self::USES,
        ];
    }

    /**
     * @param  Builder<Medium>  $query
     * @return Builder<Medium>
     */
    private static function counted(Builder $query): Builder
    {
        $query
            ->getQuery()
            ->select(self::COLUMNS)
            ->selectRaw('('.self::USED.') AS uses, (extract(epoch FROM created_at) * 1000000)::bigint AS made')
            ->selectRaw('(SELECT count(*) FROM media_sizes WHERE media_sizes.sha256 = media.sha256) AS sizes');

        return $query;
    }

    /** @return array<string, mixed> */
    private static function row(Medium $row): array
    {
        $widths = MediaLimits::widths($row->type, $row->width);

        return [
            'id' => $row->id,
            'sha256' => $row->sha256,
            'type' => $row->type,
            'name' => $row->name,
            'bytes' => $row->bytes,
            'width' => $row->width,
            'height' => $row->height,
            'seconds' => $row->seconds,
            'alt' => $row->alt,
            'uses' => $row->uses,
            'sizes' => ['made' => min($row->sizes, count($widths)), 'of' => count($widths)],
            'created_at' => $row->created_at,
            'binned' => $row->binned_at !== null,
        ];
    }

    /**
     * @param  array{words: string, kind: string, only: string, larger: int, cursor: string}  $asked
     * @return Builder<Medium>
     */
    private function query(string $bankId, array $asked): Builder
    {
        $query = Medium::in($bankId);
        foreach (array_slice(array_filter(preg_split('/\s+/u', trim($asked['words'])) ?: []), 0, self::WORDS) as $word) {
            $like = '%'.addcslashes(mb_substr($word, 0, 100), '%_\\').'%';
            $query->where(fn (Builder $either) => $either->whereRaw('name ILIKE ?', [$like])->orWhereRaw('alt ILIKE ?', [$like]));
        }
        $kinds = array_intersect(explode(',', $asked['kind'], 5), ['image', 'audio', 'video', 'text']);
        if ($kinds !== []) {
            $query->where(function (Builder $either) use ($kinds): void {
                foreach ($kinds as $kind) {
                    $either->orWhereLike('type', "$kind/%", caseSensitive: true);
                }
            });
        }
        if ($asked['larger'] > 0) {
            $query->where('bytes', '>', $asked['larger']);
        }
        if ($asked['only'] === 'binned') {
            $query->whereNotNull('binned_at');
        } else {
            $query->whereNull('binned_at');
        }
        match ($asked['only']) {
            'used' => $query->whereRaw('id IN ('.self::SHOWN.')', [$bankId, $bankId]),
            'unused' => $query->whereRaw('id NOT IN ('.self::SHOWN.')', [$bankId, $bankId]),
            'no-alt' => $query->whereNull('alt')->whereLike('type', 'image/%', caseSensitive: true),
            default => null,
        };

        return $query;
    }
}
