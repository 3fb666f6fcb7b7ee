<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Infrastructure\Sandbox;
use App\Models\Assessment;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Printing\SheetPage;
use App\Storage\FileStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Printing\PaperKind;

/** Makes a PDF of one paper or of several, each with page numbers of its own; the same content is printed once. */
final readonly class PrintAssessment
{
    public const CHROMIUM = [
        'chromium',
        '--headless',
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-extensions',
        '--no-first-run',
        '--user-data-dir={}/profile',
        '--no-pdf-header-footer',
        '--print-to-pdf={}/out.pdf',
        'file://{}/sheet.html',
    ];

    public function __construct(private SheetPage $page, private FileStore $files)
    {
    }

    /**
     * @param  list<PaperKind>  $which
     * @return array{id: string, pages: int}
     *
     * @throws \App\Errors\Refused
     */
    public function handle(Assessment $assessment, User $person, array $which): array
    {
        $settings = SheetPage::settings($assessment);
        $papers = array_map(fn (PaperKind $kind): string => $this->page->html($assessment, $person, [$kind], $settings, true), $which);
        $source = hash('sha256', implode("\0", $papers));
        $shown = array_keys(ReadableIds::of($person)->questions($assessment->document()->questions()));
        $mine = fn (): ?\stdClass => DB::table('prints')
            ->where('assessment_id', $assessment->id)
            ->where('user_id', $person->id)
            ->where('source', $source)
            ->first();
        $there = $mine();
        if ($there === null) {
            [$sha256, $pages] = $this->printed($papers);
            DB::table('prints')->insertOrIgnore([
                'id' => (string) Str::uuid7(),
                'assessment_id' => $assessment->id,
                'user_id' => $person->id,
                'which' => implode(',', array_column($which, 'value')),
                'source' => $source,
                'questions' => '{'.implode(',', $shown).'}',
                'sha256' => $sha256,
                'pages' => $pages,
            ]);
            $there = $mine();
        }
        assert($there !== null);

        return ['id' => $there->id, 'pages' => $there->pages];
    }

    /**
     * @param  list<string>  $papers  documents
     * @return array{string, int} the file in the store, and how many pages it has
     *
     * @throws \App\Errors\Refused
     */
    private function printed(array $papers): array
    {
        $pdfs = array_map(
            fn (string $html): string => Sandbox::run(
                ['sheet.html' => $html],
                self::CHROMIUM,
                fn (string $folder): string => (string) file_get_contents("$folder/out.pdf"),
            ),
            $papers,
        );
        $names = array_map(fn (int $i): string => "$i.pdf", array_keys($pdfs));
        $command = count($pdfs) === 1
            ? ['cp', '{}/0.pdf', '{}/out.pdf']
            : ['pdfunite', ...array_map(fn (string $name): string => "{}/$name", $names), '{}/out.pdf'];

        return Sandbox::run(
            array_combine($names, $pdfs),
            $command,
            fn (string $folder): array => [$this->files->put("$folder/out.pdf")['sha256'], self::count("$folder/out.pdf")],
        );
    }

    /** One page as a picture, for the preview. @throws \App\Errors\Refused */
    public function picture(string $sha256, int $page): string
    {
        return Sandbox::run(
            ['in.pdf' => (string) file_get_contents($this->files->path($sha256))],
            ['pdftoppm', '-png', '-r', '90', '-f', (string) $page, '-l', (string) $page, '-singlefile', '{}/in.pdf', '{}/page'],
            fn (string $folder): string => (string) file_get_contents("$folder/page.png"),
        );
    }

    private static function count(string $pdf): int
    {
        return Sandbox::run(
            ['in.pdf' => (string) file_get_contents($pdf)],
            ['sh', '-c', 'pdfinfo "$0" > "$1"', '{}/in.pdf', '{}/info'],
            fn (string $folder): int => preg_match('/^Pages:\s+(\d+)/m', (string) file_get_contents("$folder/info"), $m) === 1
                ? (int) $m[1]
                : 0,
        );
    }
}
