<?php

declare(strict_types=1);

namespace Database\Seeders;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Json;

/** Questions that are in no bank of the demo, to be brought in from files: database/samples.json has them in few words. */
final class Samples
{
    /** @param  list<string>  $topics */
    public static function of(array $topics): PackageContents
    {
        $all = json_decode((string) file_get_contents(database_path('samples.json')), true, 16, JSON_THROW_ON_ERROR);
        $found = new PackageContents;
        foreach ($topics as $topic) {
            foreach (is_array($all) && is_array($all[$topic] ?? null) ? $all[$topic] : [] as $i => $said) {
                $found->questions[] = self::question($topic, (int) $i, is_array($said) ? array_values($said) : []);
            }
        }

        return $found;
    }

    /**
     * With a test of them: some asked one by one, the others drawn from a pool for each topic.
     *
     * @param  list<string>  $topics
     */
    public static function withTest(string $title, array $topics, int $draw, int|float $points): PackageContents
    {
        $found = self::of($topics);
        $by = [];
        foreach ($found->questions as $question) {
            /** @var object{id: string, record: \stdClass}&\stdClass $question */
            /** @var list<list<string>> $paths */
            $paths = $question->record->topics ?? [];
            $by[$paths[0][0] ?? ''][] = $question->id;
        }
        $test = Assessment::fresh(Ids::of('sample test', $title), $title);
        $test->language = 'en-GB';
        $test->instructions = '<p>Answer in your own words where you can.</p>';
        $test->time_limit = 2400;
        $test->sections = [];
        foreach ($by as $topic => $ids) {
            $picks = array_map(
                fn (string $id, int $i): \stdClass => (object) ['id' => 'p'.count($test->sections).'-'.($i + 1), 'question' => $id],
                array_slice($ids, 0, 2),
                [0, 1],
            );
            $test->sections[] = (object) [
                'id' => 's'.(count($test->sections) + 1),
                'title' => $topic,
                'entries' => [
                    ...$picks,
                    (object) [
                        'id' => 'd'.(count($test->sections) + 1),
                        'title' => "$topic, drawn",
                        'draw' => $draw,
                        'pool' => array_slice($ids, 2),
                        'points' => $points,
                    ],
                ],
            ];
        }
        $found->assessments = [Json::object(Json::encode($test))];

        return $found;
    }

    /** @param  list<mixed>  $said  kind, title, stem, and what belongs to the kind */
    private static function question(string $topic, int $i, array $said): \stdClass
    {
        [$kind, $title, $stem] = array_map(fn (mixed $one): string => is_string($one) ? $one : '', array_slice($said, 0, 3));
        $more = array_slice($said, 3);
        $inline = in_array($kind, ['text', 'number'], true);
        $json = (object) [
            'format' => 'wide-quarry/question',
            'version' => 1,
            'id' => Ids::of('sample', $topic, "$i"),
            'title' => $title,
            'language' => 'en-GB',
            'body' => '<p>'.
                htmlspecialchars($stem, ENT_NOQUOTES).
                ($inline ? ' <span data-part="p1"></span></p>' : '</p><div data-part="p1"></div>'),
            'parts' => [['id' => 'p1', ...self::part($kind, $more)]],
            'record' => ['topics' => [[$topic]], 'difficulty' => ($i % 4) + 1, 'status' => 'draft', 'tags' => ['sample']],
        ];
        $json = Json::object(Json::encode($json));

        return $json;
    }

    /**
     * @param  list<mixed>  $more
     * @return array<string, mixed>
     */
    private static function part(string $kind, array $more): array
    {
        $first = $more[0] ?? null;
        $list = is_array($first) ? array_values($first) : [];
        $words = array_map(fn (mixed $one): string => is_string($one) ? ltrim($one, '*') : '', $list);
        $right = array_keys(array_filter($list, fn (mixed $one): bool => is_string($one) && str_starts_with($one, '*')));
        $options = array_map(
            fn (string $word, int $n): array => ['id' => chr(97 + $n), 'html' => "<p>$word</p>"],
            $words,
            array_keys($words),
        );

        return match ($kind) {
            'one', 'several' => [
                'kind' => 'choice',
                'points' => $kind === 'one' ? 1 : 2,
                'settings' => ['options' => $options, 'max' => $kind === 'one' ? 1 : null, 'shuffle' => true],
                'key' => [
                    'rules' => array_map(
                        fn (int $n, int $r): array => ['id' => 'r'.($r + 1), 'on' => chr(97 + $n), 'credit' => '1'],
                        $right,
                        array_keys($right),
                    ),
                ],
                'scoring' => ['scheme' => $kind === 'one' ? 'weights' : 'all'],
            ],
            'true' => [
                'kind' => 'choice',
                'points' => 1,
                'settings' => [
                    'options' => [['id' => 't', 'html' => '<p>True</p>'], ['id' => 'f', 'html' => '<p>False</p>']],
                    'max' => 1,
                ],
                'key' => ['rules' => [['id' => 'r1', 'on' => $first === true ? 't' : 'f', 'credit' => '1']]],
            ],
            'text' => [
                'kind' => 'text',
                'points' => 1,
                'key' => ['rules' => [['id' => 'r1', 'on' => ['answer' => 'is', 'text' => $words], 'credit' => '1']]],
            ],
            'number' => [
                'kind' => 'number',
                'points' => 2,
                'key' => [
                    'rules' => [
                        [
                            'id' => 'r1',
                            'on' => [
                                'answer' => 'value',
                                'value' => is_string($first) ? $first : '0',
                                ...($more[1] ?? '0') === '0' ? [] : ['tolerance' => ['kind' => 'absolute', 'width' => $more[1]]],
                            ],
                            'credit' => '1',
                        ],
                    ],
                ],
            ],
            'match' => [
                'kind' => 'match',
                'points' => 3,
                'settings' => [
                    'left' => array_map(
                        fn (mixed $pair, int $n): array => ['id' => "l$n", 'html' => is_array($pair) ? $pair[0] : ''],
                        $list,
                        array_keys($list),
                    ),
                    'right' => array_map(
                        fn (mixed $pair, int $n): array => ['id' => "r$n", 'html' => is_array($pair) ? $pair[1] : '', 'uses' => null],
                        $list,
                        array_keys($list),
                    ),
                ],
                'key' => [
                    'rules' => array_map(
                        fn (int $n): array => ['id' => "k$n", 'on' => ["l$n", "r$n"], 'credit' => '1'],
                        array_keys($list),
                    ),
                ],
                'scoring' => ['scheme' => 'each', 'cost' => '0'],
            ],
            default => [
                'kind' => 'order',
                'points' => 2,
                'settings' => ['items' => $options],
                'key' => [
                    'rules' => [['id' => 'r1', 'on' => array_map(fn (array $item): array => [$item['id']], $options), 'credit' => '1']],
                ],
                'scoring' => ['scheme' => 'all'],
            ],
        };
    }
}
