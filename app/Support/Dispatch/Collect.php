<?php

declare(strict_types=1);

namespace App\Support\Dispatch;

use App\Models\Assessment;
use App\Models\User;
use App\Support\Assembly\Entries;
use App\Support\MediaStore;
use App\Support\Topics;
use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\Along;
use WideQuarry\Interchange\Found;
use WideQuarry\Interchange\Medium;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Parts;

/** Everything that goes out with some questions: their records, stimuli and media; in one order, so that the same gives the same. */
final readonly class Collect
{
    private const CHUNK = 500;

    public function __construct(private MediaStore $store, private Parts $kinds)
    {
    }

    /**
     * @param  list<string>  $ids
     * @param  string|null  $bank  one all of whose stimuli go along, shown or not
     */
    public function questions(array $ids, Along $along, ?string $bank = null): Found
    {
        $found = new Found;
        $around = ['stimuli' => [], 'media' => []];
        $ids = array_values(array_unique($ids));
        sort($ids);
        foreach (array_chunk($ids, self::CHUNK) as $chunk) {
            $rows = DB::table('questions')->join('revisions', fn ($join) => $join->on('revisions.question_id', 'questions.id')->on('revisions.number', 'questions.revision'))->whereIn('questions.id', $chunk)->orderBy('questions.id')->get(['questions.id', 'bank_id', 'content', 'record']);
            $this->add($found, $around, $rows->all(), $along);
        }
        $bank === null || $this->stimuli($around, DB::table('stimuli')->where('bank_id', $bank)->whereNull('binned_at')->pluck('id')->all());

        return $this->settled($found, $around);
    }

    /** Questions as they are asked in an assessment, and the assessment. */
    public function assessment(Assessment $assessment, User $person, Along $along): Found
    {
        $document = $assessment->document();
        $found = new Found;
        $around = ['stimuli' => [], 'media' => []];
        $entries = Entries::of($document, $person, $this->kinds);
        $asked = [];
        foreach ($entries->questions() as $question) {
            $asked[$question->id] ??= $question->content();
        }
        $ids = $document->questions();
        $rows = DB::table('questions')->join('revisions', fn ($join) => $join->on('revisions.question_id', 'questions.id')->on('revisions.number', 'questions.revision'))->whereIn('questions.id', $ids)->orderBy('questions.id')->get(['questions.id', 'bank_id', 'content', 'record']);
        // a question only varied here goes along as its bank has it; the variation is in the assessment
        $varied = array_flip(array_map(fn ($pick): string => $pick->question, array_filter($document->picks(), fn ($pick): bool => $pick->variation !== null)));
        foreach ($rows as $row) {
            $row->content = isset($asked[$row->id]) && ! isset($varied[$row->id]) ? Json::encode($asked[$row->id]) : $row->content;
        }
        $readable = array_filter($rows->all(), fn (\stdClass $row): bool => DB::scalar('SELECT EXISTS (SELECT 1 FROM visible_questions(?) AS visible WHERE visible.id = ?)', [$person->id, $row->id]) === true);
        $this->add($found, $around, array_values($readable), $along);
        $json = $document->toJson();
        foreach ($document->picks() as $pick) {
            $pick->variation !== null && $json = $document->varied($pick->id, $along->of($pick->variation->toJson())) ?? $json;
            $pick->variation !== null && $document = \WideQuarry\Assembly\Assessment::read($json, $this->kinds);
        }
        $found->assessments[] = $json;

        return $this->settled($found, $around);
    }

    /**
     * @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around
     * @param  array<mixed>  $rows
     */
    private function add(Found $found, array &$around, array $rows, Along $along): void
    {
        $topics = Topics::paths(array_column($rows, 'id'));
        foreach ($rows as $row) {
            assert($row instanceof \stdClass);
            $json = Json::decode($row->content);
            $record = Json::decode($row->record);
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
     * The stimuli a question names, wherever they live: who reads a question reads what it shows. And the media of both, each from its own bank.
     *
     * @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around
     */
    private function around(array &$around, string $bank, \stdClass $json): void
    {
        $this->stimuli($around, is_array($json->stimuli ?? null) ? $json->stimuli : []);
        $this->media($around, $bank, Json::encode($json));
    }

    /**
     * @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around
     * @param  array<mixed>  $ids
     */
    private function stimuli(array &$around, array $ids): void
    {
        foreach (DB::table('stimuli')->whereIn('id', $ids)->get(['id', 'bank_id', 'title', 'language', 'body', 'origin']) as $stimulus) {
            $around['stimuli'][(string) $stimulus->id] ??= (object) array_filter(['id' => $stimulus->id, 'title' => $stimulus->title, 'language' => $stimulus->language, 'body' => $stimulus->body, 'origin' => is_string($stimulus->origin) ? Json::decode($stimulus->origin) : null], fn (mixed $value): bool => $value !== null);
            $this->media($around, $stimulus->bank_id, $stimulus->body);
        }
    }

    /** @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around */
    private function media(array &$around, string $bank, string $text): void
    {
        preg_match_all('/data-media=\\\\?"([^"\\\\]+)/', $text, $named);
        foreach (array_unique($named[1]) as $id) {
            $row = isset($around['media'][$id]) ? null : DB::table('media')->where('bank_id', $bank)->where('id', $id)->first();
            $bytes = $row === null ? null : $this->store->bytes($row->sha256);
            if ($row !== null && $bytes !== null) {
                $around['media'][$id] = Medium::of($row->id, $row->type, $row->name, $bytes);
            }
        }
    }

    /** @param  array{stimuli: array<string, \stdClass>, media: array<string, Medium>}  $around */
    private function settled(Found $found, array $around): Found
    {
        ksort($around['stimuli']);
        ksort($around['media']);
        $found->stimuli = array_values($around['stimuli']);
        $found->media = array_values($around['media']);

        return $found;
    }
}
