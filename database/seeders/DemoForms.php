<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\Assembly\MakeFormSet;
use App\Actions\Assembly\SaveAssessment;
use App\Models\Assessment as AssessmentModel;
use App\Models\Bank;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Json\Json;
use WideQuarry\Random\Seed;

/** What the demo prints: an exam in four forms, and a practical with boxes and squared paper. */
final readonly class DemoForms
{
    private const EXAM = 'Printed exam: rocks and maps';

    private const SCHOOL = ['school' => 'Fellmoor Upper School', 'group' => true];

    public function __construct(private SaveAssessment $save, private MakeFormSet $make)
    {
    }

    public function seed(User $person): void
    {
        $rocks = Bank::query()->where('slug', 'rocks')->firstOrFail();
        $json = Assessment::fresh((string) Str::uuid7(), self::EXAM);
        $json->language = 'en-GB';
        $json->time_limit = 2400;
        $json->instructions = '<p>Answer all questions. Each has one right answer, unless it says otherwise.</p>';
        $json->sections = [
            $this->section('s1', 'What rocks remember', 'rocks', 12),
            $this->section('s2', 'Water at work', 'water', 8),
        ];
        $exam = $this->save->create($json, $rocks->id, $person);
        DB::table('assessments')->where('id', $exam->id)->update([
            'print' => Json::encode((object) [...self::SCHOOL, 'course' => 'Earth science, Year 9', 'aids' => 'a ruler', 'boxes' => true]),
            'folder' => '{"Year 9","Autumn"}',
            'course' => 'Earth science',
            'term' => 'Autumn 2026',
        ]);
        $this->make->handle($exam->refresh(), $person, 4, Seed::of(2026), 4);
        $this->practical();
    }

    /** Questions with one right option, shuffled. */
    private function section(string $id, string $title, string $bank, int $count): \stdClass
    {
        $questions = DB::table('questions')
            ->join('banks', 'banks.id', '=', 'questions.bank_id')
            ->where('banks.slug', $bank)
            ->where('questions.status', 'approved')
            ->whereRaw("kinds = '{choice}'")
            ->orderBy('questions.id')
            ->limit($count)
            ->pluck('questions.id')
            ->all();

        return (object) [
            'id' => $id,
            'title' => $title,
            'shuffle' => true,
            'entries' => array_map(
                fn (mixed $question, int $i): \stdClass => (object) ['id' => $id.'e'.($i + 1), 'question' => $question, 'seen' => 1],
                $questions,
                array_keys($questions),
            ),
        ];
    }

    /** Numbers are worked out on squares, what is put into words stands in boxes. */
    private function practical(): void
    {
        $assessment = AssessmentModel::query()->where('title', 'Practical: reading the evidence')->firstOrFail();
        $spaces = [];
        foreach ($assessment->document()->picks() as $pick) {
            $kinds = DB::table('questions')->where('id', $pick->question)->value('kinds');
            $kinds = is_string($kinds) ? $kinds : '';
            $as = match (true) {
                str_contains($kinds, 'number') => 'squared',
                str_contains($kinds, 'text') => 'box',
                default => null,
            };
            if ($as !== null) {
                $spaces[] = ['entry' => $pick->id, 'as' => $as, 'lines' => $as === 'squared' ? 5 : 3];
            }
        }
        $settings = [...self::SCHOOL, 'course' => 'Earth science, Year 10', 'spaces' => $spaces];
        DB::table('assessments')->where('id', $assessment->id)->update(['print' => Json::encode((object) $settings)]);
    }
}
