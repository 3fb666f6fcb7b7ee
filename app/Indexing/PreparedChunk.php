<?php

declare(strict_types=1);

namespace App\Indexing;

use App\Infrastructure\PostgresArray;
use WideQuarry\Interchange\Notice;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

/**
 * Some questions of an intake as rows, written out for the statement that stores them, and what is to be said of them.
 *
 * @phpstan-type Place array{id: string, intake_id: string, file_id: string, position: int, number: int}
 */
final readonly class PreparedChunk
{
    /**
     * @param  string  $rows  JSON, as StagedRows::store() takes it
     * @param  list<array{position: int, question: string|null, value: string}>  $notices  value is JSON
     */
    public function __construct(public string $rows, public array $notices)
    {
    }

    /**
     * @param  list<array{question: \stdClass, place: Place}>  $given
     * @param  array<string, string>  $media  as the file calls them → as they are called here
     */
    public static function of(array $given, string $file, array $media, PartKinds $kinds): self
    {
        $rows = $notices = [];
        foreach ($given as ['question' => $question, 'place' => $place]) {
            try {
                [$row, $said] = PreparedRow::of($question, $file, $media, $kinds);
                $rows[] = [...self::asLists($row), ...$place];
            } catch (Malformed $problem) {
                // the others come in without it
                $sentence = Message::of('app.actions.intake.one-question-left-out', ['why' => $problem->getMessage()]);
                $said = [Notice::problem($problem->rule, $sentence, $file, null, $problem->path)];
            }
            foreach ($said as $i => $notice) {
                // notices of ours stand between the file's own things
                $at = -($place['position'] * 100 + $i);
                $notices[] = ['position' => $at, 'question' => $notice->question, 'value' => Json::encode($notice)];
            }
        }

        return new self(Json::encode($rows), $notices);
    }

    /**
     * Columns of texts are literals of PostgreSQL; a record set of JSON takes lists.
     *
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    public static function asLists(array $row): array
    {
        foreach (['kinds', 'tags', 'purpose', 'has', 'near', 'media'] as $name) {
            $row[$name] = PostgresArray::read(is_string($row[$name]) ? $row[$name] : '{}');
        }

        return $row;
    }

    /**
     * A line for another process.
     *
     * @param  list<array{question: \stdClass, place: Place}>  $given
     * @param  array<string, string>  $media
     */
    public static function asked(array $given, string $file, array $media): string
    {
        return Json::encode(['given' => $given, 'file' => $file, 'media' => (object) $media])."\n";
    }

    /** Does what such a line asks for; the answer is a line too. */
    public static function answer(string $line, PartKinds $kinds): string
    {
        $asked = Fields::of(Json::decode($line), '', ['given', 'file', 'media']);
        $given = [];
        foreach ($asked->list('given', PHP_INT_MAX) as $one) {
            assert($one instanceof \stdClass && $one->question instanceof \stdClass && $one->place instanceof \stdClass);
            /** @var Place $place */
            $place = get_object_vars($one->place);
            $given[] = ['question' => $one->question, 'place' => $place];
        }
        $media = $asked->names('media', PHP_INT_MAX, PHP_INT_MAX);
        $made = self::of($given, $asked->string('file', '', PHP_INT_MAX), $media, $kinds);

        return Json::encode(['rows' => $made->rows, 'notices' => $made->notices])."\n";
    }

    public static function read(string $line): self
    {
        $fields = Fields::of(Json::decode($line), '', ['rows', 'notices']);
        $notices = [];
        foreach ($fields->list('notices', PHP_INT_MAX) as $one) {
            assert($one instanceof \stdClass && is_int($one->position) && is_string($one->value));
            $question = is_string($one->question) ? $one->question : null;
            $notices[] = ['position' => $one->position, 'question' => $question, 'value' => $one->value];
        }

        return new self($fields->string('rows', '', PHP_INT_MAX), $notices);
    }
}
