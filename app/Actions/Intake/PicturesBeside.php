<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Errors\Refused;
use App\Storage\FileStore;
use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\Package\PictureZip;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\QuestionTable\Sheets\TableType;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;

/** ZIPs of pictures that were given together with a table which names them. */
final readonly class PicturesBeside
{
    public function __construct(private FileStore $files)
    {
    }

    /** @return list<SafeZip> those beside a file */
    public function of(string $intake, string $file): array
    {
        $zips = [];
        foreach ($this->others($intake, $file) as $source) {
            if (PictureZip::is($source)) {
                $zips[] = $source->zip();
            }
        }

        return $zips;
    }

    /** Whether this is pictures for a table that was given with them. */
    public function serves(string $intake, string $file, Source $source): bool
    {
        if (! PictureZip::is($source)) {
            return false;
        }

        return array_filter($this->others($intake, $file), fn (Source $one): bool => TableType::of($one) !== null) !== [];
    }

    /** @return list<Source> those that can be read; what is wrong with another is said when it is read itself */
    private function others(string $intake, string $file): array
    {
        $sources = [];
        $rows = DB::table('intake_files')
            ->where('intake_id', $intake)
            ->where('id', '<>', $file)
            ->where('state', '<>', 'failed')
            ->orderBy('position')
            ->get(['name', 'sha256']);
        /** @var object{name: string, sha256: string}&\stdClass $row */
        foreach ($rows as $row) {
            try {
                $source = new Source($this->files->path($row->sha256), $row->name);
                if ($source->isZip()) {
                    $source->zip();
                }
                $sources[] = $source;
            } catch (UnreadableFile|Refused) {
                continue;
            }
        }

        return $sources;
    }
}
