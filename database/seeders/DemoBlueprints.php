<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Assembly\SaveBlueprint;
use App\Models\Bank;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Blueprints\Blueprint;

/** Two blueprints: a plain table of topics by kind, and a grown one over several banks that asks for more than there is. */
final readonly class DemoBlueprints
{
    public function __construct(private SaveBlueprint $save)
    {
    }

    public function run(User $person): void
    {
        $plain = $this->blueprint('Rocks: a quick test', ['rocks', 'field-notes']);
        $plain->tables = [[
            'id' => 't1',
            'rows' => $this->topics(['Igneous rocks', 'Sedimentary rocks', 'Structures', 'Deep time and order']),
            'columns' => $this->columns(['kind' => ['choice' => 'Choice', 'text' => 'Typed', 'order' => 'Order', 'match' => 'Match']]),
            'rows_by' => ['topic'],
            'columns_by' => ['kind'],
            'cells' => [
                $this->cell('r1', 'c1', 3),
                $this->cell('r2', 'c1', 2),
                $this->cell('r3', 'c1', 2),
            ],
        ]];
        $this->store($plain, 'rocks', $person);
        $grown = $this->blueprint('End of year test', ['rocks', 'maps', 'water', 'hazards', 'evidence', 'diagrams']);
        $grown->statuses = ['approved'];
        $grown->unused_since = '2026-06-01';
        $rows = $this->topics(['Igneous rocks', 'Contours', 'Rivers', 'Volcanoes and earthquakes', 'Weather and climate']);
        $grown->tables = [[
            'id' => 't1',
            'rows' => [...$rows, ['id' => 'r6', 'title' => 'No topic', 'where' => ['no' => ['topic']]]],
            'columns' => [
                ['id' => 'c1', 'title' => 'Difficulty 1–2', 'where' => ['difficulty' => ['1', '2']]],
                ['id' => 'c2', 'title' => 'Difficulty 3', 'where' => ['difficulty' => ['3']]],
                ['id' => 'c3', 'title' => 'Difficulty 4–5', 'where' => ['difficulty' => ['4', '5']]],
            ],
            'rows_by' => ['topic'],
            'columns_by' => ['difficulty'],
            'cells' => [
                $this->cell('r1', 'c1', 3),
                $this->cell('r1', 'c2', 2),
                $this->cell('r2', 'c1', 3),
                $this->cell('r2', 'c2', 3, 4),
                $this->cell('r3', 'c1', 3),
                $this->cell('r3', 'c2', 2),
                $this->cell('r3', 'c3', 3),
                $this->cell('r4', 'c1', 4),
                $this->cell('r4', 'c2', 3),
                $this->cell('r5', 'c1', 4),
                $this->cell('r5', 'c2', 3),
            ],
        ]];
        $grown->total = ['points' => ['min' => 38, 'max' => 60]];
        $grown->rules = [
            ['id' => 'q1', 'rule' => 'at_most', 'attribute' => 'stimulus', 'n' => 3],
            ['id' => 'q2', 'rule' => 'some', 'title' => 'with a picture', 'where' => ['has' => ['figure']], 'count' => ['min' => 4]],
            ['id' => 'q3', 'rule' => 'unused_since', 'since' => '2026-06-01'],
        ];
        $grown->into = ['sections' => 'rows', 'order' => 'difficulty', 'as' => 'picks'];
        $this->store($grown, 'rocks', $person);
    }

    /** @param  list<string>  $slugs */
    private function blueprint(string $title, array $slugs): \stdClass
    {
        $blueprint = Blueprint::fresh((string) Str::uuid7(), $title);
        $blueprint->banks = DB::table('banks')->whereIn('slug', $slugs)->orderBy('name')->pluck('id')->all();

        return $blueprint;
    }

    /**
     * @param  list<string>  $titles
     * @return list<array<string, mixed>>
     */
    private function topics(array $titles): array
    {
        $rows = [];
        foreach ($titles as $i => $title) {
            $ids = DB::table('topics')->where('title', $title)->pluck('id')->all();
            $rows[] = ['id' => 'r'.($i + 1), 'title' => $title, 'where' => ['topic' => $ids]];
        }

        return $rows;
    }

    /**
     * @param  array<string, array<string, string>>  $values  condition → value → title
     * @return list<array<string, mixed>>
     */
    private function columns(array $values): array
    {
        $columns = [];
        foreach ($values as $condition => $titles) {
            foreach ($titles as $value => $title) {
                $columns[] = ['id' => 'c'.(count($columns) + 1), 'title' => $title, 'where' => [$condition => [$value]]];
            }
        }

        return $columns;
    }

    /** @return array<string, mixed> */
    private function cell(string $row, string $column, int $min, ?int $max = null): array
    {
        return ['row' => $row, 'column' => $column, 'count' => ['min' => $min, 'max' => $max ?? $min]];
    }

    private function store(\stdClass $blueprint, string $bank, User $person): void
    {
        /** @var \stdClass $json */
        $json = json_decode((string) json_encode($blueprint));
        $this->save->create($json, Bank::query()->where('slug', $bank)->firstOrFail()->id, $person);
    }
}
