<?php

declare(strict_types=1);

namespace Tests\Bench;

use App\Actions\Standards\StoreFramework;
use App\Models\Bank;
use App\Models\User;
use Database\Seeders\LargeBankSeeder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\NameUuid;
use WideQuarry\Standards\Statement;

/** A large bank, every question of which is about one or two statements of a framework of 1,000; made once, the same each time. */
final class StandardsBank
{
    private const SPACE = 'b3a1f6d2-4c0e-4f7a-9a43-5f1f0a6d7c55';

    private const STATEMENTS = 1000;

    private const ABOUT = ['density', 'foliation', 'cleavage', 'bedding', 'porosity', 'grain size', 'cooling', 'weathering', 'transport', 'deposition'];

    private const ROCKS = ['basalt', 'granite', 'slate', 'schist', 'gneiss', 'limestone', 'chalk', 'sandstone', 'mudstone', 'conglomerate'];

    /** @return array{Bank, User, string} the bank, its keeper, the framework */
    public static function of(int $questions): array
    {
        $slug = "large-$questions";
        if (! Bank::query()->where('slug', $slug)->exists()) {
            fwrite(STDERR, 'Making '.number_format($questions)." questions…\n");
            $keeper = User::query()->firstOrCreate(['email' => 'bench@fellmoor.example'], ['name' => 'Bench', 'password' => 'limestone-7']);
            (new LargeBankSeeder)->make($questions, 1, $keeper->id);
        }
        $bank = Bank::query()->where('slug', $slug)->firstOrFail();
        $person = User::query()->whereKey(DB::table('bank_grants')->where('bank_id', $bank->id)->where('role', 'keeper')->value('user_id'))->firstOrFail();
        $framework = NameUuid::of(self::SPACE, 'framework');
        if (! DB::table('frameworks')->where('id', $framework)->exists()) {
            (new StoreFramework)->asNew(new Framework($framework, 'Framework of the bench', '', self::statements()), $person);
        }
        if (! DB::table('question_standards')->join('questions', 'questions.id', '=', 'question_id')->where('bank_id', $bank->id)->exists()) {
            self::align($bank->id, $framework);
        }

        return [$bank, $person, $framework];
    }

    /** @return list<Statement> ten strands of ten themes of nine or ten statements */
    private static function statements(): array
    {
        $statements = [];
        for ($n = 0; count($statements) < self::STATEMENTS; $n++) {
            [$a, $b, $c] = [intdiv($n, 110), intdiv($n % 110, 10), $n % 10];
            $strand = NameUuid::of(self::SPACE, "$a");
            $theme = NameUuid::of(self::SPACE, "$a.$b");
            if ($b === 0 && $c === 0) {
                $statements[] = new Statement($strand, "B.$a", 'Strand about '.self::ROCKS[$a % 10]);
            }
            if ($c === 0) {
                $statements[] = new Statement($theme, "B.$a.$b", 'Theme about '.self::ABOUT[$b % 10], $strand);
            }
            $text = 'Explains '.self::ABOUT[$c].' of '.self::ROCKS[$b % 10].' beside '.self::ROCKS[$a % 10];
            $statements[] = new Statement(NameUuid::of(self::SPACE, "$a.$b.$c"), "B.$a.$b.$c", $text, $theme);
        }

        return array_slice($statements, 0, self::STATEMENTS);
    }

    /** Each question under the statement that its number gives, every third under a second one. */
    private static function align(string $bank, string $framework): void
    {
        DB::insert(
            <<<'SQL'
                WITH leaves AS (SELECT id, code, folded, row_number() OVER (ORDER BY position) - 1 AS n FROM statements
                        WHERE framework_id = ? AND NOT EXISTS (SELECT 1 FROM statements AS below WHERE below.parent_id = statements.id)),
                    numbered AS (SELECT id, row_number() OVER (ORDER BY id) AS n FROM questions WHERE bank_id = ?),
                    pairs AS (SELECT id, n, 1 AS place FROM numbered UNION ALL SELECT id, n * 7 + 3, 2 FROM numbered WHERE n % 3 = 0)
                INSERT INTO question_standards (question_id, place, framework, code, folded, named, statement_id, touches)
                SELECT pairs.id, place, 'Bench', leaves.code, leaves.folded, leaves.id, leaves.id, false
                FROM pairs JOIN leaves ON leaves.n = pairs.n % (SELECT count(*) FROM leaves) ON CONFLICT DO NOTHING
                SQL,
            [$framework, $bank],
        );
        DB::unprepared('ANALYZE question_standards, statements');
    }
}
