<?php

declare(strict_types=1);

namespace App\Printing;

use App\Errors\Refused;
use App\Models\Assessment;
use App\Models\User;
use App\Queries\AskedAssessment;
use App\Queries\QuestionStandards;
use App\Queries\Stimuli;
use App\Storage\MediaStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\View;
use WideQuarry\Assembly\Pick;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Printing\PaperKind;
use WideQuarry\Printing\PrintedQuestion;
use WideQuarry\Printing\PrintedStimulus;
use WideQuarry\Printing\PrintSettings;
use WideQuarry\Printing\Sheet;
use WideQuarry\Printing\TitleBlock;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** The sheet of an assessment as one HTML document: for the screen with addresses, for paper with everything in it. */
final readonly class SheetPage
{
    /** So many missing questions are named in a refusal. */
    private const NAMED = 30;

    private const FONTS = [
        ['Source Serif 4', 400, 'normal', 'source-serif-4-400-normal'],
        ['Source Serif 4', 400, 'italic', 'source-serif-4-400-italic'],
        ['Source Serif 4', 600, 'normal', 'source-serif-4-600-normal'],
        ['Atkinson Hyperlegible Next', 400, 'normal', 'atkinson-hyperlegible-next-400-normal'],
        ['Atkinson Hyperlegible Next', 600, 'normal', 'atkinson-hyperlegible-next-600-normal'],
    ];

    /** For sheets with formulas alone: it is larger than all the others. */
    private const MATHS = ['STIX Two Math', 400, 'normal', 'stix-two-math-400-normal'];

    public function __construct(private PartKinds $kinds, private Sheet $sheet, private MediaStore $store)
    {
    }

    /**
     * @param  list<PaperKind>  $which  one after the other
     * @param  bool  $whole  with pictures and fonts inside, so that nothing has to be fetched
     */
    public function html(Assessment $assessment, User $person, array $which, PrintSettings $settings, bool $whole): string
    {
        // what is drawn varies with the seed, as values do
        $asked = AskedAssessment::of($assessment, $settings->seed, $person, $this->kinds);
        [$document, $entries, $questions] = [$asked->document, $asked->entries, $asked->questions];
        if ($whole && $entries->missing() !== []) {
            throw Refused::because('assessment.missing', self::refusal('printed', $entries->missing()));
        }
        $facts = $entries->facts();
        $items = [];
        $pins = array_merge(...array_map(fn (Pick $pick): array => $pick->stimuli, $document->picks()), ...[[]]);
        $stimuli = array_map(
            fn (\stdClass $one): PrintedStimulus => new PrintedStimulus(
                $one->id,
                $one->title,
                $one->language,
                $one->body,
                fn (string $medium): ?string => $whole && $one->bank !== null ? $this->inline($one->bank, $medium) : "$one->media/$medium",
            ),
            Stimuli::shown(
                array_values(
                    array_unique(
                        array_merge(...array_values(array_map(fn (Question $question): array => $question->stimuli, $questions)), ...[[]]),
                    ),
                ),
                $person,
                $pins,
            ),
        );
        $standards = $settings->standards
            ? QuestionStandards::of(array_map(fn (Pick $pick): string => $pick->question, $document->picks()))
            : [];
        foreach ($document->picks() as $pick) {
            $bank = $entries->bankOf($pick);
            $question = $questions[$pick->id] ?? null;
            $title = $facts[$pick->id]['title'];
            $items[$pick->id] = new PrintedQuestion(
                $pick->id,
                $question,
                $entries->points($pick),
                is_string($title) ? $title : '',
                self::ofQuestion($question, $stimuli),
                fn (string $id): ?string => match (true) {
                    $bank === null => null,
                    $whole => $this->inline($bank, $id),
                    $pick->variation !== null => "/api/v1/banks/$bank/media/$id",
                    default => "/api/v1/questions/$pick->question/media/$id", // its bank may be one that this person may not read
                },
                $question === null ? [] : self::codes($standards[$pick->question] ?? []),
            );
        }

        $bodies = array_map(fn (PaperKind $kind): string => $this->sheet->body($kind, $document, $items, $settings), $which);
        $papers = array_map(fn (string $one): string => "<div class=\"paper\">$one</div>", $bodies);
        $body = count($bodies) === 1 ? $bodies[0] : implode('', $papers);
        $named = implode(', ', array_filter(array_map(TitleBlock::named(...), $which)));

        return View::make('print.sheet', [
            'title' => $document->title,
            'footer' => self::cssString($document->title.($named === '' ? '' : " – $named")),
            'language' => $document->language,
            'body' => $body,
            'fonts' => array_map(
                fn (array $font): array => [
                    ...array_slice($font, 0, 3),
                    $whole
                        ? 'data:font/woff2;base64,'.base64_encode((string) file_get_contents(public_path("fonts/$font[3].woff2")))
                        : "/fonts/$font[3].woff2",
                ],
                str_contains($body, '<math') ? [...self::FONTS, self::MATHS] : self::FONTS,
            ),
            'images' => $whole ? 'data:' : "'self'",
            'fontsFrom' => $whole ? 'data:' : "'self'",
            'paper' => $settings->paper,
            'large' => $settings->size === 'large',
            'columns' => $settings->columns,
            'room' => $settings->room(),
        ])->render();
    }

    /** @param  list<string>  $missing */
    public static function refusal(string $what, array $missing): string
    {
        $more = count($missing) - self::NAMED;
        $named = implode(' ', array_slice($missing, 0, self::NAMED)).($more > 0 ? Message::of('app.printing.more', [
            'more' => $more,
        ]) : '');

        return Message::of('app.printing.cannot-stands-ask-manager', ['what' => $what, 'named' => $named]);
    }

    public static function settings(Assessment $assessment): PrintSettings
    {
        return PrintSettings::read(Json::decode($assessment->print), '');
    }

    /**
     * @param  array<string, PrintedStimulus>  $stimuli
     * @return array<string, PrintedStimulus> in the order of the question
     */
    private static function ofQuestion(?Question $question, array $stimuli): array
    {
        $named = array_flip($question->stimuli ?? []);

        return array_intersect_key(array_replace(array_intersect_key($named, $stimuli), $stimuli), $named); // @phpstan-ignore return.type
    }

    /** A string of a style sheet (CSS Syntax 3, 4.3.7), safe inside a style element too, where HTML escapes mean nothing. */
    private static function cssString(string $text): string
    {
        return '"'.
            preg_replace_callback('/[^\p{L}\p{N} .,;:()–-]/u', fn (array $sign): string => sprintf('\\%X ', mb_ord($sign[0])), $text).
            '"';
    }

    private function inline(string $bank, string $medium): ?string
    {
        $found = DB::table('media')
            ->join('banks', 'banks.id', '=', 'media.bank_id')
            ->where('banks.slug', $bank)
            ->where('media.id', $medium)
            ->first(['sha256', 'type']);
        $bytes = $found === null || ! str_starts_with($found->type, 'image/') ? null : $this->store->bytes($found->sha256);

        return $bytes === null ? null : "data:$found->type;base64,".base64_encode($bytes);
    }

    /**
     * @param  list<array<string, mixed>>  $standards
     * @return list<string>
     */
    private static function codes(array $standards): array
    {
        $assessed = array_filter($standards, fn (array $one): bool => $one['touches'] === false);

        return array_values(array_filter(array_column($assessed, 'code'), is_string(...)));
    }
}
