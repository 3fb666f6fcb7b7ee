<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Errors\Refused;
use App\Infrastructure\Sandbox;
use App\Models\Assessment;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Printing\ChosenForm;
use App\Printing\PageFinder;
use App\Printing\PrintedDocument;
use App\Printing\SheetPage;
use App\Storage\FileStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Printing\PaperKind;
use WideQuarry\Printing\PrintSettings;

/** Makes a PDF of papers, each with page numbers of its own; the same content is printed once. */
final readonly class PrintAssessment
{
    /**
     * The browser without its windows starts three times as fast as the whole one. The outline and the structure are what readers that
     * speak, and those that jump, need.
     */
    public const CHROMIUM = [
        'chromium-headless-shell',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-extensions',
        '--no-first-run',
        '--generate-pdf-document-outline',
        '--export-tagged-pdf',
        '--user-data-dir={}/profile',
        '--no-pdf-header-footer',
        '--print-to-pdf={}/out.pdf',
        'file://{}/sheet.html',
    ];

    /** Bytes of a document: pictures stand in it once for each paper that shows them. */
    private const LARGEST = 60_000_000;

    public function __construct(private SheetPage $page, private FileStore $files)
    {
    }

    /**
     * @param  list<PaperKind>  $which
     * @param  list<ChosenForm>  $forms
     * @param  string|null  $set  the set the forms are of
     * @param  (\Closure(int): void)|null  $tell  is told how many papers are laid out, each of them twice where there are several
     *
     * @return array{id: string, pages: int, outline: mixed}
     *
     * @throws \App\Errors\Refused
     */
    public function handle(
        Assessment $assessment,
        User $person,
        array $which,
        array $forms = [],
        ?string $set = null,
        ?\Closure $tell = null,
    ): array {
        $tell ??= fn (int $done): null => null;
        $stored = SheetPage::settingsFor($assessment, $person);
        $settings = PrintSettings::read(Json::decode($stored), '');
        $document = $this->documents($assessment, $person, $which, $settings, $forms);
        $made = $document(null, []);
        $source = hash('sha256', $made->html);
        $there = self::printedBefore($assessment, $person, $source);
        if ($there === null) {
            if (strlen($made->html) > self::LARGEST) {
                throw Refused::because('print.large', Message::of('app.actions.assembly.print-large'));
            }
            [$file, $pages, $outline] = $this->printed($made, $document, $tell);
            $this->keep($assessment, $person, $made, [
                'which' => implode(',', array_column($which, 'value')),
                'form_set_id' => $set,
                'forms' => implode(',', array_map(fn (ChosenForm $one): string => $one->form->letter, $forms)),
                'source' => $source,
                'settings' => $stored,
                'outline' => Json::encode($outline),
                'sha256' => $file,
                'pages' => $pages,
            ]);
            $there = self::printedBefore($assessment, $person, $source);
        }
        assert($there !== null);
        /** @var object{id: string, pages: int, outline: string}&\stdClass $there */

        return ['id' => $there->id, 'pages' => $there->pages, 'outline' => Json::decode($there->outline)];
    }

    /**
     * @param  list<PaperKind>  $which
     * @param  list<ChosenForm>  $forms
     * @return \Closure(list<int>|null, array<string, true>): PrintedDocument how long papers are, and what gets an empty page before it
     */
    private function documents(Assessment $assessment, User $person, array $which, PrintSettings $settings, array $forms): \Closure
    {
        return fn (?array $lengths, array $blanks): PrintedDocument => $this->page->html(
            $assessment,
            $person,
            $which,
            $settings,
            true,
            $forms,
            $lengths, // @phpstan-ignore argument.type (as the closure says)
            $blanks, // @phpstan-ignore argument.type (as the closure says)
        );
    }

    private static function printedBefore(Assessment $assessment, User $person, string $source): ?\stdClass
    {
        return DB::table('prints')
            ->where('assessment_id', $assessment->id)
            ->where('user_id', $person->id)
            ->where('source', $source)
            ->first();
    }

    /** @param  array<string, mixed>  $print  its columns */
    private function keep(Assessment $assessment, User $person, PrintedDocument $made, array $print): void
    {
        $shown = array_keys(ReadableIds::of($person)->questions(array_keys($made->revisions)));
        DB::table('prints')->insertOrIgnore([
            'id' => (string) Str::uuid7(),
            'assessment_id' => $assessment->id,
            'user_id' => $person->id,
            'questions' => '{'.implode(',', $shown).'}',
            'revisions' => Json::encode((object) $made->revisions),
            ...$print,
        ]);
    }

    /**
     * Printed once, or twice where papers in one file say how many pages each of them has.
     *
     * @param  callable(list<int>, array<string, true>): PrintedDocument  $again  the document that knows
     * @param  \Closure(int): void  $tell
     * @return array{string, int, list<array<string, mixed>>} the file in the store, how many pages it has, and where questions stand
     *
     * @throws \App\Errors\Refused
     */
    private function printed(PrintedDocument $document, callable $again, \Closure $tell): array
    {
        $pdf = self::pdf($document->html);
        $finder = PageFinder::in($pdf);
        $tell(count($document->papers));
        $blanks = $finder->blanks($document);
        if (count($document->papers) > 1 || $blanks !== []) {
            $document = $again($finder->lengths($document, $blanks), $blanks);
            $pdf = self::pdf($document->html);
            $finder = PageFinder::in($pdf);
            $tell(2 * count($document->papers));
        }
        $file = (string) tempnam(sys_get_temp_dir(), 'quarry-pdf');
        try {
            file_put_contents($file, $pdf);

            return [$this->files->put($file)['sha256'], $finder->pages, $finder->outline($document)];
        } finally {
            if (is_file($file)) {
                unlink($file);
            }
        }
    }

    /** @throws \App\Errors\Refused */
    private static function pdf(string $html): string
    {
        return Sandbox::run(
            ['sheet.html' => $html],
            self::CHROMIUM,
            fn (string $folder): string => (string) file_get_contents("$folder/out.pdf"),
        );
    }

    /** One page as a picture, for the preview. @throws \App\Errors\Refused */
    public function picture(string $sha256, int $page, int $dpi = 90): string
    {
        return Sandbox::run(
            ['in.pdf' => (string) file_get_contents($this->files->path($sha256))],
            ['pdftoppm', '-png', '-r', (string) $dpi, '-f', (string) $page, '-l', (string) $page, '-singlefile', '{}/in.pdf', '{}/page'],
            fn (string $folder): string => (string) file_get_contents("$folder/page.png"),
        );
    }
}
