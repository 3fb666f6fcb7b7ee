<?php

declare(strict_types=1);

namespace App\Actions\Dispatch;

use App\Errors\Refused;
use App\Models\Assessment;
use App\Models\Bank;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Printing\SheetPage;
use App\Queries\AssessmentEntries;
use App\Search\QuestionFilter;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use WideQuarry\Interchange\FixedRolls;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\QuestionTable\Written\TableFile;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

/** Says what is to be sent out and how: questions, a bank or a part of it, or an assessment. */
final readonly class OpenDispatch
{
    private const MOST = 50_000;

    public function __construct(private PartKinds $kinds, private QuestionSearch $search)
    {
    }

    /**
     * @param  Fields  $fields  format; questions, or bank with filter, or assessment; key, feedback, classification, notes;
     *                          columns of a table, all that hold something without them; rolls: of a question whose values vary, where the format has no such values
     *
     * @throws Refused|\WideQuarry\Json\Malformed
     */
    public function handle(Fields $fields, User $person): string
    {
        [$format, $what, $title, $bank] = $this->read($fields, $person);
        $id = (string) Str::uuid7();
        DB::table('dispatches')->insert([
            'id' => $id,
            'user_id' => $person->id,
            'bank_id' => $bank,
            'title' => $title,
            'format' => $format,
            'what' => Json::encode($what),
        ]);

        return $id;
    }

    /**
     * @return array{string, array<string, mixed>, string, string|null} format, what goes out, title, bank
     *
     * @throws Refused|\WideQuarry\Json\Malformed
     */
    public function read(Fields $fields, User $person): array
    {
        $format = $fields->oneOf('format', Formats::standard($this->kinds)->namesForQuestions(), 'pack');
        [$title, $bank, $what] = $this->what($fields, $person);
        foreach (['key', 'feedback', 'classification', 'notes'] as $along) {
            $what[$along] = $fields->bool($along, true);
        }
        if ($fields->has('columns')) {
            $what['columns'] = array_values(array_intersect(TableFile::columns(), $fields->strings('columns', 50, 40)));
        }
        $what['rolls'] = $fields->int('rolls', 1, 1, FixedRolls::MOST);
        if ($what['rolls'] > 1 && isset($what['assessment'])) {
            throw Refused::because('dispatch.rolls', Message::of('app.actions.dispatch.one-roll-of-each'), '/rolls');
        }
        if ($what['rolls'] * count(is_array($what['questions'] ?? null) ? $what['questions'] : []) > self::MOST) {
            throw Refused::because('dispatch.rolls', Message::of('app.actions.dispatch.fewer-copies'), '/rolls');
        }

        return [$format, $what, $title, $bank];
    }

    /** @return array{string, string|null, array<string, mixed>} title, bank, what */
    private function what(Fields $fields, User $person): array
    {
        if ($fields->has('assessment')) {
            $assessment = Assessment::query()->where('id', Fields::asUuid($fields->raw('assessment'), '/assessment'))->first();
            if ($assessment === null || ! Gate::forUser($person)->allows('view', $assessment)) {
                throw Refused::because('dispatch.nothing', Message::of('app.actions.dispatch.no-such-assessment'), '/assessment');
            }

            $missing = AssessmentEntries::of($assessment->document(), $person, $this->kinds)->missing();
            if ($missing !== []) {
                throw Refused::because('assessment.missing', SheetPage::refusal('exported', $missing), '/assessment');
            }

            return [$assessment->title, $assessment->bank_id, ['assessment' => $assessment->id]];
        }
        if ($fields->has('bank')) {
            $bank = Bank::query()->where('slug', $fields->string('bank'))->first();
            if ($bank === null || ! Gate::forUser($person)->allows('view', $bank)) {
                throw Refused::because('dispatch.nothing', Message::of('app.actions.dispatch.no-such-bank'), '/bank');
            }
            $filter = $fields->string('filter', '', 20_000);
            $ids = $this->search->ids(Scope::bank($bank->id), QuestionFilter::fromQuery($filter));

            // a whole bank may be empty; and its stimuli go out with it, also those that no question shows
            return [
                $bank->name,
                $bank->id,
                $filter === ''
                    ? ['questions' => $ids === [] ? [] : self::few($ids), 'bank' => $bank->id]
                    : ['questions' => self::few($ids)],
            ];
        }
        $ids = [];
        foreach ($fields->list('questions', self::MOST) as $i => $id) {
            $ids[] = Fields::asUuid($id, "/questions/$i");
        }
        /** @var \Illuminate\Support\Collection<int, object{id: string, title: string}&\stdClass> $seen */
        $seen = DB::table('questions')
            ->whereIn('id', array_keys(ReadableIds::of($person)->questions($ids)))
            ->orderBy('title')
            ->get(['id', 'title']);

        return [
            $seen->count() === 1 ? $seen[0]->title : $seen->count().' questions',
            null,
            ['questions' => self::few($seen->pluck('id')->all())],
        ];
    }

    /**
     * @param  array<mixed>  $ids
     * @return array<mixed>
     */
    private static function few(array $ids): array
    {
        return match (true) {
            $ids === [] => throw Refused::because(
                'dispatch.nothing',
                Message::of('app.actions.dispatch.nothing-send-out-question'),
                '/questions',
            ),
            count($ids) > self::MOST => throw Refused::because(
                'dispatch.too_many',
                Message::of('app.actions.dispatch.most-50-000-questions'),
                '/questions',
            ),
            default => $ids,
        };
    }
}
