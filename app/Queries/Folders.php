<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\TreeLock;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Folders of a bank, and what lies in them. */
final class Folders
{
    private const DEEPEST = 20;

    private const LONGEST = 200;

    /**
     * Paths of names as a request gives them.
     *
     * @return list<list<string>> none of them empty
     *
     * @throws Malformed
     */
    public static function read(Fields $fields, string $field = 'folders'): array
    {
        $paths = [];
        foreach ($fields->list($field, 100) as $i => $path) {
            $at = $fields->at("$field/$i");
            if (! is_array($path) || $path === [] || count($path) > self::DEEPEST) {
                throw Malformed::outOfRange($at, Message::of('app.queries.names-1-folders-outermost', ['deepest' => self::DEEPEST]), $path);
            }
            $paths[] = array_map(fn (int $j): string => self::name($path[$j], "$at/$j"), array_keys(array_values($path)));
        }

        return $paths;
    }

    private static function name(mixed $name, string $at): string
    {
        $isName = is_string($name) && mb_strlen($name) <= self::LONGEST && preg_match('/[^\p{Z}\p{C}]/u', $name) === 1;

        return $isName ? trim($name) : throw Malformed::outOfRange($at, Message::of('app.queries.name-1-characters', [
            'longest' => self::LONGEST,
        ]), $name);
    }

    /**
     * The folder at a path of names, made where it is missing.
     *
     * @param  list<string>  $path
     */
    public static function at(array $path, string $bankId): ?string
    {
        $found = self::walk($path, $bankId, false);

        return $found === false ? TreeLock::hold('folders', $bankId, fn (): ?string => self::walk($path, $bankId, true) ?: null) : $found;
    }

    /**
     * @param  list<string>  $path
     * @param  bool  $create  with the tree locked
     * @return string|null|false null for an empty path, false when a folder is missing and none is created
     */
    private static function walk(array $path, string $bankId, bool $create): string|null|false
    {
        $parent = null;
        $label = '';
        foreach (array_filter(array_map(trim(...), $path), fn (string $name): bool => $name !== '') as $name) {
            $found = DB::table('folders')->where('bank_id', $bankId)->where('parent_id', $parent)->where('name', $name)->value('id');
            $id = is_string($found) ? $found : (string) Str::uuid7();
            $label .= ($label === '' ? '' : '.').self::label($id);
            if ($found === null && ! $create) {
                return false;
            }
            if ($found === null) {
                DB::table('folders')->insert([
                    'id' => $id,
                    'bank_id' => $bankId,
                    'parent_id' => $parent,
                    'name' => $name,
                    'path' => $label,
                ]);
            }
            $parent = $id;
        }

        return $parent;
    }

    /**
     * Everywhere a question lies, as far as the person may see it: the name of a bank they do not read is not told.
     *
     * @return list<array{bank: string, bank_name: string, folder: string, path: list<string>, may_write: bool}>
     */
    public static function places(string $question, User $person): array
    {
        /** @var list<object{bank: string, bank_name: string, folder: string, may_write: bool, path: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT banks.slug AS bank, banks.name AS bank_name, folders.id AS folder, mine.role <> 'reader' AS may_write,
                array_to_json(array_agg(above.name ORDER BY nlevel(above.path))) AS path
            FROM placements JOIN folders ON folders.id = folder_id JOIN banks ON banks.id = folders.bank_id
                JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id
            JOIN folders AS above ON above.bank_id = folders.bank_id AND folders.path <@ above.path
            WHERE placements.question_id = ? GROUP BY banks.id, folders.id, mine.role ORDER BY banks.name, 5::text
            SQL,
            [$person->id, $question],
        );

        return array_map(fn (\stdClass $row): array => [
            'bank' => $row->bank,
            'bank_name' => $row->bank_name,
            'folder' => $row->folder,
            'path' => Json::texts($row->path),
            'may_write' => $row->may_write,
        ], $rows);
    }

    /** How a folder or topic stands in a path of ltree. */
    public static function label(string $id): string
    {
        return str_replace('-', '', $id);
    }

    /**
     * @param  list<string>  $ids
     * @return list<list<string>> their paths of names
     */
    public static function named(array $ids): array
    {
        /** @var list<object{path: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT array_to_json(array_agg(above.name ORDER BY nlevel(above.path))) AS path FROM folders
                JOIN folders AS above ON above.bank_id = folders.bank_id AND folders.path <@ above.path
            WHERE folders.id = ANY (?::uuid[]) GROUP BY folders.id ORDER BY 1::text
            SQL,
            ['{'.implode(',', $ids).'}'],
        );

        return array_map(function (\stdClass $row): array {
            $path = Json::decode($row->path);

            return is_array($path) ? array_values(array_filter($path, is_string(...))) : [];
        }, $rows);
    }

    /**
     * @param  list<string>  $questions
     * @param  string  $bankId  whose folders are meant: a question may lie in those of several banks
     * @return array<string, list<list<string>>> question → paths of names
     */
    public static function paths(array $questions, string $bankId): array
    {
        /** @var list<object{question_id: string, path: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT placements.question_id, array_to_json(array_agg(above.name ORDER BY nlevel(above.path))) AS path
            FROM placements JOIN folders ON folders.id = placements.folder_id
                JOIN folders AS above ON above.bank_id = folders.bank_id AND folders.path <@ above.path
            WHERE placements.question_id = ANY (?::uuid[]) AND folders.bank_id = ? GROUP BY placements.question_id, folders.id
                ORDER BY 1, 2::text
            SQL,
            ['{'.implode(',', $questions).'}', $bankId],
        );
        $paths = [];
        foreach ($rows as $row) {
            $paths[$row->question_id][] = Json::texts($row->path);
        }

        return $paths;
    }
}
