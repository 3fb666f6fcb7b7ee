<?php

declare(strict_types=1);

namespace App\Queries;

use App\Indexing\StagedRows;
use App\Infrastructure\PostgresArray;
use Illuminate\Support\Facades\DB;
use WideQuarry\CoreException;
use WideQuarry\Interchange\Typed\Written\WrittenQuestion;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * A typed document beside what was made of it: its paragraphs in stretches, each with its question, the heading or the stimulus it is.
 */
final readonly class DocumentPage
{
    /** Stretches of a page. */
    private const PAGE = 150;

    public function __construct(private PartKinds $kinds)
    {
    }

    /**
     * @return array<string, mixed>|null null when the file is no typed document
     */
    public function of(string $intake, string $file, int $from): ?array
    {
        /** @var (object{id: string, name: string, corrections: string}&\stdClass)|null $row */
        $row = DB::table('intake_files')->where('intake_id', $intake)->where('id', $file)->first();
        $held = $row === null ? null : DB::table('staged_things')->where('file_id', $file)->where('type', 'document')->value('value');
        $document = is_string($held) ? Json::decode($held) : null;
        if ($row === null || ! $document instanceof \stdClass || ! is_array($document->lines ?? null)) {
            return null;
        }
        $unused = self::unused($document->lines);
        $stretches = self::stretches($document->lines);
        $page = array_slice($stretches, $from, self::PAGE);
        $ids = array_values(array_filter(array_map(fn (array $one): ?string => $one['is'] === 'question' ? $one['id'] : null, $page)));

        return [
            'file' => ['id' => $row->id, 'name' => $row->name, 'type' => $document->type ?? 'text'],
            'corrections' => Json::decode($row->corrections),
            'looks' => $document->looks ?? [],
            'unused' => $unused,
            'stretches' => $page,
            'questions' => $this->questions($intake, $file, $ids),
            'next' => $from + self::PAGE < count($stretches) ? $from + self::PAGE : null,
            'total' => count($stretches),
        ];
    }

    /**
     * @param  array<mixed>  $lines
     * @return list<array{is: string, id: string|null, lines: list<\stdClass>}>
     */
    private static function stretches(array $lines): array
    {
        $stretches = [];
        foreach ($lines as $line) {
            if (! $line instanceof \stdClass) {
                continue;
            }
            $last = count($stretches) - 1;
            $is = is_string($line->is ?? null) ? $line->is : 'unused';
            $id = is_string($line->id ?? null) ? $line->id : null;
            unset($line->is, $line->id);
            if ($last >= 0 && $stretches[$last]['is'] === $is && $stretches[$last]['id'] === $id && $is !== 'heading') {
                $stretches[$last]['lines'][] = $line;
            } else {
                $stretches[] = ['is' => $is, 'id' => $id, 'lines' => [$line]];
            }
        }

        return $stretches;
    }

    /**
     * @param  array<mixed>  $lines
     * @return list<array{number: int, html: string}>
     */
    private static function unused(array $lines): array
    {
        $unused = [];
        foreach ($lines as $line) {
            if ($line instanceof \stdClass && ($line->is ?? 'unused') === 'unused' && is_int($line->number ?? null)) {
                $unused[] = ['number' => $line->number, 'html' => is_string($line->html ?? null) ? $line->html : ''];
            }
        }

        return array_slice($unused, 0, 500);
    }

    /**
     * @param  list<string>  $ids  as the document has them
     * @return array<string, array<string, mixed>>
     */
    private function questions(string $intake, string $file, array $ids): array
    {
        $questions = [];
        /**
         * @var list<object{id: string, number: int, title: string, kinds: string, points: string, version: int, skipped: bool,
         *     is_complete: bool, source_id: string}&\stdClass> $rows
         */
        $rows = DB::table('staged_questions')
            ->where('intake_id', $intake)
            ->where('file_id', $file)
            ->whereIn('source_id', $ids)
            ->get()
            ->all();
        foreach ($rows as $row) {
            $json = StagedRows::json($row);
            $origin = $json->record instanceof \stdClass ? $json->record->origin ?? null : null;
            $fields = $origin instanceof \stdClass && ($origin->fields ?? null) instanceof \stdClass ? $origin->fields : new \stdClass;
            $questions[$row->source_id] = [
                'id' => $row->id,
                'number' => $row->number,
                'title' => $row->title,
                'kinds' => PostgresArray::read($row->kinds),
                'points' => (float) $row->points,
                'certainty' => $fields->certainty ?? 0,
                'signs' => $fields->signs ?? [],
                'edited' => $row->version > 1,
                'skipped' => $row->skipped,
                'complete' => $row->is_complete,
                'html' => $this->typed($json, $row->number, $intake),
            ];
        }

        return $questions;
    }

    /** The question as it would be typed: what is understood of it, in the words of its reader. */
    private function typed(\stdClass $json, int $number, string $intake): string
    {
        try {
            $question = Question::read($json, $this->kinds);
            $files = [];
            foreach (\WideQuarry\Question\QuestionMedia::of($question) as $medium) {
                $files[$medium] = "/api/v1/intakes/$intake/media/$medium";
            }
            [$html] = WrittenQuestion::of($question, $json, $number, $files);

            return (string) preg_replace('~<span id="wq[0-9a-f]*"></span>~', '', implode('', $html));
        } catch (CoreException) {
            return '';
        }
    }
}
