<?php

declare(strict_types=1);

namespace App\Printing;

use App\Errors\Refused;
use App\Models\Assessment;
use App\Models\User;
use App\Queries\AskedAssessment;
use App\Queries\QuestionPlaces;
use App\Queries\QuestionStandards;
use App\Queries\Stimuli;
use App\Queries\Topics;
use App\Storage\MediaStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\View;
use WideQuarry\Assembly\Pick;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Printing\OptionLabels;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PaperKind;
use WideQuarry\Printing\PrintedQuestion;
use WideQuarry\Printing\PrintedStimulus;
use WideQuarry\Printing\PrintedTest;
use WideQuarry\Printing\PrintSettings;
use WideQuarry\Printing\QuestionsOnPaper;
use WideQuarry\Printing\Sheet;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** The papers of an assessment as one HTML document: for the screen with addresses, for paper with everything in it. */
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
     * @param  list<ChosenForm>  $forms  each with a paper of every kind that there is of a form; none for the assessment as it stands
     * @param  list<int>|null  $pages  how many pages each paper has, once that is known
     * @param  array<string, true>  $blanks  shared texts that get an empty page before them, to stand on a left one
     */
    public function html(
        Assessment $assessment,
        User $person,
        array $which,
        PrintSettings $settings,
        bool $whole,
        array $forms = [],
        ?array $pages = null,
        array $blanks = [],
    ): PrintedDocument {
        $wanted = $this->wanted($which, $forms);
        $tests = [];
        $papers = $revisions = [];
        $body = '';
        foreach ($wanted as $i => [$kind, $form]) {
            $key = $form === null ? '' : $form->form->letter;
            $tests[$key] ??= $this->test($assessment, $person, $settings, $whole, $form);
            [$test, $asked] = $tests[$key];
            $prefix = count($wanted) === 1 ? '' : "p$i-";
            $printed = new PrintedTest($test->assessment, $test->items, $test->settings, $test->form, $prefix, $blanks);
            $papers[] = PaperInDocument::of($kind, $printed, "p$i", $prefix);
            $body .= "<div class=\"paper\" id=\"p$i\">".$this->sheet->body($kind, $printed, ($form ?? $forms[0] ?? null)?->set).'</div>';
            $revisions += $asked->entries->revisions();
        }

        return new PrintedDocument(
            $this->document(array_values($tests)[0][0], $papers, $body, $whole, $pages),
            $body,
            $papers,
            $revisions,
            $whole ? QuestionsOnPaper::in($body, $settings) : [],
        );
    }

    /**
     * @param  list<PaperKind>  $which
     * @param  list<ChosenForm>  $forms
     * @return non-empty-list<array{PaperKind, ChosenForm|null}> form by form, then what there is once for all
     */
    private function wanted(array $which, array $forms): array
    {
        $wanted = [];
        foreach ($forms === [] ? [null] : $forms as $form) {
            foreach ($which as $kind) {
                if ($kind->isOfForm()) {
                    $wanted[] = [$kind, $form];
                }
            }
        }
        foreach ($which as $kind) {
            if ($kind === PaperKind::Keys && $forms === []) {
                throw Refused::because('print.no_forms', Message::of('app.printing.no-forms'));
            }
            if (! $kind->isOfForm()) {
                $wanted[] = [$kind, null];
            }
        }

        return $wanted === [] ? throw new \LogicException('Nothing to print.') : $wanted;
    }

    /** @return array{PrintedTest, AskedAssessment} */
    private function test(Assessment $assessment, User $person, PrintSettings $settings, bool $whole, ?ChosenForm $form): array
    {
        // what is drawn varies with the seed, as values do
        $asked = $form === null
            ? AskedAssessment::of($assessment, $settings->seed, $person, $this->kinds)
            : AskedAssessment::inOrder($form->document($this->kinds), $person, $this->kinds);
        if ($whole && $asked->entries->missing() !== []) {
            throw Refused::because('assessment.missing', self::refusal('printed', $asked->entries->missing()));
        }
        $labels = $form === null ? $settings->labels : $form->labels;
        $items = $this->items($asked, $person, $whole, $labels);
        $rolled = $form === null ? $settings : $settings->rolling($form->seeds());

        return [new PrintedTest($asked->document, $items, $rolled, $form?->form->letter), $asked];
    }

    /**
     * @param  string  $labels  what options are called
     * @return array<string, PrintedQuestion>
     */
    private function items(AskedAssessment $asked, User $person, bool $whole, string $labels): array
    {
        [$document, $entries, $questions] = [$asked->document, $asked->entries, $asked->questions];
        $facts = $entries->facts();
        $stimuli = $this->stimuli($asked, $person, $whole);
        $ids = array_map(fn (Pick $pick): string => $pick->question, $document->picks());
        $standards = QuestionStandards::of($ids);
        $topics = Topics::paths($ids);
        $folders = QuestionPlaces::folders($ids, $person);
        $items = [];
        foreach ($document->picks() as $pick) {
            $bank = $entries->bankOf($pick);
            $question = isset($questions[$pick->id]) ? OptionLabels::on($questions[$pick->id], $labels, $this->kinds) : null;
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
                $question === null ? [] : QuestionStandards::codes($standards[$pick->question] ?? []),
                $question === null ? [] : array_map(fn (array $path): string => implode(' › ', $path), $topics[$pick->question] ?? []),
                $question === null ? [] : $folders[$pick->question] ?? [],
            );
        }

        return $items;
    }

    /** @return array<string, PrintedStimulus> */
    private function stimuli(AskedAssessment $asked, User $person, bool $whole): array
    {
        $pins = array_merge(...array_map(fn (Pick $pick): array => $pick->stimuli, $asked->document->picks()), ...[[]]);
        $named = array_merge(...array_values(array_map(fn (Question $one): array => $one->stimuli, $asked->questions)), ...[[]]);

        return array_map(
            fn (\stdClass $one): PrintedStimulus => new PrintedStimulus(
                $one->id,
                $one->title,
                $one->language,
                $one->body,
                fn (string $medium): ?string => $whole && $one->bank !== null ? $this->inline($one->bank, $medium) : "$one->media/$medium",
            ),
            Stimuli::shown(array_values(array_unique($named)), $person, $pins),
        );
    }

    /**
     * @param  non-empty-list<PaperInDocument>  $papers
     * @param  list<int>|null  $pages
     */
    private function document(PrintedTest $test, array $papers, string $body, bool $whole, ?array $pages): string
    {
        $settings = $test->settings;
        $title = $test->assessment->title;
        $footers = [];
        foreach ($papers as $i => $paper) {
            $named = array_filter([
                $paper->which === PaperKind::Learner ? '' : $test->words->say($paper->which->word()),
                $paper->form === null ? '' : $test->words->say('form', ['letter' => $paper->form]),
            ]);
            $footers[] = [
                'page' => $paper->id,
                'left' => self::cssString(implode(' – ', [$title, ...$named])),
                'right' => self::numbered($test, count($papers) === 1, $paper->id, $pages[$i] ?? null),
                'columns' => $paper->which === PaperKind::Learner ? $settings->columns : 1,
            ];
        }

        return View::make('print.sheet', [
            'title' => $title,
            'footers' => $footers,
            'language' => Paper::language($test->assessment->language),
            'body' => $body.($whole ? self::targets($papers) : ''),
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
            'settings' => $settings,
            'room' => $settings->room(),
        ])->render();
    }

    /** "Page 3 of 12" as content of a page margin (CSS Paged Media 3): papers in one file count for themselves. */
    private static function numbered(PrintedTest $test, bool $isAlone, string $counter, ?int $pages): string
    {
        // characters of private use stand for the numbers until the words around them are known
        $said = $test->words->say('page', ['page' => "\u{E000}", 'pages' => "\u{E001}"]);
        $here = $isAlone ? 'counter(page)' : "counter($counter)";
        $all = $isAlone ? 'counter(pages)' : self::cssString((string) ($pages ?? 99));
        $parts = preg_split('/([\x{E000}\x{E001}])/u', $said, -1, PREG_SPLIT_DELIM_CAPTURE | PREG_SPLIT_NO_EMPTY) ?: [];

        return implode(' ', array_map(fn (string $part): string => match ($part) {
            "\u{E000}" => $here,
            "\u{E001}" => $all,
            default => self::cssString($part),
        }, $parts));
    }

    /**
     * Links to what stands on the papers, unseen: the browser notes in the PDF where each of them is.
     *
     * @param  list<PaperInDocument>  $papers
     */
    private static function targets(array $papers): string
    {
        $links = '';
        foreach ($papers as $paper) {
            $links .= "<a href=\"#$paper->id\"></a>";
            foreach ($paper->facing as $shared) {
                $links .= '<a href="#'.rawurlencode($shared).'"></a>';
            }
            foreach (array_keys($paper->entries) as $entry) {
                $id = rawurlencode($paper->prefix.$entry);
                $links .= "<a href=\"#$id\"></a><a href=\"#$id-end\"></a>";
            }
        }

        return "<div hidden>$links</div>";
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

    /** How an assessment stands on paper. */
    public static function settings(Assessment $assessment): PrintSettings
    {
        return PrintSettings::read(Json::decode($assessment->print), '');
    }

    /**
     * The same for one person, who chose what stands beside questions on papers for authors.
     *
     * @return string as it is stored with a print
     */
    public static function settingsFor(Assessment $assessment, User $person): string
    {
        $settings = Json::object($assessment->print);
        $settings->details ??= $person->details();

        return Json::encode($settings);
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
        /** @var (object{sha256: string, type: string}&\stdClass)|null $found */
        $found = DB::table('media')
            ->join('banks', 'banks.id', '=', 'media.bank_id')
            ->where('banks.slug', $bank)
            ->where('media.id', $medium)
            ->first(['sha256', 'type']);
        $bytes = $found === null || ! str_starts_with($found->type, 'image/') ? null : $this->store->bytes($found->sha256);

        return $bytes === null ? null : "data:$found->type;base64,".base64_encode($bytes);
    }
}
