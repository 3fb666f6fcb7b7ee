<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Models\Intake;
use App\Queries\SourceQuestions;
use Brick\Math\RoundingMode;
use WideQuarry\CoreException;
use WideQuarry\Duplicates\Fingerprint;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\QuestionTable\Sheets\Spreadsheet;
use WideQuarry\Interchange\QuestionTable\Sheets\TableType;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Migration\StatedDraw;
use WideQuarry\Migration\StatedInExport;
use WideQuarry\Migration\StatementText;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** Statements about the old system from a file: a table, sentences, or an export in which the draws are still there. */
final readonly class RecallStatements
{
    private const LARGEST = 50_000_000;

    public function __construct(private PartKinds $kinds, private DocumentConverter $converter)
    {
    }

    /**
     * @return array{list<StatedDraw>, list<string>} statements, and what could not be understood
     *
     * @throws CoreException
     */
    public function fromFile(Intake $intake, string $path, string $name): array
    {
        $source = new Source($path, $name);
        $isPackage = $source->isZip() || preg_match('/^\s*(?:\xEF\xBB\xBF)?<\?xml|^\s*<questestinterop/', $source->head()) === 1;
        if (! $isPackage) {
            $read = StatementText::read((string) file_get_contents($path, false, null, 0, 2_000_000));

            return [$read->draws, $read->problems];
        }
        if (filesize($path) > self::LARGEST) {
            throw UnreadableFile::tooLarge(intdiv(self::LARGEST, 1_000_000));
        }
        $read = $this->fromWorkbook($source);
        if ($read !== null) {
            return [$read->draws, $read->problems];
        }
        $format = Formats::standard($this->kinds, $this->converter)->for($source, Formats::QUESTIONS);
        $content = PackageContents::collect($format->read($source));
        $known = [];
        foreach ($content->questions as $json) {
            try {
                $question = Question::read($json, $this->kinds);
                $points = (string) $question->points()->toScale(4, RoundingMode::HALF_EVEN);
                $known[$question->id] = [Fingerprint::of($question), rtrim(rtrim($points, '0'), '.')];
            } catch (CoreException) {
                continue;
            }
        }
        $ours = SourceQuestions::of($intake);

        return [StatedInExport::of($content->assessments, $known, SourceQuestions::regrouped($intake, $ours)), []];
    }

    /** @return ?StatementText null when no sheet of it is a list of draws */
    private function fromWorkbook(Source $source): ?StatementText
    {
        $type = $source->isZip() ? TableType::of($source) : null;
        foreach ($type === null ? [] : Spreadsheet::open($source, $type, $this->converter)->sheets as $sheet) {
            $read = StatementText::ofRows($sheet->rows());
            if ($read !== null) {
                return $read;
            }
        }

        return null;
    }
}
