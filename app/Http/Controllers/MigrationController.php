<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Intake\RecallStatements;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\Intake;
use App\Queries\SourceQuestions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Migration\AlikeQuizzes;
use WideQuarry\Migration\NamePattern;
use WideQuarry\Migration\Regrouping;
use WideQuarry\Migration\StatedDraw;
use WideQuarry\Migration\StatementText;

/** An import put right: folders by a pattern of names, and the draws its quizzes had. */
final class MigrationController
{
    private const MOST_LINES = 2000;

    #[Operation(
        'Folders by a pattern (?pattern= to try one), and what the old system had against what was found',
        response: ['data' => 'Migration'],
    )]
    public function show(Request $request, Intake $intake): JsonResponse
    {
        Gate::authorize('work', $intake);
        $asked = $request->query('pattern');
        $questions = SourceQuestions::of($intake);

        return self::answer($intake, $questions, is_string($asked) && mb_strlen($asked) <= 500 ? $asked : null);
    }

    #[Operation(
        'Choose the pattern, what single folders are called, and what the old system had; copy: of a quiz, for those like it',
        response: ['data' => 'Migration'],
        body: ['pattern' => 'string?', 'names' => 'object?', 'lines' => 'StatedDraw[]?', 'copy' => 'string?'],
    )]
    public function update(Request $request, Intake $intake): JsonResponse
    {
        Gate::authorize('work', $intake);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['pattern', 'names', 'lines', 'copy']);
        $change = [];
        if ($fields->has('pattern')) {
            $change['pattern'] = $fields->string('pattern', '', 500);
            NamePattern::read($change['pattern']);
        }
        if ($fields->has('names')) {
            $change['folder_names'] = Json::encode((object) $fields->names('names', Regrouping::MOST_NAMES));
        }
        if ($fields->has('lines')) {
            $lines = [];
            foreach ($fields->list('lines', self::MOST_LINES) as $i => $line) {
                $lines[] = StatedDraw::read($line, "/lines/$i");
            }
            $change['statements'] = Json::encode($lines);
        }
        $copied = $fields->has('copy') ? $fields->string('copy', '', 500) : null;
        DB::transaction(function () use ($intake, $change, $copied): void {
            if (Intake::query()->whereKey($intake->id)->where('state', 'review')->update([...$change, 'updated_at' => now()]) === 0) {
                throw Refused::because('intake.not_in_review', Message::of('app.actions.intake.intake-not-in-review'));
            }
            $intake->refresh();
            if ($copied !== null) {
                $found = SourceQuestions::regrouped($intake, SourceQuestions::of($intake));
                $lines = AlikeQuizzes::copied(SourceQuestions::stated($intake), $copied, $found);
                $intake->update(['statements' => Json::encode(array_slice($lines, 0, self::MOST_LINES))]);
            }
        });

        return self::answer($intake, SourceQuestions::of($intake), null);
    }

    #[Operation(
        'Read what the old system had from words, from a table, or from another export (file) that still has its draws',
        response: ['lines' => 'StatedDraw[]', 'problems' => 'string[]'],
        body: ['text' => 'string?'],
    )]
    public function recall(Request $request, Intake $intake, RecallStatements $recall): JsonResponse
    {
        Gate::authorize('work', $intake);
        $file = $request->file('file');
        if ($file instanceof UploadedFile) {
            [$lines, $problems] = $recall->fromFile($intake, $file->getPathname(), $file->getClientOriginalName());
        } else {
            $text = Fields::of(Json::decode($request->getContent()), '', ['text'])->need('text')->string('text', '', 200_000);
            $read = StatementText::read($text);
            [$lines, $problems] = [$read->draws, $read->problems];
        }

        return new JsonResponse(Json::encode(['lines' => $lines, 'problems' => array_slice($problems, 0, 50)]), json: true);
    }

    /** @param  array<string, \WideQuarry\Migration\SourceQuestion>  $questions */
    private static function answer(Intake $intake, array $questions, ?string $pattern): JsonResponse
    {
        $regrouped = SourceQuestions::regrouped($intake, $questions, $pattern);
        $tally = \WideQuarry\Migration\Tally::of($regrouped, SourceQuestions::stated($intake));
        $tree = array_map(fn (array $row): array => [...$row, 'kinds' => (object) $row['kinds']], $regrouped->tree());

        return new JsonResponse(Json::encode(['data' => [
            'pattern' => $pattern ?? $intake->pattern,
            'names' => Json::decode($intake->folder_names),
            'parts' => NamePattern::NAMES,
            'tree' => array_slice($tree, 0, 2000),
            'lines' => SourceQuestions::stated($intake),
            'tally' => array_slice($tally->lines, 0, 2000),
            'quizzes' => $tally->quizzes,
        ]]), json: true);
    }
}
