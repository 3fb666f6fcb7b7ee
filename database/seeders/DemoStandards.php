<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Standards\ReadFramework;
use App\Actions\Standards\StoreFramework;
use App\Indexing\QuestionIndex;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Question\Record;
use WideQuarry\Standards\Alignment;

/** The frameworks of the demo, and which statements its questions are about; "~" stands before those that a question only touches. */
final readonly class DemoStandards
{
    private const FRAMEWORKS = ['fellmoor-earth-framework.json', 'field-numeracy-ladder.json'];

    public function __construct(private ReadFramework $read, private StoreFramework $store)
    {
    }

    public function bring(User $person): void
    {
        foreach (self::FRAMEWORKS as $file) {
            foreach ($this->read->handle(base_path("demo/files/$file"), $file)[0] as $framework) {
                $this->store->asNew($framework, $person);
            }
        }
    }

    public function align(string $slug, string $bankId): void
    {
        $all = Json::decode((string) file_get_contents(database_path('demo/standards/alignments.json')));
        /** @var array<string, list<string>> $wanted */
        $wanted = $all instanceof \stdClass && ($all->{$slug} ?? null) instanceof \stdClass ? get_object_vars($all->{$slug}) : [];
        /** @var array<string, object{id: string, code: string, title: string}&\stdClass> $statements */
        $statements = DB::table('statements')
            ->join('frameworks', 'frameworks.id', '=', 'framework_id')
            ->get(['statements.id', 'code', 'frameworks.title'])
            ->keyBy('code')
            ->all();
        $records = [];
        /** @var list<object{id: string, title: string, record: string}&\stdClass> $questions */
        $questions = DB::table('questions')
            ->where('bank_id', $bankId)
            ->whereIn('title', array_keys($wanted))
            ->get(['id', 'title', 'record'])
            ->all();
        foreach ($questions as $question) {
            $record = Json::object($question->record);
            $before = Record::read($record, '');
            $record->standards = array_map(function (string $code) use ($statements): \stdClass {
                $statement = $statements[ltrim($code, '~')];

                return (object) [
                    'framework' => $statement->title,
                    'code' => $statement->code,
                    'statement' => $statement->id,
                    ...str_starts_with($code, '~') ? ['relation' => Alignment::TOUCHES] : [],
                ];
            }, $wanted[$question->title]);
            DB::table('questions')->where('id', $question->id)->update(['record' => Json::encode($record)]);
            $records[$question->id] = [$before, Record::read($record, '')];
        }
        if ($records !== []) {
            QuestionIndex::manyWords(QuestionIndex::searchUnder($records));
        }
    }
}
