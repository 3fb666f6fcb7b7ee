<?php

declare(strict_types=1);

namespace App\Http\Input;

use App\Indexing\QuestionIndex;
use App\Infrastructure\PostgresArray;
use App\Models\Assessment;
use WideQuarry\Assembly\FolderPath;
use WideQuarry\Json\Fields;

/** Where an assessment lies, and for which course and term; what is not said is as with another one. */
final readonly class AssessmentPlace
{
    /** @param  list<string>  $folder */
    private function __construct(private array $folder, private string $course, private string $term)
    {
    }

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(Fields $fields, ?Assessment $like): self
    {
        return new self(
            $fields->has('folder') ? FolderPath::read($fields, 'folder') : PostgresArray::read($like->folder ?? '{}'),
            trim($fields->string('course', $like->course ?? '', 200)),
            trim($fields->string('term', $like->term ?? '', 200)),
        );
    }

    /** @return array<string, string> */
    public function columns(): array
    {
        return ['folder' => QuestionIndex::array($this->folder), 'course' => $this->course, 'term' => $this->term];
    }
}
