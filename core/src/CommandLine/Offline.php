<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

use WideQuarry\Checks\Completeness;
use WideQuarry\CoreException;
use WideQuarry\Duplicates\Comparison;
use WideQuarry\Finding;
use WideQuarry\Forms\FormSettings;
use WideQuarry\Interchange\DividedFormat;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\FixedRolls;
use WideQuarry\Interchange\Format;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\NoConverter;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\QuestionTable\QuestionTableFormat;
use WideQuarry\Interchange\QuestionTable\Rows\TableCorrections;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\StandardKinds;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;
use WideQuarry\Selection\Budget;
use WideQuarry\Selection\NoSolver;
use WideQuarry\Selection\Solver;
use WideQuarry\Selection\Unhurried;
use WideQuarry\Study\RollStudy;
use WideQuarry\Variables\RollProblem;

/** The commands that need neither database nor framework. Standard output carries JSON only; a problem is exit code 1. */
final readonly class Offline
{
    public const COMMANDS = ['read', 'parts', 'write', 'score', 'present', 'rolls', 'study', 'check', 'compare', 'assemble', 'forms'];

    /** Those that answer each line of standard input by a line, so that several processes can share them. */
    public const BY_LINE = ['score', 'present'];

    public const MOST_PROCESSES = 64;

    private const OPTIONS = [
        'read' => ['media', 'lines', 'as', 'mapping', 'parts'],
        'parts' => [],
        'write' => ['out', 'media', 'rolls'],
        'score' => ['processes'],
        'present' => ['processes'],
        'rolls' => ['count', 'seed'],
        'study' => ['rolls'],
        'check' => [],
        'compare' => [],
        'assemble' => [],
        'forms' => ['count', 'seed', 'run', 'assessment'],
    ];

    private PartKinds $kinds;

    private RepeatedQuestion $questions;

    /** @param  (\Closure(float): Budget)|null  $budget  how time is measured; null for as much as it takes */
    public function __construct(
        private Streams $streams,
        private DocumentConverter $converter = new NoConverter,
        private Solver $solver = new NoSolver,
        private ?\Closure $budget = null,
    ) {
        $this->kinds = StandardKinds::all();
        $this->questions = new RepeatedQuestion($this->kinds);
    }

    /** @param  list<string>  $given without the command itself */
    public function run(string $command, array $given): int
    {
        $arguments = Arguments::parse($given);
        $wrong = self::wrongOption($command, $arguments);
        if ($wrong !== null) {
            return $this->fail(Problem::usage($wrong));
        }
        try {
            return match ($command) {
                'read' => $this->read($arguments),
                'write' => $this->write($arguments),
                'score' => $this->eachLine(
                    fn (Fields $line): mixed => (new Scorer)->score($this->questions->of($line), Attempt::read($line)),
                    ['question', 'response', 'marks', 'seed', 'earlier_wrong', 'hints', 'ref'],
                ),
                'present' => $this->eachLine(
                    fn (Fields $line): mixed => (new Presenter)->present(
                        $this->questions->of($line),
                        Seed::of($line->int('seed', 1, 0, Seed::MAX)),
                    ),
                    ['question', 'seed', 'ref'],
                ),
                'rolls' => $this->rolls($arguments),
                'study' => $this->study($arguments),
                'compare' => $this->compare($arguments),
                'parts' => $this->parts($arguments),
                'assemble' => $this->assemble($arguments),
                'forms' => $this->forms($arguments),
                default => $this->check($arguments),
            };
        } catch (CoreException $problem) {
            return $this->fail(Problem::of($problem));
        } catch (OutputClosed) {
            return OutputClosed::CODE;
        }
    }

    private static function wrongOption(string $command, Arguments $arguments): ?string
    {
        $unknown = $arguments->unknown(self::OPTIONS[$command]);
        if ($unknown !== []) {
            return Message::of('commandLine.no-option', ['option' => $unknown[0], 'command' => $command]);
        }

        return self::processes($arguments->options['processes'] ?? '1') === null
            ? Message::of('commandLine.processes', ['most' => self::MOST_PROCESSES])
            : null;
    }

    /** The option --processes; how they are started is the business of who calls. Null for what it cannot be. */
    public static function processes(string $given): ?int
    {
        $count = filter_var($given, FILTER_VALIDATE_INT, ['options' => ['min_range' => 1, 'max_range' => self::MOST_PROCESSES]]);

        return $count === false ? null : $count;
    }

    private function read(Arguments $arguments): int
    {
        $file = $arguments->words[0] ?? null;
        if ($file === null) {
            return $this->fail(Problem::usage(Message::of('commandLine.read-what')));
        }
        [$path, $temporary] = $this->onDisk($file);
        try {
            $source = new Source($path, $file === '-' ? Message::of('commandLine.standard-input') : basename($file));
            $as = $arguments->options['as'] ?? '';
            if (! in_array($as, ['', Formats::FRAMEWORK, Formats::QUESTIONS], true)) {
                return $this->fail(Problem::usage(Message::of('commandLine.read-as-what')));
            }
            $format = Formats::standard($this->kinds, $this->converter)->for($source, $as);
            $source = self::chosen($source, $format, $arguments->options['parts'] ?? '');
            $things = ($this->mapped($format, $arguments) ?? $format)->read($source);
            $folder = $arguments->options['media'] ?? null;
            if (isset($arguments->options['lines'])) {
                return $this->stream($things, $folder, $source->name);
            }
            $found = PackageContents::collect($things);
            if ([...$found->questions, ...$found->stimuli, ...$found->assessments, ...$found->frameworks] === []) {
                return $this->nothingRead($found->notices, $source->name);
            }
            $this->streams->line(Json::encode(self::describe($found, fn (Medium $medium): array => $this->medium($medium, $folder))));

            return 0;
        } finally {
            if ($temporary) {
                unlink($path);
            }
        }
    }

    /** @param  string  $parts  ids, by commas, or as a JSON array: names of files may have commas; '' for all */
    private static function chosen(Source $source, Format $format, string $parts): Source
    {
        if ($parts === '') {
            return $source;
        }
        $contents = $format instanceof DividedFormat ? $format->parts($source) : new PackageParts([]);
        $ids = str_starts_with($parts, '[') ? Json::decode($parts) : explode(',', $parts);
        $choice = $contents->choose(is_array($ids) ? array_values(array_filter($ids, is_string(...))) : []);

        return new Source($source->file, $source->name, [], $choice);
    }

    /** What a file falls into, without reading its questions. */
    private function parts(Arguments $arguments): int
    {
        $file = $arguments->words[0] ?? null;
        if ($file === null) {
            return $this->fail(Problem::usage(Message::of('commandLine.parts-of-what')));
        }
        [$path, $temporary] = $this->onDisk($file);
        try {
            $source = new Source($path, $file === '-' ? Message::of('commandLine.standard-input') : basename($file));
            $format = Formats::standard($this->kinds, $this->converter)->for($source, Formats::QUESTIONS);
            $this->streams->line(Json::encode($format instanceof DividedFormat ? $format->parts($source) : new PackageParts([])));

            return 0;
        } finally {
            if ($temporary) {
                unlink($path);
            }
        }
    }

    /** A table with the mapping that was given for it. */
    private function mapped(Format $format, Arguments $arguments): ?Format
    {
        $file = $arguments->options['mapping'] ?? null;
        if ($file === null || ! $format instanceof QuestionTableFormat) {
            return null;
        }
        $json = Json::decode($this->streams->contents($file) ?? throw UnreadableFile::notFound($file));
        // the output of read may be given as it is
        $mapping = $json instanceof \stdClass && isset($json->mapping) ? $json->mapping : $json;

        return new QuestionTableFormat($this->converter, new TableCorrections($mapping));
    }

    /** @param  iterable<\stdClass|Medium|Notice>  $things */
    private function stream(iterable $things, ?string $folder, string $name): int
    {
        $notices = [];
        $any = false;
        foreach ($things as $thing) {
            $any = $any || $thing instanceof \stdClass;
            if ($thing instanceof Notice) {
                $notices[] = $thing;
            }
            $this->streams->line(
                Json::encode(
                    match (true) {
                        $thing instanceof Medium => ['type' => 'media', 'value' => $this->medium($thing, $folder)],
                        $thing instanceof \stdClass => $thing,
                        default => ['type' => 'notice', 'value' => $thing],
                    },
                ),
            );
        }

        return $any ? 0 : $this->nothingRead($notices, $name);
    }

    /**
     * Reports a file from which nothing could be read, with its first problem.
     *
     * @param  list<Notice>  $notices
     */
    private function nothingRead(array $notices, string $name): int
    {
        $problem = array_values(array_filter($notices, fn (Notice $notice): bool => $notice->severity === 'problem'))[0] ?? null;

        return $this->fail(
            Problem::nothingRead($problem->code ?? 'nothing_found', $problem->message ?? Message::of('commandLine.nothing-found', [
                'name' => $name,
            ])),
        );
    }

    private function write(Arguments $arguments): int
    {
        [$name, $file] = [...$arguments->words, null, null];
        $out = $arguments->options['out'] ?? '';
        if ($name === null || $file === null || $out === '') {
            return $this->fail(Problem::usage(Message::of('commandLine.write-what')));
        }
        $format = Formats::standard($this->kinds, $this->converter)->named($name);
        $bytes = $this->streams->contents($file);
        if ($format === null || $bytes === null) {
            return $this->fail(
                Problem::usage(
                    $format === null
                        ? Message::of('commandLine.no-format', [
                            'name' => $name,
                            'list' => implode(', ', Formats::standard($this->kinds, $this->converter)->names()),
                        ])
                        : Message::of('commandLine.no-file', ['file' => $file]),
                ),
            );
        }
        if (! is_dir(dirname($out)) || ! is_writable(dirname($out))) {
            return $this->fail(Problem::usage(Message::of('commandLine.cannot-be-written', ['out' => $out])));
        }
        $rolls = filter_var($arguments->options['rolls'] ?? 1, FILTER_VALIDATE_INT, [
            'options' => ['min_range' => 1, 'max_range' => FixedRolls::MOST],
        ]);
        if ($rolls === false) {
            return $this->fail(Problem::usage(Message::of('commandLine.rolls-to-write', ['most' => FixedRolls::MOST])));
        }
        $content = (new ReadJson($this->kinds))->found(Json::decode($bytes), $arguments->options['media'] ?? null);
        $fixed = $format->canVary() ? [] : (new FixedRolls($this->kinds))->in($content, $content->assessments === [] ? $rolls : 1);
        $notices = [...$fixed, ...self::toFile($format, $content, $out)];
        $this->streams->line(Json::encode(['file' => $out, 'sha256' => hash_file('sha256', $out), 'notices' => $notices]));

        return 0;
    }

    /** @return list<Notice> */
    private static function toFile(WritableFormat $format, PackageContents $content, string $out): array
    {
        $part = "$out.part";
        try {
            $notices = $format->write($content, $part);
            rename($part, $out);
        } finally {
            if (is_file($part)) {
                unlink($part);
            }
        }

        return $notices;
    }

    /**
     * @param  callable(Fields): mixed  $do
     * @param  list<string>  $known
     */
    private function eachLine(callable $do, array $known): int
    {
        $failed = false;
        while (($line = fgets($this->streams->in)) !== false) {
            if (trim($line) === '') {
                continue;
            }
            $ref = null;
            try {
                $json = $this->questions->decoded($line);
                $ref = $json instanceof \stdClass ? $json->ref ?? null : null;
                $result = $do(Fields::of($json, '', $known));
                $this->streams->line(
                    Json::encode($ref === null ? $result : ['ref' => $ref, ...(array) json_decode(Json::encode($result))]),
                );
            } catch (CoreException|\OutOfRangeException $problem) {
                $failed = true;
                $this->streams->line(Json::encode(['ref' => $ref, 'problem' => Problem::of($problem)]));
            }
        }

        return $failed ? 1 : 0;
    }

    private function rolls(Arguments $arguments): int
    {
        $count = filter_var($arguments->options['count'] ?? '10', FILTER_VALIDATE_INT, [
            'options' => ['min_range' => 1, 'max_range' => 1_000_000],
        ]);
        $first = filter_var($arguments->options['seed'] ?? '1', FILTER_VALIDATE_INT, [
            'options' => ['min_range' => 0, 'max_range' => Seed::MAX - 1_000_000],
        ]);
        $bytes = $this->streams->contents($arguments->words[0] ?? '');
        if ($count === false || $first === false || $bytes === null) {
            return $this->fail(Problem::usage(Message::of('commandLine.rolls-of-what')));
        }
        $question = Question::read(Json::decode($bytes), $this->kinds);
        for ($seed = $first; $seed < $first + $count; $seed++) {
            try {
                $values = $question->variables->roll(Seed::of($seed), $question->language)->jsonSerialize();
            } catch (RollProblem $problem) {
                $values = ['problem' => Problem::of($problem)];
            }
            $this->streams->line(Json::encode(['seed' => $seed, ...$values]));
        }

        return 0;
    }

    private function study(Arguments $arguments): int
    {
        $rolls = filter_var($arguments->options['rolls'] ?? RollStudy::ROLLS, FILTER_VALIDATE_INT, [
            'options' => ['min_range' => 1, 'max_range' => 100_000],
        ]);
        $bytes = $this->streams->contents($arguments->words[0] ?? '');
        if ($rolls === false || $bytes === null) {
            return $this->fail(Problem::usage(Message::of('commandLine.study-what')));
        }
        $failed = false;
        foreach (self::questions(Json::decode($bytes)) as $json) {
            $id = $json instanceof \stdClass && is_string($json->id ?? null) ? $json->id : null;
            try {
                $this->streams->line(Json::encode(RollStudy::of(Question::read($json, $this->kinds), $rolls)->summary()));
            } catch (CoreException $problem) {
                $failed = true;
                $this->streams->line(Json::encode(['id' => $id, 'problem' => Problem::of($problem)]));
            }
        }

        return $failed ? 1 : 0;
    }

    private function assemble(Arguments $arguments): int
    {
        $bytes = $this->streams->contents($arguments->words[0] ?? '');
        if ($bytes === null) {
            return $this->fail(Problem::usage(Message::of('commandLine.assemble-what')));
        }
        $assemble = new Assemble($this->solver, $this->budget ?? fn (): Budget => new Unhurried);
        $this->streams->line(Json::encode($assemble->run($bytes)));

        return 0;
    }

    private function forms(Arguments $arguments): int
    {
        $number = fn (string $name, int $usual, int $least, int $most): int|false => filter_var(
            $arguments->options[$name] ?? $usual,
            FILTER_VALIDATE_INT,
            ['options' => ['min_range' => $least, 'max_range' => $most]],
        );
        $count = $number('count', 1, 1, FormSettings::MOST);
        $seed = $number('seed', 1, 0, Seed::MAX);
        $run = $number('run', FormSettings::LONGEST_RUN, 1, FormSettings::MOST_RUN);
        $bytes = $this->streams->contents($arguments->words[0] ?? '');
        if ($count === false || $seed === false || $run === false || $bytes === null) {
            return $this->fail(Problem::usage(Message::of('commandLine.forms-of-what', [
                'most' => FormSettings::MOST,
                'run' => FormSettings::MOST_RUN,
            ])));
        }
        $settings = new FormSettings($count, Seed::of($seed), $run);
        $made = (new MakeForms($this->kinds))->run($bytes, $settings, $arguments->options['assessment'] ?? null);
        $this->streams->line(Json::encode($made));

        return 0;
    }

    private function compare(Arguments $arguments): int
    {
        [$a, $b] = [...$arguments->words, '', ''];
        if ($a === '' || $b === '' || $a === '-' && $b === '-') {
            return $this->fail(Problem::usage(Message::of('commandLine.compare-what')));
        }
        [$a, $b] = [$this->questionsOf($a), $this->questionsOf($b)];
        $compared = new Comparison($a, $b, $this->kinds);
        [$inA, $inB] = [fn (int $at): string => $compared->identifierInA($at), fn (int $at): string => $compared->identifierInB($at)];
        $this->streams->line(Json::encode([
            'same' => array_map(fn (array $pair): array => [$inA($pair[0]), $inB($pair[1])], $compared->same),
            'differing' => array_map(
                fn (array $one): array => [
                    'a' => $inA($one[0]),
                    'b' => $inB($one[1]),
                    'by' => $one[2],
                    'changes' => array_map(SaidDifference::of(...), $one[3]),
                ],
                $compared->differing,
            ),
            'only_a' => array_map($inA, $compared->onlyA),
            'only_b' => array_map($inB, $compared->onlyB),
        ]));

        return 0;
    }

    /** @return list<string> the questions of any file that can be read, or of the output of read, each as JSON */
    private function questionsOf(string $file): array
    {
        [$path, $temporary] = $this->onDisk($file);
        try {
            $source = new Source($path, $file === '-' ? Message::of('commandLine.standard-input') : basename($file));
            $bytes = (string) file_get_contents($path, false, null, 0, 64);
            if (str_starts_with(ltrim($bytes), '{')) {
                return QuestionTexts::of((string) file_get_contents($path));
            }
            $things = Formats::standard($this->kinds, $this->converter)->for($source)->read($source);
            $questions = [];
            foreach ($things as $thing) {
                $question = $thing instanceof \stdClass && ($thing->type ?? '') === 'question' ? $thing->value : $thing;
                if ($question instanceof \stdClass && isset($question->parts)) {
                    $questions[] = Json::encode($question);
                }
            }

            return $questions;
        } finally {
            if ($temporary) {
                unlink($path);
            }
        }
    }

    private function check(Arguments $arguments): int
    {
        $file = $arguments->words[0] ?? '';
        [$path, $temporary] = $this->onDisk($file);
        try {
            $bytes = (string) file_get_contents($path, false, null, 0, 2);
            $questions = str_starts_with(ltrim($bytes), '{')
                ? $this->questionsOfJson($path)
                : PackageContents::collect(
                    (fn () => (yield from Formats::standard($this->kinds, $this->converter)
                        ->for($source = new Source($path, basename($file)))
                        ->read($source)))(),
                )->questions;
            $blocked = false;
            foreach ($questions as $json) {
                $question = Question::read($json, $this->kinds);
                $completeness = new Completeness;
                $findings = [...$completeness->findings($question), ...$completeness->failingSpecimens($question)];
                $blocked = $blocked || array_filter($findings, fn (Finding $finding): bool => $finding->isBlocking()) !== [];
                $this->streams->line(Json::encode(['question' => $question->id, 'title' => $question->title, 'findings' => $findings]));
            }

            return $blocked ? 1 : 0;
        } finally {
            if ($temporary) {
                unlink($path);
            }
        }
    }

    /** @return list<mixed> one question, or the output of read */
    private function questionsOfJson(string $path): array
    {
        return self::questions(Json::decode((string) file_get_contents($path)));
    }

    /** @return list<mixed> one question, or the output of read */
    private static function questions(mixed $json): array
    {
        return $json instanceof \stdClass && is_array($json->questions ?? null) ? array_values($json->questions) : [$json];
    }

    /** @return array{string, bool} a path, and whether it is a temporary copy of standard input */
    private function onDisk(string $file): array
    {
        if ($file !== '-') {
            return is_file($file) && is_readable($file) ? [$file, false] : throw UnreadableFile::notFound($file);
        }
        $path = (string) tempnam(sys_get_temp_dir(), 'quarry');
        file_put_contents($path, $this->streams->in);

        return [$path, true];
    }

    /** @return array<string, string> */
    private function medium(Medium $medium, ?string $folder): array
    {
        if ($folder === null) {
            return [...$medium->describe(), 'data' => base64_encode($medium->bytes)];
        }
        if (! is_dir($folder)) {
            mkdir($folder, 0o777, true);
        }
        file_put_contents("$folder/$medium->sha256", $medium->bytes);

        return $medium->describe();
    }

    /**
     * @param  callable(Medium): array<string, string>  $medium
     * @return array<string, mixed>
     */
    public static function describe(PackageContents $found, callable $medium): array
    {
        return [
            'questions' => $found->questions,
            'stimuli' => $found->stimuli,
            'groups' => $found->groups,
            'assessments' => $found->assessments,
            'media' => array_map($medium, $found->media),
            ...$found->tables === [] ? [] : ['mapping' => $found->tables[0]->mapping],
            'frameworks' => $found->frameworks,
            'notices' => $found->notices,
        ];
    }

    /** @param  array<string, mixed>  $problem */
    private function fail(array $problem): int
    {
        fwrite($this->streams->err, Json::encode($problem)."\n");

        return 1;
    }
}
