<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Errors\Refused;
use App\Models\Blueprint;
use App\Models\User;
use App\Policies\BlueprintTerms;
use Illuminate\Support\Facades\DB;
use WideQuarry\Blueprints\Blueprint as Document;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Stores a blueprint: a new one, or the next version of one that is there. */
final readonly class SaveBlueprint
{
    public const MOST = 1000;

    /**
     * @param  Document|null  $like  the one it was copied from; what that names may stay
     *
     * @throws Malformed|Refused
     */
    public function create(\stdClass $json, string $bankId, User $person, ?Document $like = null): Blueprint
    {
        $document = Document::read($json);
        BlueprintTerms::allow($document, $like, $person);

        DB::transaction(function () use ($document, $bankId, $person): void {
            DB::table('banks')->where('id', $bankId)->lockForUpdate()->value('id'); // two at once count one after the other
            if (DB::table('blueprints')->where('bank_id', $bankId)->count() >= self::MOST) {
                throw Refused::because('blueprint.most', Message::of('app.actions.assembly.blueprints-most', ['most' => self::MOST]));
            }

            Blueprint::query()->create([
                'id' => $document->id,
                'bank_id' => $bankId,
                'created_by' => $person->id,
                'updated_by' => $person->id,
                'title' => $document->title,
                'content' => Json::encode($document->toJson()),
            ]);
        });

        return Blueprint::query()->findOrFail($document->id);
    }

    /**
     * @param  int  $base  the version it was started from
     * @return bool false when somebody else has saved since, and nothing was stored
     *
     * @throws Malformed|Refused
     */
    public function revise(Blueprint $blueprint, \stdClass $json, int $base, User $person): bool
    {
        $document = Document::read($json);
        if ($document->id !== $blueprint->id) {
            throw Refused::because('blueprint.other_id', Message::of('app.actions.assembly.blueprint-other-id'), '/id');
        }
        BlueprintTerms::allow($document, $blueprint->document(), $person);

        return Blueprint::query()
            ->whereKey($blueprint->id)
            ->where('version', $base)
            ->whereNull('binned_at')
            ->update([
                'version' => $base + 1,
                'title' => $document->title,
                'content' => Json::encode($document->toJson()),
                'updated_by' => $person->id,
                'updated_at' => now(),
            ]) === 1;
    }
}
