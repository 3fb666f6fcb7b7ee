<?php

declare(strict_types=1);

namespace App\Indexing;

use Illuminate\Support\Facades\DB;
use WideQuarry\Standards\Alignment;
use WideQuarry\Standards\CodeMatch;
use WideQuarry\Standards\StatementCode;

/**
 * Matches the codes of questions that come in to statements that are here; what is not sure stays as it came.
 *
 * @phpstan-type Found object{id: string, framework: string, title: string, version: string, publisher: string, in_force: bool}&\stdClass
 */
final class MatchedCodes
{
    /** @var array<string, string|null> framework and code → statement */
    private array $known = [];

    public function in(\stdClass $record): void
    {
        foreach (is_array($record->standards ?? null) ? $record->standards : [] as $i => $one) {
            $given = Alignment::read($one, "/record/standards/$i");
            if ($given->statement === null && $given->code !== '') {
                $key = "$given->framework\n$given->code";
                $statement = array_key_exists($key, $this->known) ? $this->known[$key] : ($this->known[$key] = $this->statement($given));
                if ($statement !== null && $one instanceof \stdClass) {
                    $one->statement = $statement;
                }
            }
        }
    }

    private function statement(Alignment $given): ?string
    {
        /** @var list<Found> $candidates */
        $candidates = DB::select(
            <<<'SQL'
                SELECT statements.id, frameworks.id AS framework, frameworks.title, version, publisher,
                    NOT statements.retired AND NOT frameworks.retired AS in_force
                FROM statements JOIN frameworks ON frameworks.id = framework_id WHERE folded = ? LIMIT 50
                SQL,
            [StatementCode::folded($given->code)],
        );

        return CodeMatch::of(
            $given,
            array_map(
                fn (\stdClass $one): array => [
                    'id' => $one->id,
                    'framework' => $one->framework,
                    'title' => $one->title,
                    'version' => $one->version,
                    'publisher' => $one->publisher,
                    'inForce' => $one->in_force,
                ],
                $candidates,
            ),
        );
    }
}
