<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Indexing\StagedRows;
use App\Models\Intake;
use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\QuestionTable\Rows\TableCorrections;
use WideQuarry\Interchange\QuestionTable\Sheets\TableType;
use WideQuarry\Interchange\QuestionTable\TableReader;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Json;

/**
 * Reads single rows of a table again, so that a cell that is mended among 20,000 rows needs no reading of all of them. What touches more
 * than its own row (an identifier, a row with nothing behind it yet) is left to the whole.
 */
final readonly class CorrectRows
{
    private const MOST = 20;

    /** Up to this many questions, likeness among all of them is found anew. */
    private const FEW = 3000;

    public function __construct(private DocumentConverter $converter, private StagedRows $rows, private DuplicateFinder $judge)
    {
    }

    /** @return bool false when the whole table has to be read again, and nothing was changed */
    public function handle(Intake $intake, string $file, Source $source, TableCorrections $now, TableCorrections $before): bool
    {
        $rows = self::rows($now, $before);
        $type = TableType::of($source);
        $value = DB::table('staged_things')->where('file_id', $file)->where('type', 'table')->value('value');
        $table = is_string($value) ? Json::decode($value) : null;
        if ($rows === null || $type === null || ! $table instanceof \stdClass || ! $this->isWhole($table, $rows)) {
            return false;
        }
        $read = [];
        foreach ($rows as $row) {
            [$sheet, $number] = self::place($row);
            $reader = new TableReader($this->converter, self::asRead($now, $table));
            $read[$row] = iterator_to_array($reader->read($source, $type, $source->beside, [$sheet, $number]), false);
            if (! $this->fits($file, $row, $read[$row])) {
                return false;
            }
        }
        $changed = [];
        foreach ($read as $row => $things) {
            $changed = [...$changed, ...$this->put($intake, $file, $things)];
            self::again($table, (string) $row, $things);
        }
        DB::table('staged_things')->where('file_id', $file)->where('type', 'table')->update(['value' => Json::encode($table)]);
        $few = DB::table('staged_questions')->where('intake_id', $intake->id)->count() <= self::FEW;
        if ($few) {
            $this->judge->handle($intake->id, $intake->bank_id);
        } elseif ($intake->bank_id !== null) {
            $this->judge->again($intake->id, $intake->bank_id, $changed);
        }

        return true;
    }

    /** @return list<string>|null rows whose cells differ, as corrections name them; null when more than that differs */
    private static function rows(TableCorrections $now, TableCorrections $before): ?array
    {
        if ($now->mapping != $before->mapping || $now->skipped !== $before->skipped) {
            return null;
        }
        $rows = [];
        foreach (array_keys($now->cells + $before->cells) as $address) {
            if (($now->cells[$address] ?? null) !== ($before->cells[$address] ?? null)) {
                $rows[(string) preg_replace('/[A-Z]+(\d+)$/', '$1', (string) $address)] = true;
            }
        }

        return count($rows) > self::MOST || $rows === [] ? null : array_map(strval(...), array_keys($rows));
    }

    /** The mapping that the table was read by, so that a row is not enough to guess another. */
    private static function asRead(TableCorrections $now, \stdClass $table): TableCorrections
    {
        return new TableCorrections($table->mapping ?? $now->mapping, $now->cells, $now->skipped);
    }

    /**
     * Whether the rows are shown with what is wrong in them, so that the list can be kept; and none has to do with another.
     *
     * @param  list<string>  $rows
     */
    private function isWhole(\stdClass $table, array $rows): bool
    {
        $known = [];
        foreach (is_array($table->wrong ?? null) ? $table->wrong : [] as $one) {
            $problems = $one instanceof \stdClass && is_array($one->problems ?? null) ? $one->problems : [];
            $codes = array_filter(
                array_map(fn (mixed $said): mixed => $said instanceof \stdClass ? $said->code ?? '' : '', $problems),
                is_string(...),
            );
            $isAlone = array_intersect(['table.identifier_twice', 'table.no_question'], $codes) === [];
            if ($isAlone && $one instanceof \stdClass && is_array($one->rows ?? null)) {
                array_push($known, ...array_filter($one->rows, is_string(...)));
            }
        }

        return array_diff($rows, $known) === [];
    }

    /** @return array{string, int} sheet and row */
    private static function place(string $row): array
    {
        $at = strrpos($row, '!');

        return $at === false ? ['', (int) $row] : [substr($row, 0, $at), (int) substr($row, $at + 1)];
    }

    /**
     * Whether the row gives the question it gave before, with no picture that is new.
     *
     * @param  list<\stdClass|Medium|Notice>  $things
     */
    private function fits(string $file, string $row, array $things): bool
    {
        $ids = array_map(
            fn (\stdClass $one): mixed => $one->value instanceof \stdClass ? $one->value->id ?? '' : '',
            self::questions($things),
        );
        $media = array_filter($things, fn (mixed $one): bool => $one instanceof Medium);
        $staged = DB::table('staged_questions')
            ->where('file_id', $file)
            ->whereIn('source_id', array_filter($ids, is_string(...)))
            ->where('version', 1)
            ->whereRaw("record->'origin'->'fields'->>'row' = ?", [(string) self::place($row)[1]])
            ->count();

        return count($ids) === 1 && $media === [] && $staged === 1;
    }

    /**
     * @param  list<\stdClass|Medium|Notice>  $things
     * @return list<\stdClass>
     */
    private static function questions(array $things): array
    {
        return array_values(array_filter($things, fn (mixed $one): bool => $one instanceof \stdClass && $one->type === 'question'));
    }

    /**
     * @param  list<\stdClass|Medium|Notice>  $things
     * @return list<string> the staged questions
     */
    private function put(Intake $intake, string $file, array $things): array
    {
        $changed = [];
        foreach (self::questions($things) as $thing) {
            $json = $thing->value;
            assert($json instanceof \stdClass);
            $staged = DB::table('staged_questions')->where('file_id', $file)->where('source_id', $json->id)->first(['id', 'position']);
            assert($staged !== null && is_string($staged->id) && is_int($staged->position));
            $this->rows->update($staged->id, $json);
            DB::table('staged_questions')->where('id', $staged->id)->update(['version' => 1]); // read, not edited by hand
            $changed[] = $staged->id;
            DB::table('staged_things')->where('file_id', $file)->where('type', 'notice')->where('question', $json->id)->delete();
            $notices = array_values(array_filter($things, fn (mixed $one): bool => $one instanceof Notice));
            DB::table('staged_things')->insertOrIgnore(array_map(fn (Notice $notice, int $i): array => [
                'intake_id' => $intake->id,
                'file_id' => $file,
                'position' => -($staged->position * 100 + $i),
                'type' => 'notice',
                'question' => $notice->question,
                'value' => Json::encode($notice),
            ], $notices, array_keys($notices)));
        }

        return $changed;
    }

    /**
     * What is wrong in a row now, in the place of what was.
     *
     * @param  list<\stdClass|Medium|Notice>  $things
     */
    private static function again(\stdClass $table, string $row, array $things): void
    {
        $wrong = [];
        foreach ($things as $thing) {
            if ($thing instanceof \stdClass && $thing->type === 'table' && $thing->value instanceof \stdClass) {
                $wrong = is_array($thing->value->wrong ?? null) ? $thing->value->wrong : [];
            }
        }
        $kept = [];
        foreach (is_array($table->wrong ?? null) ? $table->wrong : [] as $one) {
            $isThis = $one instanceof \stdClass && is_array($one->rows ?? null) && in_array($row, $one->rows, true);
            array_push($kept, ...$isThis ? $wrong : [$one]);
        }
        $count = is_int($table->wrong_rows ?? null) ? $table->wrong_rows : 0;
        $table->wrong_rows = max(count($kept), $count - ($wrong === [] ? 1 : 0));
        $table->wrong = $kept;
    }
}
