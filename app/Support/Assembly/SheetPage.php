<?php

declare(strict_types=1);

namespace App\Support\Assembly;

use App\Models\Assessment;
use App\Models\User;
use App\Support\MediaStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\View;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Parts;
use WideQuarry\Printing\Item;
use WideQuarry\Printing\PrintSettings;
use WideQuarry\Printing\Sheet;

/** The sheet of an assessment as one HTML document: for the screen with addresses, for paper with everything in it. */
final readonly class SheetPage
{
    private const FONTS = [
        ['Source Serif 4', 400, 'normal', 'source-serif-4-400-normal'], ['Source Serif 4', 400, 'italic', 'source-serif-4-400-italic'], ['Source Serif 4', 600, 'normal', 'source-serif-4-600-normal'],
        ['Atkinson Hyperlegible Next', 400, 'normal', 'atkinson-hyperlegible-next-400-normal'], ['Atkinson Hyperlegible Next', 600, 'normal', 'atkinson-hyperlegible-next-600-normal'],
    ];

    public function __construct(private Parts $kinds, private Sheet $sheet, private MediaStore $store)
    {
    }

    /**
     * @param  'learner'|'key'  $which
     * @param  bool  $whole  with pictures and fonts inside, so that nothing has to be fetched
     */
    public function html(Assessment $assessment, User $person, string $which, PrintSettings $settings, bool $whole): string
    {
        $document = $assessment->document();
        $entries = Entries::of($document, $person, $this->kinds);
        $questions = $entries->questions();
        $facts = $entries->facts();
        $items = [];
        $stimuli = $this->stimuli($questions, $person);
        foreach ($document->picks() as $pick) {
            $bank = $entries->bankOf($pick);
            $question = $questions[$pick->id] ?? null;
            $title = $facts[$pick->id]['title'];
            $items[$pick->id] = new Item($pick->id, $question, $entries->points($pick), is_string($title) ? $title : '', array_intersect_key($stimuli, array_flip($question->stimuli ?? [])), fn (string $id): ?string => $bank === null ? null : ($whole ? $this->inline($bank, $id) : "/api/v1/banks/$bank/media/$id"));
        }

        return View::make('print.sheet', [
            'title' => $document->title, 'footer' => addcslashes($document->title, '"\\').($which === 'key' ? ' – key' : ''), 'language' => $document->language, 'body' => $this->sheet->body($which, $document, $items, $settings),
            'fonts' => array_map(fn (array $font): array => [...array_slice($font, 0, 3), $whole ? 'data:font/woff2;base64,'.base64_encode((string) file_get_contents(public_path("fonts/$font[3].woff2"))) : "/fonts/$font[3].woff2"], self::FONTS),
            'images' => $whole ? 'data:' : "'self'", 'fontsFrom' => $whole ? 'data:' : "'self'", 'paper' => $settings->paper, 'large' => $settings->size === 'large', 'columns' => $settings->columns, 'room' => $settings->room(),
        ])->render();
    }

    public static function settings(Assessment $assessment): PrintSettings
    {
        return PrintSettings::read(Json::decode($assessment->print), '');
    }

    private function inline(string $bank, string $medium): ?string
    {
        $found = DB::table('media')->join('banks', 'banks.id', '=', 'media.bank_id')->where('banks.slug', $bank)->where('media.id', $medium)->first(['sha256', 'type']);
        $bytes = $found === null || ! str_starts_with($found->type, 'image/') ? null : $this->store->bytes($found->sha256);

        return $bytes === null ? null : "data:$found->type;base64,".base64_encode($bytes);
    }

    /**
     * @param  array<string, \WideQuarry\Question\Question>  $questions
     * @return array<string, string> id → rich text, of those the person may read
     */
    private function stimuli(array $questions, User $person): array
    {
        $ids = array_values(array_unique(array_merge(...array_values(array_map(fn ($question): array => $question->stimuli, $questions)), ...[[]])));
        $found = $ids === [] ? [] : DB::table('stimuli')->whereIn('id', $ids)->whereRaw('bank_id IN (SELECT bank_id FROM bank_roles(?))', [$person->id])->pluck('body', 'id')->all();

        return array_filter($found, is_string(...));
    }
}
