<?php

declare(strict_types=1);

namespace App\Actions\Media;

use App\Actions\SaveStimulus;
use App\Models\Stimulus as StoredStimulus;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Stimulus\Stimulus;

/** Puts one medium in the place of another in the stimuli of a bank: a new revision of each, or of none. */
final readonly class ReplaceInStimuli
{
    /** In one request; asked again, it goes on with the rest. */
    private const MOST = 1000;

    public function __construct(private SaveStimulus $save)
    {
    }

    /**
     * @param  list<string>|null  $only  these alone, as when it is taken back
     * @return list<string> those that show the other medium now
     */
    public function handle(string $bankId, string $from, string $to, User $person, ?array $only): array
    {
        /** @var list<string> $changed */
        $changed = DB::transaction(function () use ($bankId, $from, $to, $person, $only): array {
            $showing = StoredStimulus::query()->where('bank_id', $bankId);
            $showing->getQuery()->whereRaw('media @> ARRAY[?]', [$from])->orderBy('id')->limit(self::MOST)->lockForUpdate();
            if ($only !== null) {
                $showing->whereIn('id', $only);
            }
            $changed = [];
            foreach ($showing->get() as $stored) {
                $content = DB::table('stimulus_revisions')
                    ->where('stimulus_id', $stored->id)
                    ->where('number', $stored->revision)
                    ->value('content');
                $json = is_string($content) ? Json::decode($content) : null;
                if (! ($json instanceof \stdClass) || ! Gate::forUser($person)->allows('update', $stored)) {
                    continue;
                }
                $stimulus = Stimulus::read(QuestionMedia::renamed($json, [$from => $to]));
                if ($this->save->revise($stimulus, $stored->revision, $person, Message::of('app.actions.media.replaced')) !== null) {
                    $changed[] = $stored->id;
                }
            }

            return $changed;
        });

        return $changed;
    }
}
