<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Actions\SaveStimulus;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use App\Queries\Folders;
use App\Queries\SourceQuestions;
use App\Queries\Topics;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Interchange\MediaNames;
use WideQuarry\Json\Json;
use WideQuarry\Migration\Regrouping;
use WideQuarry\Migration\SourceQuestion;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Stimulus\Stimulus;

/** What questions of an intake need around them in the bank: media, stimuli, a folder; and what of it was new. */
final class ImportedSurroundings
{
    /** @var array{folders: list<string>, topics: list<string>} */
    private array $before = ['folders' => [], 'topics' => []];

    /** @var array{string, array<string, SourceQuestion>, Regrouping}|null intake, its questions, their folders */
    private ?array $regrouped = null;

    public function __construct(private readonly SaveStimulus $save)
    {
    }

    /**
     * Media and stimuli, once. A stimulus whose identifier another bank uses is called anew, and so is a medium whose name
     * stands for other bytes in the bank.
     *
     * @return array<string, string> what to write instead of what in the JSON of a content
     */
    public function bring(Intake $intake, Bank $bank, User $person): array
    {
        $this->before = $this->present($bank);
        $made = $intake->made();
        if (isset($made->stimuli)) {
            return $this->renamed($made);
        }
        /** @var array<string, string> $there */
        $there = DB::table('media')->where('bank_id', $bank->id)->pluck('sha256', 'id')->all();
        $taken = new MediaNames($there);
        $media = [];
        foreach (self::staged($intake, 'medium') as $value) {
            /** @var object{id: string, sha256: string, type: string, name: string, bytes: int}&\stdClass $medium */
            $medium = Json::object($value);
            $id = $media[$medium->id] = $taken->for($medium->id, $medium->sha256);
            DB::table('media')->insertOrIgnore([
                'bank_id' => $bank->id,
                'id' => $id,
                'sha256' => $medium->sha256,
                'type' => $medium->type,
                'name' => $medium->name,
                'bytes' => $medium->bytes,
            ]);
        }
        $folder = $this->folder($intake, $bank);
        $names = [];
        $new = [];
        foreach (self::staged($intake, 'stimulus') as $value) {
            /** @var object{id: string}&\stdClass $stimulus */
            $stimulus = Json::object($value);
            $home = DB::table('stimuli')->where('id', $stimulus->id)->value('bank_id');
            $id = $home === null || $home === $bank->id ? $stimulus->id : (string) Str::uuid7();
            $names[$stimulus->id] = $id;
            $stimulus = QuestionMedia::renamed($stimulus, $media);
            $stimulus->id = $id;
            if ($this->save->create(Stimulus::read($stimulus), $bank->id, $person, 'brought in')) {
                if ($folder !== null) {
                    DB::table('stimulus_placements')->insert(['stimulus_id' => $id, 'folder_id' => $folder]);
                }
                $new[] = $id;
            }
        }
        $made->stimuli = (object) $names;
        $made->media = (object) array_filter(
            $media,
            fn (string $new, int|string $old): bool => (string) $old !== $new,
            ARRAY_FILTER_USE_BOTH,
        );
        $made->new_stimuli = $new;
        $intake->update(['made' => Json::encode($made)]);

        return $this->renamed($made);
    }

    /** @return list<string> the JSON of what an intake holds of a kind, in order */
    private static function staged(Intake $intake, string $type): array
    {
        $values = DB::table('staged_things')
            ->where('intake_id', $intake->id)
            ->where('type', $type)
            ->orderBy('position')
            ->pluck('value')
            ->all();

        return array_values(array_filter($values, is_string(...)));
    }

    /** @return array<string, string> */
    private function renamed(\stdClass $made): array
    {
        /** @var array<string, string> $media */
        $media = array_filter((array) ($made->media ?? []), is_string(...));
        $replace = QuestionMedia::references($media);
        foreach ((array) $made->stimuli as $old => $new) {
            if ($old !== $new && is_string($new)) {
                $replace["\"$old\""] = "\"$new\"";
            }
        }

        return $replace;
    }

    public function folder(Intake $intake, Bank $bank): ?string
    {
        return Folders::at($intake->folderPath(), $bank->id);
    }

    /**
     * Where questions go: the folder of the intake, or a folder in it for the group a question came in.
     *
     * @param  list<\stdClass>  $rows
     * @return array<string, string> staged question → folder
     */
    public function places(Intake $intake, Bank $bank, array $rows): array
    {
        $grouping = $intake->regroup && $intake->pattern === '' ? $intake->grouping() : null;
        if ($intake->pattern !== '' && ($this->regrouped[0] ?? '') !== $intake->id) {
            $questions = SourceQuestions::of($intake);
            $this->regrouped = [$intake->id, $questions, SourceQuestions::regrouped($intake, $questions)];
        }
        $made = [];
        $places = [];
        foreach ($rows as $row) {
            $path = [...$intake->folderPath(), ...match (true) {
                $intake->pattern !== '' && $this->regrouped !== null => $this->regrouped[2]->path($this->regrouped[1][is_string($row->id) ? $row->id : '']),
                $grouping === null || ! is_string($row->grp) => [],
                default => $grouping->path($row->grp),
            }];
            $folder = $made[Json::encode($path)] ??= Folders::at($path, $bank->id) ?? '';
            if ($folder !== '') {
                $places[is_string($row->id) ? $row->id : ''] = $folder;
            }
        }

        return $places;
    }

    /** Writes down which folders and topics were not there before. */
    public function note(Intake $intake, Bank $bank): void
    {
        $made = $intake->made();
        $now = $this->present($bank);
        foreach ($now as $name => $ids) {
            $made->{$name} = array_values(array_unique([...self::texts($made, $name), ...array_diff($ids, $this->before[$name])]));
        }
        $intake->update(['made' => Json::encode($made)]);
    }

    /** @return list<string> */
    private static function texts(\stdClass $made, string $name): array
    {
        $list = $made->{$name} ?? null;

        return is_array($list) ? array_values(array_filter($list, is_string(...))) : [];
    }

    /** Takes out what was made around the questions and nothing uses now. */
    public function takeOut(Intake $intake, Bank $bank): void
    {
        $made = $intake->made();
        foreach (self::texts($made, 'new_stimuli') as $id) {
            DB::delete(
                <<<'SQL'
                    DELETE FROM stimuli WHERE id = ? AND revision = 1 AND NOT EXISTS (SELECT 1 FROM question_stimuli
                        WHERE stimulus_id = stimuli.id)
                    SQL,
                [$id],
            );
        }
        foreach (
            [
                'folders' => <<<'SQL'
                    (SELECT folder_id FROM placements UNION ALL SELECT folder_id FROM stimulus_placements) AS placed WHERE folder_id
                    SQL,
                'topics' => 'question_topics WHERE topic_id',
            ] as $table => $use
        ) {
            foreach (array_reverse(self::texts($made, $table)) as $id) {
                DB::delete(
                    <<<SQL
                        DELETE FROM $table WHERE id = ? AND NOT EXISTS (SELECT 1 FROM $use = $table.id) AND NOT EXISTS (SELECT 1
                            FROM $table AS below WHERE below.parent_id = $table.id)
                        SQL,
                    [$id],
                );
            }
        }
        $emptied =
            isset($made->bank) &&
            $made->bank === $bank->id &&
            DB::table('questions')->where('bank_id', $bank->id)->doesntExist() &&
            DB::table('folders')->where('bank_id', $bank->id)->doesntExist() &&
            DB::table('stimuli')->where('bank_id', $bank->id)->doesntExist();
        $intake->update(['made' => '{}', ...$emptied ? ['bank_id' => null] : []]);
        if ($emptied) {
            $bank->delete();
        }
    }

    /** @return array{folders: list<string>, topics: list<string>} from the top down */
    private function present(Bank $bank): array
    {
        // @phpstan-ignore return.type
        return [
            'folders' => DB::table('folders')->where('bank_id', $bank->id)->orderByRaw('nlevel(path)')->pluck('id')->all(),
            'topics' => Topics::of($bank->id)->orderByRaw('nlevel(path)')->pluck('id')->all(),
        ];
    }
}
