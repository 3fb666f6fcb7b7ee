<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Assembly\ChangeState;
use App\Actions\Assembly\SaveAssessment;
use App\Actions\ImportQuestions;
use App\Actions\Intake\OpenIntake;
use App\Actions\Intake\ReadIntake;
use App\Actions\SaveRubric;
use App\Indexing\QuestionIndex;
use App\Models\Assessment as AssessmentModel;
use App\Models\Bank;
use App\Models\User;
use App\Queries\AssessmentEntries;
use App\Queries\Assessments;
use App\Queries\Folders;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment;
use WideQuarry\CommandLine\ReadJson;
use WideQuarry\Interchange\Formats;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;

/** Fellmoor Schools Partnership: invented people, teams and banks; the questions come in as packages, through the import. */
final class DemoSeeder extends Seeder
{
    public const PASSWORD = 'limestone-7';

    private const PEOPLE = [
        'orla' => 'Orla Penhale',
        'tam' => 'Tam Brisco',
        'ines' => 'Inés Varga',
        'callum' => 'Callum Adeyemi-Ross',
        'wren' => 'Wren Halloran',
        'petra' => 'Petra Lindqvist',
    ];

    private const TEAMS = [
        'Earth department' => ['orla', 'tam', 'ines', 'wren'],
        'Year 9' => ['ines', 'wren'],
        'Fieldwork week' => ['ines', 'callum'],
    ];

    /** name, purpose, file, team → role, person → role */
    private const BANKS = [
        'rocks' => [
            'Rocks, minerals and deep time',
            'Years 8 to 10: what rocks are and what they remember',
            ['Earth department' => 'writer', 'Year 9' => 'reader'],
            ['orla' => 'keeper', 'petra' => 'reader'],
        ],
        'maps' => [
            'Maps, sections and field skills',
            'Reading the ground from paper, and paper from the ground',
            ['Fieldwork week' => 'writer', 'Earth department' => 'reader'],
            ['orla' => 'keeper'],
        ],
        'water' => [
            'Water, weathering and landscapes',
            'Rivers, ice, coasts and what weather does to rock',
            ['Earth department' => 'writer'],
            ['orla' => 'keeper', 'petra' => 'reader'],
        ],
        'field-maths' => [
            'Field maths',
            'Density, gradients, scale, bearings, rates',
            ['Earth department' => 'writer', 'Fieldwork week' => 'reader'],
            ['orla' => 'keeper', 'tam' => 'keeper'],
        ],
        'measuring' => [
            'Measuring and working out',
            'Numbers with units that are other for each learner, studied before they are used',
            ['Earth department' => 'writer', 'Year 9' => 'reader'],
            ['orla' => 'keeper', 'tam' => 'keeper', 'wren' => 'writer'],
        ],
        'graphs' => [
            'Grids and graphs',
            'Points, lines, regions and curves to draw: maps, slopes, floods, arches, tides',
            ['Earth department' => 'writer', 'Year 9' => 'reader'],
            ['orla' => 'keeper', 'tam' => 'keeper', 'wren' => 'writer'],
        ],
        'hazards' => [
            'Hazards and resources',
            'Weather, soils, earthquakes, energy and materials: what the Earth does to us, and we to it',
            ['Earth department' => 'writer', 'Year 9' => 'reader'],
            ['orla' => 'keeper', 'wren' => 'writer'],
        ],
        'field-notes' => [
            'Field notes and deep time',
            'Ordering, reading closely, mending notes, estimating, and looking back',
            ['Earth department' => 'writer'],
            ['orla' => 'keeper', 'ines' => 'keeper'],
        ],
        'evidence' => [
            'Reading the evidence',
            'Sections, hydrographs, columns, maps and tables, with the questions that share them',
            ['Earth department' => 'writer', 'Year 9' => 'reader'],
            ['orla' => 'keeper', 'ines' => 'writer'],
        ],
        'diagrams' => [
            'Diagrams and places',
            'Pictures to label, to pick on and to mark',
            ['Earth department' => 'writer', 'Year 9' => 'reader'],
            ['orla' => 'keeper', 'callum' => 'writer'],
        ],
        'long-answers' => [
            'Long answers',
            'Essays, short answers with a mark scheme, and work handed in, with rubrics and example answers',
            ['Earth department' => 'writer', 'Year 9' => 'reader'],
            ['orla' => 'keeper', 'ines' => 'writer'],
        ],
        'old-system' => [
            'From the old system',
            'As it arrived: names, tags and folders have grown for ten years',
            ['Earth department' => 'writer'],
            ['orla' => 'keeper', 'callum' => 'writer'],
        ],
        'tams-drafts' => ['Tam’s drafts', 'Not ready to be seen', [], ['tam' => 'keeper']],
    ];

    /** bank → folder → topics, or #tags, whose questions lie in it; a tag that begins so is taken off */
    private const FOLDERS = [
        'hazards' => [
            'Year 9 › Air and soil' => ['Weather and climate', 'Soils and cycles'],
            'Year 9 › A restless Earth' => ['Volcanoes and earthquakes'],
            'Year 9 › What we use' => ['Energy and materials'],
        ],
        'evidence' => [
            'Practical › On paper' => ['Maps and sections', 'Rivers', 'Weather and climate'],
            'Practical › In the hand' => ['Minerals', 'Deep time'],
            'Practical › To read' => ['Field skills'],
        ],
        'diagrams' => [
            'Labels and places › Inside the Earth' => ['Volcanoes and earthquakes', 'The Earth inside'],
            'Labels and places › On the ground' => ['Maps and sections', 'Landscapes'],
        ],
        'long-answers' => [
            'Written papers › Processes' => ['Rivers', 'Glaciers', 'Metamorphic rocks', 'Volcanoes and earthquakes'],
            'Written papers › Evidence' => ['Sedimentary rocks', 'The Earth inside', 'Energy and materials'],
            'Handed in' => ['Field skills'],
        ],
        'rocks' => [
            'Year 9 › Rock cycle' => ['Igneous rocks', 'Metamorphic rocks', 'Sedimentary rocks'],
            'Year 9 › Minerals' => ['Minerals'],
            'Year 10 › Deep time' => ['Deep time', 'Radiometric ages'],
        ],
        'maps' => ['Fieldwork week › Before we go' => ['Maps and sections'], 'Fieldwork week › Day 2' => ['Field skills']],
        'old-system' => [
            'Misc' => ['#misc'],
            'misc (2)' => ['#misc2'],
            'Rocks OLD' => ['#rocks-old'],
            'New folder' => ['#new-folder'],
            'maths' => ['#maths'],
        ],
        'measuring' => [
            'Rates and units' => ['Rates', 'Units', 'Gradient'],
            'Density' => ['Density'],
            'On the map' => ['Scale', 'Angles'],
            'Powers and lines' => ['Powers of ten', 'Lines and curves', 'Means and shares'],
        ],
        'graphs' => [
            'On the map' => ['Points and polygons', 'Lines and vectors'],
            'Where it holds' => ['Inequalities', 'Number line'],
            'Curves' => ['Curves'],
        ],
        'field-maths' => ['Measuring' => ['Density', 'Powers of ten'], 'Slopes and rates' => ['Gradient', 'Rates']],
    ];

    /** title → bank it is kept in, instructions, sections of topics with how many questions of each (bank, topic, count) */
    private const ASSESSMENTS = [
        'Year 9, unit 3: rocks and maps' => [
            'rocks',
            '<p>Forty minutes. Write in pencil; a calculator is allowed.</p>',
            [
                'What rocks remember' => [['rocks', 'Igneous rocks', 3], ['rocks', 'Metamorphic rocks', 2], ['rocks', 'Deep time', 2]],
                'Reading the ground' => [['maps', 'Maps and sections', 3], ['maps', 'Field skills', 2]],
            ],
        ],
        'Practical: reading the evidence' => [
            'evidence',
            '<p>Look closely before you answer. Several questions share what stands above them.</p>',
            [
                'On paper' => [['evidence', 'The practical', 1], ['evidence', 'Maps and sections', 5], ['evidence', 'Rivers', 4]],
                'In the hand' => [['evidence', 'Minerals', 3], ['evidence', 'Deep time', 3]],
            ],
        ],
        'Written paper: rivers and ice' => [
            'long-answers',
            '<p>One hour. Answer all questions in full sentences. Sketches with labels count as words.</p>',
            ['Explain' => [['long-answers', 'Rivers', 2], ['long-answers', 'Glaciers', 1]], 'Weigh up' => [['long-answers', 'Energy and materials', 1]]],
        ],
        'Drawing on grids' => [
            'graphs',
            '<p>Use a ruler and a sharp pencil.</p>',
            ['' => [['graphs', 'Lines and vectors', 2], ['graphs', 'Inequalities', 1], ['graphs', 'Number line', 2]]],
        ],
        'Entry check: measuring' => [
            'field-maths',
            '',
            ['' => [['field-maths', 'Density', 2], ['field-maths', 'Gradient', 2], ['field-maths', 'Rates', 1]]],
        ],
    ];

    /** Where assessments lie: folder, course, term. */
    private const PLACES = [
        'Year 9, unit 3: rocks and maps' => [['Year 9', 'Autumn'], 'Earth science', 'Autumn 2026'],
        'Practical: reading the evidence' => [['Year 10'], 'Earth science', 'Autumn 2026'],
        'Written paper: rivers and ice' => [['Year 10', 'Papers'], 'Geography', 'Spring 2027'],
        'Entry check: measuring' => [['Field week'], 'Field skills', 'Summer 2026'],
        'Rocks drawn anew' => [['Year 9', 'Autumn'], 'Earth science', 'Autumn 2026'],
    ];

    public function run(ImportQuestions $import, PartKinds $kinds, SaveAssessment $save, OpenIntake $open, ReadIntake $read): void
    {
        DB::transaction(function () use ($import, $kinds, $save, $open, $read): void {
            $people = $this->people();
            $teams = $this->teams($people);
            $standards = app(DemoStandards::class);
            $standards->bring($people['orla']);
            foreach (self::BANKS as $slug => [$name, $purpose, $forTeams, $forPeople]) {
                $bank = Bank::query()->create([
                    'slug' => $slug,
                    'name' => $name,
                    'purpose' => $purpose,
                    'subject' => 'Earth science',
                    'team_id' => isset($forTeams['Earth department']) && $slug !== 'old-system' ? $teams['Earth department'] : null,
                ]);
                foreach ($forTeams as $team => $role) {
                    DB::table('bank_grants')->insert(['bank_id' => $bank->id, 'team_id' => $teams[$team], 'role' => $role]);
                }
                foreach ($forPeople as $person => $role) {
                    DB::table('bank_grants')->insert(['bank_id' => $bank->id, 'user_id' => $people[$person]->id, 'role' => $role]);
                }
                $this->rubrics($slug, $bank, $people['orla']);
                if (is_file(self::source($slug))) {
                    $package = self::package($slug, $kinds);
                    $import->handle($package, "$slug.zip", $bank, [], $people['orla']);
                    unlink($package);
                    $this->place($bank->id, self::FOLDERS[$slug] ?? []);
                    $this->takeOff($bank->id);
                    $standards->align($slug, $bank->id);
                }
            }
            foreach (self::ASSESSMENTS as $title => [$home, $instructions, $sections]) {
                $save->create(
                    $this->assessment($title, $instructions, $sections),
                    Bank::query()->where('slug', $home)->firstOrFail()->id,
                    $people['orla'],
                );
            }
            $this->drawn($save, $people['orla']);
            app(DemoForms::class)->seed($people['orla']);
            app(DemoBlueprints::class)->run($people['orla']);
            // something to look at in a review at once
            $read->handle(
                $open->handle(
                    [['path' => base_path('demo/files/quarry-visit.zip'), 'name' => 'quarry-visit.zip']],
                    $people['callum'],
                    Bank::query()->where('slug', 'rocks')->first(),
                    ['Fieldwork', 'Quarry visit'],
                ),
            );
        });
    }

    /** Rubrics the questions of a bank follow. */
    private function rubrics(string $slug, Bank $bank, User $author): void
    {
        $file = database_path("demo/rubrics/$slug.json");
        $rubrics = is_file($file) ? Json::decode((string) file_get_contents($file)) : [];
        foreach (is_array($rubrics) ? $rubrics : [] as $one) {
            assert($one instanceof \stdClass && is_string($one->id) && $one->rubric instanceof \stdClass && is_string($one->rubric->title));
            app(SaveRubric::class)->create($one->id, $bank, $one->rubric->title, $one->rubric, $author);
        }
    }

    public static function source(string $slug): string
    {
        return database_path("demo/$slug.json");
    }

    /** The questions of a bank as a package of our own, in a temporary file. */
    public static function package(string $slug, PartKinds $kinds): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'demo');
        Formats::standard($kinds)
            ->named('pack')
            ?->write((new ReadJson($kinds))->found(Json::decode((string) file_get_contents(self::source($slug))), null), $file);

        return $file;
    }

    /** An assessment that draws from what meets conditions, for practice; and where all of them lie, and which was used. */
    private function drawn(SaveAssessment $save, User $person): void
    {
        $bank = Bank::query()->where('slug', 'rocks')->firstOrFail()->id;
        $topics = DB::table('topics')->whereIn('title', ['Igneous rocks', 'Metamorphic rocks'])->whereNull('parent_id')->pluck('id')->all();
        $from = fn (string $title, int $count, array $conditions): \stdClass => (object) [
            'title' => $title,
            'draw' => $count,
            'conditions' => (object) $conditions,
            'banks' => [$bank],
        ];
        $json = Assessment::fresh((string) Str::uuid7(), 'Rocks drawn anew');
        $json->language = 'en-GB';
        $json->instructions = '<p>Every time other questions come. Try as often as you like.</p>';
        $json->run = (object) ['purpose' => 'choice', 'attempts' => (object) ['allowed' => 2]];
        $json->sections = [
            (object) [
                'id' => 's1',
                'title' => 'Rocks',
                'entries' => [
                    (object) ['id' => 'd1', 'title' => 'Igneous and metamorphic', 'draw' => 4, 'points' => 1, 'from' => [
                        $from('Easier', 2, ['topic' => $topics, 'difficulty' => ['1', '2']]),
                        $from('Harder', 2, ['topic' => $topics, 'difficulty' => ['3', '4', '5']]),
                    ]],
                    (object) ['id' => 'd2', 'title' => 'Anything else', 'draw' => 3, 'points' => 1, 'apart' => true, 'from' => [
                        $from('', 3, ['not-topic' => $topics, 'status' => ['approved'], 'kind' => ['choice']]),
                    ]],
                ],
            ],
        ];
        $save->create($json, $bank, $person);
        foreach (self::PLACES as $title => [$folder, $course, $term]) {
            DB::table('assessments')
                ->where('title', $title)
                ->update(['folder' => QuestionIndex::array($folder), 'course' => $course, 'term' => $term]);
        }
        foreach (AssessmentModel::query()->get() as $one) {
            Assessments::keepTotals($one->id, AssessmentEntries::of($one->document(), $person, app(PartKinds::class))->totals());
        }
        $used = AssessmentModel::query()->where('title', 'Entry check: measuring')->firstOrFail();
        app(ChangeState::class)->used($used, $used->version, '2026-06-22', 'the field week group', $person);
    }

    /** @param  array<string, list<array{string, string, int}>>  $sections */
    private function assessment(string $title, string $instructions, array $sections): \stdClass
    {
        $json = Assessment::fresh((string) Str::uuid7(), $title);
        $json->language = 'en-GB';
        if ($instructions !== '') {
            $json->instructions = $instructions;
        }
        $json->sections = [];
        $n = 0;
        foreach ($sections as $name => $picks) {
            $entries = [];
            foreach ($picks as [$bank, $topic, $count]) {
                $ids = DB::table('questions')
                    ->join('banks', 'banks.id', '=', 'questions.bank_id')
                    ->join('question_topics', 'question_topics.question_id', '=', 'questions.id')
                    ->join('topics', 'topics.id', '=', 'question_topics.topic_id')
                    ->join('topics AS root', fn (JoinClause $join) => $join->whereRaw('topics.path <@ root.path'))
                    ->where('banks.slug', $bank)
                    ->where('root.title', $topic)
                    ->where('questions.status', 'approved')
                    ->orderBy('questions.id')
                    ->distinct()
                    ->limit($count)
                    ->pluck('questions.id')
                    ->all();
                foreach ($ids as $id) {
                    $entries[] = (object) ['id' => 'e'.++$n, 'question' => $id, 'seen' => 1];
                }
            }
            $json->sections[] = (object) array_filter(
                ['id' => 's'.(count($json->sections) + 1), 'title' => $name, 'entries' => $entries],
                fn (mixed $value): bool => $value !== '',
            );
        }

        return $json;
    }

    /** @param  array<string, list<string>>  $folders */
    private function place(string $bankId, array $folders): void
    {
        foreach ($folders as $path => $topics) {
            $folder = Folders::at(explode(' › ', $path), $bankId);
            DB::statement(
                <<<'SQL'
                INSERT INTO placements (question_id, folder_id)
                SELECT DISTINCT questions.id, ?::uuid FROM questions
                    JOIN question_topics ON question_topics.question_id = questions.id JOIN topics ON topics.id = question_topics.topic_id
                JOIN topics AS root ON topics.path <@ root.path WHERE questions.bank_id = ? AND root.title = ANY (?::text[])
                SQL,
                [$folder, $bankId, QuestionIndex::array($topics)],
            );
            DB::insert(
                <<<'SQL'
                    INSERT INTO placements (question_id, folder_id) SELECT id, ? FROM questions
                        WHERE bank_id = ? AND tags && ?::text[] ON CONFLICT DO NOTHING
                    SQL,
                [$folder, $bankId, QuestionIndex::array($topics)],
            );
            // a stimulus lies where its questions lie
            DB::insert(
                <<<'SQL'
                    INSERT INTO stimulus_placements (stimulus_id, folder_id) SELECT DISTINCT stimulus_id, folder_id
                        FROM question_stimuli JOIN placements USING (question_id) WHERE folder_id = ?
                    SQL,
                [$folder],
            );
        }
    }

    /** Tags that only said where something lies. */
    private function takeOff(string $bankId): void
    {
        DB::update(
            <<<'SQL'
                UPDATE questions SET tags = kept.tags, record = jsonb_set(record, '{tags}', to_jsonb(kept.tags))
                    FROM (SELECT id, array(SELECT tag FROM unnest(tags) WITH ORDINALITY AS one (tag, place) WHERE tag NOT LIKE '#%'
                    ORDER BY place) AS tags FROM questions WHERE bank_id = ?) AS kept
                    WHERE kept.id = questions.id AND questions.tags <> kept.tags
                SQL,
            [$bankId],
        );
    }

    /** @return array<string, User> */
    private function people(): array
    {
        $password = Hash::make(self::PASSWORD);
        $people = [];
        foreach (self::PEOPLE as $key => $name) {
            $people[$key] = User::query()->create([
                'name' => $name,
                'email' => "$key@fellmoor.example",
                'password' => $password,
                'is_administrator' => $key === 'orla',
            ]);
        }

        return $people;
    }

    /**
     * @param  array<string, User>  $people
     * @return array<string, string> name → id
     */
    private function teams(array $people): array
    {
        $teams = [];
        foreach (self::TEAMS as $name => $members) {
            $teams[$name] = (string) Str::uuid7();
            DB::table('teams')->insert(['id' => $teams[$name], 'name' => $name]);
            DB::table('memberships')->insert(
                array_map(fn (string $member): array => ['team_id' => $teams[$name], 'user_id' => $people[$member]->id], $members),
            );
        }

        return $teams;
    }
}
