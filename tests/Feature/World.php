<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Actions\Assembly\KeepPrint;
use App\Actions\Assembly\MakeFormSet;
use App\Actions\Assembly\SaveAssessment;
use App\Actions\Assembly\SaveBlueprint;
use App\Actions\Bulk\BeginOperation;
use App\Actions\Dispatch\OpenDispatch;
use App\Actions\Dispatch\WriteDispatch;
use App\Actions\ImportQuestions;
use App\Actions\Intake\OpenIntake;
use App\Actions\Intake\ReadIntake;
use App\Actions\RunSpecimens;
use App\Actions\SaveQuestion;
use App\Actions\SaveRubric;
use App\Actions\SaveStimulus;
use App\Actions\Standards\StoreFramework;
use App\Jobs\WorkOnIntake;
use App\Models\Assessment;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use App\Queries\Folders;
use App\Queries\Topics;
use App\Storage\FileStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Interchange\Pack\PackWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\Statement;
use WideQuarry\Stimulus\Stimulus;

/** A bank with one question, and people with every kind of right to it. */
final class World
{
    public const ROLES = ['nobody', 'stranger', 'reader', 'writer', 'keeper', 'team reader', 'administrator'];

    public Bank $bank;

    public string $question;

    public string $team;

    /** @var array<string, User> */
    public array $people = [];

    public function __construct()
    {
        $this->bank = Bank::query()->create(['slug' => 'rocks', 'name' => 'Rocks']);
        foreach (array_slice(self::ROLES, 1) as $role) {
            $this->people[$role] = User::query()
                ->create([
                    'name' => $role,
                    'email' => str_replace(' ', '', $role).'@fellmoor.example',
                    'password' => 'limestone-7',
                    'is_administrator' => $role === 'administrator',
                ])
                ->refresh();
            if (in_array($role, ['reader', 'writer', 'keeper'], true)) {
                DB::table('bank_grants')->insert(['bank_id' => $this->bank->id, 'user_id' => $this->people[$role]->id, 'role' => $role]);
            }
        }
        $team = $this->team = (string) Str::uuid7();
        DB::table('teams')->insert(['id' => $team, 'name' => 'Earth']);
        DB::table('memberships')->insert(['team_id' => $team, 'user_id' => $this->people['team reader']->id]);
        DB::table('bank_grants')->insert(['bank_id' => $this->bank->id, 'team_id' => $team, 'role' => 'reader']);
        DB::table('media')->insert([
            'bank_id' => $this->bank->id,
            'id' => 'm1',
            'sha256' => str_repeat('0', 64),
            'type' => 'image/png',
            'name' => 'a.png',
            'bytes' => 1,
        ]);
        $this->question = self::json()->id;
        app(SaveQuestion::class)->create(Question::read(self::json(), StandardKinds::all()), $this->bank->id, null);
    }

    /** A file that the writer has begun to send. */
    public function upload(): string
    {
        $id = (string) Str::uuid7();
        DB::table('uploads')->insert([
            'id' => $id,
            'bank_id' => $this->bank->id,
            'user_id' => $this->people['writer']->id,
            'name' => 'a.png',
            'bytes' => 100,
        ]);

        return $id;
    }

    public const STATEMENT = '7b1f0c52-3a44-4d7e-9a51-0e0d6f2c1b02';

    /** A framework of two statements, one below the other. */
    public function framework(): string
    {
        $statements = [
            new Statement('7b1f0c52-3a44-4d7e-9a51-0e0d6f2c1b01', 'FEF.1', 'Earth materials'),
            new Statement(self::STATEMENT, 'FEF.1.1', 'Tells minerals apart by hardness.', '7b1f0c52-3a44-4d7e-9a51-0e0d6f2c1b01'),
        ];
        $framework = new Framework('7b1f0c52-3a44-4d7e-9a51-0e0d6f2c1a01', 'Fellmoor Earth Framework', '2026', $statements);

        return app(StoreFramework::class)->asNew($framework, $this->people['keeper']);
    }

    public function folder(string $name = 'F'): string
    {
        return (string) Folders::at([$name], $this->bank->id);
    }

    /** Two versions of an assessment, to be merged with what is stored. @return array<string, mixed> */
    public function edits(): array
    {
        $json = Document::fresh((string) Str::uuid7(), 'Edited');

        return ['base' => $json, 'mine' => $json, 'choose' => (object) []];
    }

    public function topic(string ...$path): string
    {
        return (string) Topics::at($path === [] ? ['T'] : array_values($path), $this->bank->id);
    }

    /** Something the writer did, to be undone. */
    public function act(): string
    {
        return app(BeginOperation::class)->change(
            $this->bank,
            [$this->question],
            (object) ['record' => (object) ['level' => (object) ['set' => 'Year 9']]],
            $this->people['writer'],
        );
    }

    /** An intake of the writer's, of one question, meant for the bank, in review. */
    public function intake(): Intake
    {
        $json = self::json((string) Str::uuid7());
        $json->body = '<p>Quite another question</p><div data-part="p1"></div>';
        $intake = app(OpenIntake::class)->handle(
            [['path' => self::package([$json]), 'name' => 'one.zip']],
            $this->people['writer'],
            $this->bank,
        );
        app(ReadIntake::class)->handle($intake);

        return $intake->refresh();
    }

    public function staged(Intake $intake): string
    {
        return (string) DB::table('staged_questions')->where('intake_id', $intake->id)->orderBy('number')->value('id');
    }

    /** @return array<string, string> */
    public static function stimulus(
        string $id,
        string $title = 'The section',
        string $body = '<p>Three beds lie in the cliff.</p>',
    ): array {
        return ['id' => $id, 'title' => $title, 'language' => 'en-GB', 'body' => $body];
    }

    /** A stimulus of the bank that nothing shows yet. */
    public function shared(
        ?Bank $bank = null,
        string $title = 'The section',
        string $body = '<p>Three beds lie in the cliff.</p>',
    ): string {
        $id = (string) Str::uuid7();
        app(SaveStimulus::class)->create(
            Stimulus::read((object) self::stimulus($id, $title, $body)),
            ($bank ?? $this->bank)->id,
            $this->people['writer'],
        );

        return $id;
    }

    /** A beginning that the writer keeps. */
    public function start(): string
    {
        $id = (string) Str::uuid7();
        DB::table('starts')->insert([
            'id' => $id,
            'user_id' => $this->people['writer']->id,
            'name' => 'Mine',
            'content' => Json::encode(self::json()),
        ]);

        return $id;
    }

    /** A search that the writer shares with all readers of the bank. */
    public function search(): string
    {
        $id = (string) Str::uuid7();
        DB::table('saved_searches')->insert([
            'id' => $id,
            'bank_id' => $this->bank->id,
            'user_id' => $this->people['writer']->id,
            'shared' => true,
            'name' => 'Drafts',
            'filter' => 'status=draft',
        ]);

        return $id;
    }

    /** A personal token of the writer's. */
    public function token(): int
    {
        return (int) $this->people['writer']->createToken('Timetable', ['read'], now()->addDay())->accessToken->getKey();
    }

    /** An export of the writer's that could not be written. */
    public function failedDispatch(): string
    {
        $id = app(OpenDispatch::class)->handle(
            Fields::of((object) ['format' => 'pack', 'bank' => 'rocks'], '', ['format', 'bank']),
            $this->people['writer'],
        );
        DB::table('dispatches')
            ->where('id', $id)
            ->update(['state' => 'failed', 'problem' => 'The disk was full.']);

        return $id;
    }

    public function run(): string
    {
        return app(RunSpecimens::class)->begin($this->bank->id, null);
    }

    /** An assessment of the bank, of its one question. */
    public function assessment(): string
    {
        $json = Document::read(Document::fresh((string) Str::uuid7(), 'Unit test'), StandardKinds::all())->with([$this->question => 1]);

        return app(SaveAssessment::class)->create($json, $this->bank->id, $this->people['writer'])->id;
    }

    /** One table of a row and a column, that asks for the question there is. */
    public function blueprint(array $more = []): string
    {
        $json = json_decode((string) json_encode(self::blueprintOf((string) Str::uuid7(), $this->bank->id, $more)));

        return app(SaveBlueprint::class)->create($json, $this->bank->id, $this->people['keeper'])->id;
    }

    /** The same assessment made from it. */
    public function assembled(): string
    {
        $json = Document::fresh((string) Str::uuid7(), 'From a blueprint');
        $json->blueprint = json_decode((string) json_encode(self::blueprintOf((string) Str::uuid7(), $this->bank->id)));

        return app(SaveAssessment::class)->create($json, $this->bank->id, $this->people['keeper'])->id;
    }

    /** @return array<string, mixed> */
    public static function blueprintOf(string $id, string $bank, array $more = []): array
    {
        return [
            'format' => 'wide-quarry/blueprint',
            'version' => 1,
            'id' => $id,
            'title' => 'Rocks',
            'banks' => [$bank],
            'tables' => [[
                'id' => 't1',
                'rows' => [['id' => 'r1', 'title' => 'Rocks', 'where' => ['bank' => ['rocks']]]],
                'columns' => [['id' => 'c1', 'title' => 'Choice', 'where' => ['kind' => ['choice']]]],
                'cells' => [['row' => 'r1', 'column' => 'c1', 'count' => ['min' => 1, 'max' => 1]]],
            ]],
            ...$more,
        ];
    }

    public function entryPath(): string
    {
        return "/assessments/{$this->assessment()}/entries/e-".str_replace('-', '', $this->question);
    }

    /** A draw of one of two. */
    public function drawPath(): string
    {
        $json = Document::fresh((string) Str::uuid7(), 'Unit test');
        $json->sections[0]->entries = [
            (object) ['id' => 'd1', 'draw' => 1, 'pool' => [$this->question, $this->add('Another of the pool')]],
        ];

        return '/assessments/'.app(SaveAssessment::class)->create($json, $this->bank->id, $this->people['writer'])->id.'/draws/d1';
    }

    /** A dispatch where there is a receiving desk. */
    public function deliveryPath(): string
    {
        config(['app.demo' => true]);

        return "/dispatches/{$this->dispatch()}/deliver";
    }

    /** Two forms of an assessment. */
    public function formsPath(): string
    {
        $assessment = Assessment::query()->findOrFail($this->assessment());
        $set = app(MakeFormSet::class)->handle($assessment, $this->people['writer'], 2, Seed::of(1), 4);

        return "/assessments/$assessment->id/forms/$set->id";
    }

    /** Of papers that are printed in the background. */
    public function orderPath(): string
    {
        DB::table('print_orders')->insert([
            'id' => ($id = (string) Str::uuid7()), 'assessment_id' => ($assessment = $this->assessment()), 'total' => 8, 'which' => 'key',
            'forms' => '', 'user_id' => $this->people['writer']->id,
        ]);

        return "/assessments/$assessment/print-orders/$id";
    }

    /** Of a print that was taken away. */
    public function receiptPath(): string
    {
        [$assessment, $print] = array_values(array_diff(explode('/', $this->printPath()), ['', 'assessments', 'prints']));
        $id = app(KeepPrint::class)->handle(Assessment::query()->findOrFail($assessment), $this->people['writer'], $print);

        return "/assessments/$assessment/receipts/$id";
    }

    public function template(): string
    {
        DB::table('print_templates')->insert([
            'id' => ($id = (string) Str::uuid7()), 'bank_id' => $this->bank->id, 'title' => "Template $id", 'settings' => '{}',
        ]);

        return $id;
    }

    /** Of a sheet of one page that was printed before. */
    public function printPath(): string
    {
        $id = (string) Str::uuid7();
        $file = (string) tempnam(sys_get_temp_dir(), 'pdf');
        file_put_contents($file, '%PDF-1.4');
        $assessment = $this->assessment();
        DB::table('prints')->insert([
            'id' => $id,
            'assessment_id' => $assessment,
            'user_id' => $this->people['writer']->id,
            'which' => 'learner',
            'source' => $id,
            'sha256' => app(FileStore::class)->put($file)['sha256'],
            'pages' => 1,
        ]);

        return "/assessments/$assessment/prints/$id";
    }

    /** What the writer sent out. */
    public function dispatch(): string
    {
        $id = app(OpenDispatch::class)->handle(
            Fields::of((object) ['format' => 'pack', 'bank' => 'rocks'], '', ['format', 'bank']),
            $this->people['writer'],
        );
        app(WriteDispatch::class)->handle($id);

        return $id;
    }

    /** A typed exam that the writer gives. */
    public function typed(string $text, string $name = 'exam.txt'): Intake
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'exam');
        file_put_contents($file, $text);
        $intake = app(OpenIntake::class)->handle([['path' => $file, 'name' => $name]], $this->people['writer'], $this->bank);
        app(ReadIntake::class)->handle($intake);
        unlink($file);

        return $intake->refresh();
    }

    public function documentPath(?Intake $intake = null): string
    {
        $intake ??= $this->typed("1. Which splits?\nA. slate\nB. chalk\nAnswer: A");
        $file = (string) DB::table('intake_files')->where('intake_id', $intake->id)->value('id');

        return "/intakes/$intake->id/documents/$file";
    }

    public function correctionsPath(?Intake $intake = null): string
    {
        return str_replace('/tables/', '/files/', $this->tablePath($intake)).'/corrections';
    }

    public function tablePath(?Intake $intake = null): string
    {
        $intake ??= $this->typed("Question,A,B,Answer\nWhich splits?,slate,chalk,A\n", 'table.csv');
        $file = (string) DB::table('intake_files')->where('intake_id', $intake->id)->orderBy('position')->value('id');

        return "/intakes/$intake->id/tables/$file";
    }

    /** @param  string  ...$quizzes  their titles */
    public static function quizzes(string ...$quizzes): string
    {
        $item = fn (string $title, int $n): string => "<item ident=\"$title-$n\" title=\"$title $n\"><presentation>"
            ."<material><mattext>What is $title $n?</mattext></material>"
            .'<response_str ident="r"><render_fib/></response_str></presentation></item>';

        return '<questestinterop>'.implode('', array_map(
            fn (string $title): string => "<assessment title=\"$title\"><section>".$item($title, 1).$item($title, 2).'</section></assessment>',
            $quizzes,
        )).'</questestinterop>';
    }

    /** An import of the writer's that waits for the choice of what to read. */
    public function choosing(string $bytes, string $name = 'quizzes.xml'): Intake
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'quizzes');
        file_put_contents($file, $bytes);
        $intake = app(OpenIntake::class)->handle([['path' => $file, 'name' => $name]], $this->people['writer'], $this->bank, chooses: true);
        unlink($file);
        (new WorkOnIntake($intake->id))->handle();

        return $intake->refresh();
    }

    public function partsPath(): string
    {
        return "/intakes/{$this->choosing(self::quizzes('Tides', 'Rocks'))->id}/parts";
    }

    /** How the writer reads tables. */
    public function mapping(): string
    {
        $id = (string) Str::uuid7();
        $row = ['id' => $id, 'user_id' => $this->people['writer']->id, 'name' => 'Tables', 'mapping' => '{"sheets":[]}'];
        DB::table('table_mappings')->insert($row);

        return $id;
    }

    public function stagedPath(): string
    {
        $intake = $this->intake();

        return "/intakes/$intake->id/questions/{$this->staged($intake)}";
    }

    /** A receipt with an assumption that the keeper is asked about. */
    public function assumed(): string
    {
        $intake = $this->receipt();
        $receipt = (string) DB::table('receipts')->where('intake_id', $intake)->orWhere('id', $intake)->value('id');
        DB::table('assumptions')->insert([
            'receipt_id' => $receipt,
            'number' => 0,
            'statement' => '{"quiz":"Rocks","of":"","draw":2,"pool":null,"points":null,"known":false}',
            'asked_id' => $this->people['keeper']->id,
        ]);

        return $receipt;
    }

    /** Of an intake that the writer brought in. */
    public function receipt(): string
    {
        return app(ImportQuestions::class)->handle(
            self::package([self::json((string) Str::uuid7())]),
            'one.zip',
            $this->bank,
            [],
            $this->people['writer'],
        )->id;
    }

    /** @param  list<\stdClass>  $questions  as a package of our own, in a temporary file */
    public static function package(array $questions): string
    {
        $found = new PackageContents;
        $found->questions = $questions;
        $file = (string) tempnam(sys_get_temp_dir(), 'world');
        (new PackWriter)->write($found, $file);

        return $file;
    }

    /** @param  array<string, mixed>  $more */
    public function add(string $title, string $body = '<p>Which?</p><div data-part="p1"></div>', array $more = []): string
    {
        $json = self::json((string) Str::uuid7());
        $json->title = $title;
        $json->body = $body;
        foreach ($more as $field => $value) {
            $json->{$field} = $value;
        }
        app(SaveQuestion::class)->create(Question::read(Json::decode(Json::encode($json)), StandardKinds::all()), $this->bank->id, null);

        return $json->id;
    }

    /** @return array<string, mixed> a rubric as it is sent */
    public static function rubric(string $title = 'Explaining a process'): array
    {
        return [
            'title' => $title,
            'criteria' => [
                [
                    'id' => 'c1',
                    'title' => 'Process',
                    'levels' => [
                        ['id' => 'l1', 'points' => 4, 'html' => '<p>Both sides.</p>'],
                        ['id' => 'l2', 'points' => 0, 'html' => '<p>Neither.</p>'],
                    ],
                ],
            ],
        ];
    }

    /** A rubric kept in the bank. */
    public function keptRubric(): string
    {
        $id = (string) Str::uuid7();
        $content = Json::decode(Json::encode(self::rubric()));
        app(SaveRubric::class)->create($id, $this->bank, 'Explaining a process', $content, null);

        return $id;
    }

    /** A question of the bank with a statement that is true or not. */
    public function trueFalse(bool $true): string
    {
        $part = (object) [
            'id' => 'p1',
            'kind' => 'choice',
            'points' => 1,
            'settings' => (object) [
                'options' => [(object) ['id' => 'a', 'html' => '<p>true</p>'], (object) ['id' => 'b', 'html' => '<p>false</p>']],
                'max' => 1,
            ],
            'key' => (object) ['rules' => [(object) ['id' => 'r1', 'on' => $true ? 'a' : 'b', 'credit' => '1']]],
        ];

        return $this->add(
            $true ? 'Slate splits' : 'Granite splits',
            '<p>'.($true ? 'Slate splits.' : 'Granite splits.').'</p><div data-part="p1"></div>',
            ['parts' => [$part]],
        );
    }

    /** A list of statements to judge. */
    public static function statements(): \stdClass
    {
        $json = self::json((string) Str::uuid7());
        $json->body = '<p>Which are true?</p><div data-part="p1"></div>';
        $json->parts = [
            (object) [
                'id' => 'p1',
                'kind' => 'choice',
                'points' => 2,
                'settings' => (object) [
                    'options' => [
                        (object) ['id' => 'a', 'html' => '<p>Slate splits.</p>'],
                        (object) ['id' => 'b', 'html' => '<p>Granite splits.</p>'],
                    ],
                    'max' => null,
                ],
                'key' => (object) ['rules' => [(object) ['id' => 'r1', 'on' => 'a', 'credit' => '1']]],
                'scoring' => (object) ['scheme' => 'judge'],
            ],
        ];

        return $json;
    }

    public static function json(?string $id = null): \stdClass
    {
        $json = Json::decode((string) file_get_contents(base_path('core/schema/examples/choice.json')))->valid;
        $json->id = $id ?? $json->id;

        return $json;
    }
}
