<?php

declare(strict_types=1);

namespace App\Actions\Dispatch;

use App\Models\Assessment;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Queries\AssessmentEntries;
use App\Queries\QuestionStandards;
use App\Queries\Topics;
use App\Storage\MediaStore;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Pick;
use WideQuarry\Interchange\ExportOptions;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\QuestionMedia;

/**
 * Everything that goes out with some questions: their records, stimuli and media; in one order, so that the same gives the same.
 *
 * @phpstan-type ContentRow object{id: string, bank_id: string, content: string, record: string}&\stdClass
 */
final readonly class ExportCollector
{
    private const CHUNK = 500;

    /** @param  bool  $withBytes  false replaces the bytes of media by their hash, for callers that only need the notices */
    public function __construct(private MediaStore $store, private PartKinds $kinds, private bool $withBytes = true)
    {
    }

    public function withoutBytes(): self
    {
        return new self($this->store, $this->kinds, false);
    }

    /**
     * @param  list<string>  $ids
     * @param  string|null  $bank  one all of whose stimuli go along, shown or not
     */
    public function questions(array $ids, ExportOptions $along, ?string $bank = null): PackageContents
    {
        $found = new PackageContents;
        $around = ['stimuli' => [], 'media' => []];
        $ids = array_values(array_unique($ids));
        sort($ids);
        foreach (array_chunk($ids, self::CHUNK) as $chunk) {
            /** @var \Illuminate\Support\Collection<int, ContentRow> $rows */
            $rows = DB::table('questions')
                ->join(
                    'revisions',
                    fn (JoinClause $join) => $join
                        ->on('revisions.question_id', 'questions.id')
                        ->on('revisions.number', 'questions.revision'),
                )
                ->whereIn('questions.id', $chunk)
                ->orderBy('questions.id')
                ->get(['questions.id', 'bank_id', 'content', 'record']);
            $this->add($found, $around, array_values($rows->all()), $along);
        }
        if ($bank !== null) {
            $this->stimuli($around, DB::table('stimuli')->where('bank_id', $bank)->whereNull('binned_at')->pluck('id')->all());
        }

        return $this->settled($found, $around);
    }

    /** Questions as they are asked in an assessment, and the assessment. */
    public function assessment(Assessment $assessment, User $person, ExportOptions $along): PackageContents
    {
        $document = $assessment->document();
        $found = new PackageContents;
        $around = ['stimuli' => [], 'media' => []];
        $entries = AssessmentEntries::of($document, $person, $this->kinds);
        $asked = [];
        $varied = array_filter($document->picks(), fn (Pick $pick): bool => $pick->variation !== null);
        $varied = array_flip(array_map(fn (Pick $pick): string => $pick->id, $varied));
        foreach (array_diff_key($entries->questions(), $varied) as $question) {
            $asked[$question->id] ??= $question->content();
        }
        $ids = self::asked($document);
        /** @var \Illuminate\Support\Collection<int, ContentRow> $rows */
        $rows = DB::table('questions')
            ->join(
                'revisions',
                fn (JoinClause $join) => $join->on('revisions.question_id', 'questions.id')->on('revisions.number', 'questions.revision'),
            )
            ->whereIn('questions.id', $ids)
            ->orderBy('questions.id')
            ->get(['questions.id', 'bank_id', 'content', 'record']);
        foreach ($rows as $row) {
            $row->content = isset($asked[$row->id]) ? Json::encode($asked[$row->id]) : $row->content;
        }
        $readable = ReadableIds::of($person)->questions($ids);
        $this->add($found, $around, array_values($rows->filter(fn (\stdClass $row): bool => isset($readable[$row->id]))->all()), $along);
        foreach ($document->picks() as $pick) {
            // export only the variation, not the original beside it
            if ($pick->variation !== null) {
                $own = $along->of($pick->variation->toJson());
                $id = Ids::of('variation', $assessment->id, $pick->id);
                $own->id = $id;
                $found->questions[] = $own;
                $this->around($around, $assessment->bank_id, $own);
                $document = \WideQuarry\Assembly\Assessment::read($document->standingAlone($pick->id, $id), $this->kinds);
            }
        }
        $json = $document->settled();
        unset($json->blueprint); // conditions mean nothing elsewhere
        $found->assessments[] = $json;

        return $this->settled($found, $around);
    }

    /** @return list<string> questions asked unvaried, and those of draws */
    private static function asked(\WideQuarry\Assembly\Assessment $document): array
    {
        $plain = array_filter($document->picks(), fn (Pick $pick): bool => $pick->variation === null);
        $ids = array_map(fn (Pick $pick): string => $pick->question, $plain);
        foreach ($document->draws() as $draw) {
            array_push($ids, ...$draw->pool);
        }

        return array_values(array_unique($ids));
    }

    /**
     * @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around
     * @param  list<ContentRow>  $rows
     */
    private function add(PackageContents $found, array &$around, array $rows, ExportOptions $along): void
    {
        $topics = Topics::paths(array_column($rows, 'id'));
        $records = array_map(fn (\stdClass $row): \stdClass => Json::object($row->record), $rows);
        QuestionStandards::refresh($records);
        foreach ($rows as $i => $row) {
            $json = Json::object($row->content);
            $record = $records[$i];
            if (isset($topics[$row->id])) {
                $record->topics = $topics[$row->id];
            }
            if ((array) $record !== []) {
                $json->record = $record;
            }
            $json = $along->everything() ? $json : $along->of($json);
            $found->questions[] = $json;
            $this->around($around, $row->bank_id, $json);
        }
    }

    /**
     * The stimuli a question names, wherever they live: who reads a question reads what it shows. And the media of both, each from its
     * own bank.
     *
     * @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around
     */
    private function around(array &$around, string $bank, \stdClass $json): void
    {
        $this->stimuli($around, is_array($json->stimuli ?? null) ? $json->stimuli : []);
        $this->media($around, $bank, $json);
    }

    /**
     * @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around
     * @param  array<mixed>  $ids
     */
    private function stimuli(array &$around, array $ids): void
    {
        /** @var \Illuminate\Support\Collection<int, object{id: string, bank_id: string, title: string, language: string, body: string,
            origin: string|null, standards: string}&\stdClass> $stimuli */
        $stimuli = DB::table('stimuli')
            ->whereIn('id', $ids)
            ->get(['id', 'bank_id', 'title', 'language', 'body', 'origin', 'standards']);
        foreach ($stimuli as $stimulus) {
            $around['stimuli'][$stimulus->id] ??= (object) array_filter(
                [
                    'id' => $stimulus->id,
                    'title' => $stimulus->title,
                    'language' => $stimulus->language,
                    'body' => $stimulus->body,
                    'origin' => $stimulus->origin === null ? null : Json::decode($stimulus->origin),
                    'standards' => $stimulus->standards === '[]' ? null : Json::decode($stimulus->standards),
                ],
                fn (mixed $value): bool => $value !== null,
            );
            $this->media($around, $stimulus->bank_id, $stimulus->body);
        }
    }

    /** @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around */
    private function media(array &$around, string $bank, mixed $content): void
    {
        foreach (QuestionMedia::in($content) as $id) {
            /** @var (object{id: string, sha256: string, type: string, name: string}&\stdClass)|null $row */
            $row = isset($around['media'][$id]) ? null : DB::table('media')->where('bank_id', $bank)->where('id', $id)->first();
            $bytes = match (true) {
                $row === null => null,
                $this->withBytes => $this->store->bytes($row->sha256),
                default => $row->sha256,
            };
            if ($row !== null && $bytes !== null) {
                $around['media'][$id] = Medium::of($row->id, $row->type, $row->name, $bytes);
            }
        }
    }

    /** @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around */
    private function settled(PackageContents $found, array $around): PackageContents
    {
        ksort($around['stimuli']);
        ksort($around['media']);
        $found->stimuli = array_values($around['stimuli']);
        $found->media = array_values($around['media']);

        return $found;
    }
}
