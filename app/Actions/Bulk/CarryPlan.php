<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Errors\Refused;
use App\Models\Bank;
use App\Queries\Crosswalks;
use App\Queries\Folders;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\CarryOver;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** What is carried over from one bank to another and how, as a request asks for it and as it is stored with the act. */
final readonly class CarryPlan
{
    public const FIELDS = ['filter', 'folders', 'assessments', 'how', 'folder', 'topics', 'frameworks'];

    private const MOST = 2_000;

    private const MOST_FRAMEWORKS = 50;

    /**
     * @param  string  $from  bank
     * @param  string|null  $filter  which questions, as it stands in an address; null for none by a filter
     * @param  list<string>  $folders
     * @param  list<string>  $assessments
     * @param  bool  $isCopying  whether they become copies, or the same questions lie in both banks
     * @param  list<string>  $into  the folder under which they go
     * @param  list<array{from: list<string>, to: list<string>|null}>  $topics
     * @param  array<string, string|null>  $frameworks  id → the one whose standards they get, null to leave its standards out
     */
    private function __construct(
        public string $from,
        public ?string $filter,
        public array $folders,
        public array $assessments,
        public bool $isCopying,
        private array $into,
        private array $topics,
        public array $frameworks,
    ) {
    }

    /**
     * @param  Fields  $fields  FIELDS, among others
     *
     * @throws \WideQuarry\Json\Malformed|Refused when something is not of that bank
     */
    public static function read(Fields $fields, Bank $from): self
    {
        $plan = self::of($fields, $from->id);
        $isThere = fn (string $table, array $ids): bool => DB::table($table)
            ->where('bank_id', $from->id)
            ->whereIn('id', $ids)
            ->count() === count($ids);
        if (! $isThere('folders', $plan->folders)) {
            throw Refused::because('carry.gone', Message::of('app.actions.bulk.carry-folders-gone'), '/folders');
        }
        if (! $isThere('assessments', $plan->assessments)) {
            throw Refused::because('carry.gone', Message::of('app.actions.bulk.carry-assessments-gone'), '/assessments');
        }
        foreach (array_filter($plan->frameworks) as $given => $to) {
            if (DB::table('frameworks')->where('id', $to)->doesntExist()) {
                throw Refused::because('carry.framework', Message::of('app.actions.bulk.carry-framework-gone'), "/frameworks/$given");
            }
        }

        return $plan;
    }

    /** @param  \stdClass  $what  of an act */
    public static function stored(\stdClass $what): self
    {
        $fields = Fields::of($what, '', [...self::FIELDS, 'from', 'made']);

        return self::of($fields, $fields->string('from'));
    }

    private static function of(Fields $fields, string $from): self
    {
        $folder = array_map(trim(...), $fields->strings('folder', 20, 200));

        return new self(
            $from,
            $fields->raw('filter') === null ? null : $fields->string('filter', '', 20_000),
            self::ids($fields, 'folders'),
            self::ids($fields, 'assessments'),
            $fields->oneOf('how', ['copies', 'placements'], 'copies') === 'copies',
            array_values(array_filter($folder, fn (string $name): bool => $name !== '')),
            self::topics($fields),
            self::frameworks($fields),
        );
    }

    public function toJson(): \stdClass
    {
        return (object) [
            'from' => $this->from,
            'filter' => $this->filter,
            'folders' => $this->folders,
            'assessments' => $this->assessments,
            'how' => $this->isCopying ? 'copies' : 'placements',
            'folder' => $this->into,
            'topics' => $this->topics,
            'frameworks' => (object) $this->frameworks,
        ];
    }

    /** @return list<string> each once */
    private static function ids(Fields $fields, string $field): array
    {
        $ids = [];
        foreach ($fields->list($field, self::MOST) as $i => $id) {
            $ids[Fields::asUuid($id, "/$field/$i")] = true;
        }

        return array_map(strval(...), array_keys($ids));
    }

    /** @return list<array{from: list<string>, to: list<string>|null}> */
    private static function topics(Fields $fields): array
    {
        $topics = [];
        foreach ($fields->list('topics', self::MOST) as $i => $one) {
            $topic = Fields::of($one, "/topics/$i", ['from', 'to'])->need('from');
            $to = $topic->raw('to') === null ? null : array_map(trim(...), $topic->strings('to', 20, 200));
            $topics[] = [
                'from' => $topic->strings('from', 20, 1000),
                'to' => $to === null ? null : array_values(array_filter($to, fn (string $title): bool => $title !== '')),
            ];
        }

        return $topics;
    }

    /** @return array<string, string|null> */
    private static function frameworks(Fields $fields): array
    {
        $given = $fields->raw('frameworks') ?? new \stdClass;
        if (! $given instanceof \stdClass || count(get_object_vars($given)) > self::MOST_FRAMEWORKS) {
            $asked = Message::of('app.actions.bulk.carry-frameworks', ['most' => self::MOST_FRAMEWORKS]);

            throw Malformed::outOfRange($fields->at('frameworks'), $asked, $given);
        }
        $frameworks = [];
        foreach (get_object_vars($given) as $from => $to) {
            $from = Fields::asUuid((string) $from, '/frameworks');
            $frameworks[$from] = $to === null ? null : Fields::asUuid($to, "/frameworks/$from");
        }

        return $frameworks;
    }

    public function carryOver(): CarryOver
    {
        $topics = $statements = [];
        foreach ($this->isCopying ? $this->topics : [] as ['from' => $from, 'to' => $to]) {
            $topics[Json::encode($from)] = $to;
        }
        foreach ($this->isCopying ? $this->frameworks : [] as $from => $to) {
            $statements += Crosswalks::alignments($from, $to);
        }
        $chosen = $this->filter !== null || $this->folders === [] ? null : Folders::named($this->folders);

        return new CarryOver($this->into, $chosen, $topics, $statements);
    }
}
