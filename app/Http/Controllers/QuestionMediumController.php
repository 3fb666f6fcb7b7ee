<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\Question;
use App\Storage\MediaStore;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Json;
use WideQuarry\Question\QuestionMedia;

/** The media of one question, for who may read it where it is placed and not its own bank. */
final class QuestionMediumController
{
    #[Operation('The bytes of a picture, sound or film in a question; ?width=480, 960 or 1920 for a narrower copy where there is one')]
    public function show(Request $request, Question $question, string $medium, MediaStore $store): Response
    {
        Gate::authorize('view', $question);
        $shown = self::isNamed($question->id, $medium) ? $store->shown($question->bank_id, $medium, $request->integer('width')) : null;

        return MediaController::answer($shown ?? abort(404));
    }

    /** Through a question one reads its own media, not all of its bank: those it shows, or showed in a revision. */
    private static function isNamed(string $question, string $medium): bool
    {
        return DB::table('questions')->where('id', $question)->whereRaw('media @> ARRAY[?]', [$medium])->exists() ||
            DB::table('revisions')
                ->where('question_id', $question)
                ->whereRaw('strpos(content::text, ?) > 0', [$medium])
                ->pluck('content')
                ->contains(
                    fn (mixed $content): bool => is_string($content) && in_array($medium, QuestionMedia::in(Json::decode($content)), true),
                );
    }
}
