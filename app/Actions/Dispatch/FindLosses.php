<?php

declare(strict_types=1);

namespace App\Actions\Dispatch;

use App\Models\Assessment;
use App\Models\User;
use App\Storage\DraftFile;
use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\ExportOptions;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Json\Fields;
use WideQuarry\Question\PartKinds;

/** Finds what a format cannot express before an export: writes the file, collects the notices, and discards it. */
final readonly class FindLosses
{
    /** Check at most this many questions, because somebody waits for the answer. */
    public const MOST = 300;

    private const NAMED = 50;

    public function __construct(
        private OpenDispatch $open,
        private ExportCollector $collect,
        private PartKinds $kinds,
        private DocumentConverter $converter,
    ) {
    }

    /**
     * @param  Fields  $fields  as for a dispatch
     * @return array{checked: int, of: int, varying: int, losses: list<array{code: string, message: string, count: int, questions: list<array{id: string, title: string}>}>}
     *
     * @throws \App\Errors\Refused|\WideQuarry\Json\Malformed
     */
    public function handle(Fields $fields, User $person): array
    {
        [$format, $what] = $this->open->read($fields, $person);
        $along = new ExportOptions(
            $what['key'] === true,
            $what['feedback'] === true,
            $what['classification'] === true,
            $what['notes'] === true,
        );
        $assessment = isset($what['assessment']) ? Assessment::query()->where('id', $what['assessment'])->firstOrFail() : null;
        $ids = is_array($what['questions'] ?? null) ? array_values(array_filter($what['questions'], is_string(...))) : [];
        $collect = $this->collect->withoutBytes();
        $found =
            $assessment === null
                ? $collect->questions(array_slice($ids, 0, self::MOST), $along)
                : $collect->assessment($assessment, $person, $along);
        $writer = Formats::standard($this->kinds, $this->converter)->named($format);
        assert($writer !== null); // OpenDispatch refuses unknown formats
        $notices = DraftFile::write($writer, $found, fn (string $file, array $notices): array => $notices);

        return [
            'checked' => count($found->questions),
            'of' => $assessment === null ? count($ids) : count($found->questions),
            'varying' => $writer->canVary() ? 0 : self::varying($ids),
            'losses' => self::grouped($notices, DraftFile::names($found, $notices)),
        ];
    }

    /**
     * Of all questions, not only of those that were checked. An assessment goes out with one roll of each.
     *
     * @param  list<string>  $ids
     */
    private static function varying(array $ids): int
    {
        return DB::table('questions')
            ->whereRaw('id = ANY (?::uuid[])', ['{'.implode(',', $ids).'}'])
            ->where('has_variables', true)
            ->count();
    }

    /**
     * @param  list<Notice>  $notices
     * @param  array<string, string>  $names
     * @return list<array{code: string, message: string, count: int, questions: list<array{id: string, title: string}>}>
     */
    private static function grouped(array $notices, array $names): array
    {
        $groups = [];
        foreach ($notices as $notice) {
            if ($notice->severity === 'note') {
                continue;
            }
            $group = $groups[$notice->message] ?? [
                'code' => $notice->code,
                'message' => $notice->message,
                'count' => 0,
                'questions' => [],
            ];
            $group['count']++;
            if ($notice->question !== null && count($group['questions']) < self::NAMED) {
                $group['questions'][] = ['id' => $notice->question, 'title' => $names[$notice->question] ?? ''];
            }
            $groups[$notice->message] = $group;
        }
        usort($groups, fn (array $a, array $b): int => $b['count'] <=> $a['count']);

        return $groups;
    }
}
