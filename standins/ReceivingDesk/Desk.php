<?php

declare(strict_types=1);

namespace StandIns\ReceivingDesk;

/**
 * Another system in small: it takes a package, keeps what it can hold, says what it cannot, and adds up what arrived. What it took is
 * kept in a folder.
 *
 * @phpstan-type Arrival array{id: string, name: string, at: string, refused: string|null, version: string, items: int, points: float, interactions: array<string, int>, left: list<array{title: string, why: string}>, tests: list<array{title: string, sections: int, questions: int, draws: int, points: float}>, media: int}
 */
final readonly class Desk
{
    public const VERSIONS = ['2.1', '2.2', '3.0'];

    public const MOST_ITEMS = 500;

    public const LARGEST = 50_000_000;

    /** Everything this desk can show. */
    public const INTERACTIONS = [
        'choice' => 'choices',
        'textentry' => 'typed answers',
        'extendedtext' => 'longer texts',
        'inlinechoice' => 'lists in a text',
        'match' => 'matching',
        'gapmatch' => 'gaps to fill',
        'order' => 'orders',
        'hottext' => 'words to pick',
        'slider' => 'sliders',
    ];

    public function __construct(private string $folder)
    {
    }

    /** @return Arrival */
    public function receive(string $file, string $name): array
    {
        $arrival = [
            'id' => bin2hex(random_bytes(8)),
            'name' => $name,
            'at' => gmdate('c'),
            'refused' => null,
            'version' => '',
            'items' => 0,
            'points' => 0.0,
            'interactions' => [],
            'left' => [],
            'tests' => [],
            'media' => 0,
        ];
        try {
            $arrival = [...$arrival, ...$this->taken($file)];
        } catch (Refused $problem) {
            $arrival['refused'] = $problem->getMessage();
        }
        if (! is_dir($this->folder)) {
            mkdir($this->folder, 0775, true);
        }
        file_put_contents("$this->folder/{$arrival['id']}.json", json_encode($arrival, JSON_THROW_ON_ERROR));

        return $arrival;
    }

    /** @return list<Arrival> the newest first */
    public function arrivals(): array
    {
        $all = array_map(
            fn (string $file): mixed => json_decode((string) file_get_contents($file), true, 32, JSON_THROW_ON_ERROR),
            glob("$this->folder/*.json") ?: [],
        );
        usort($all, fn (array $a, array $b): int => strcmp($b['at'].$b['id'], $a['at'].$a['id'])); // @phpstan-ignore argument.type

        return array_slice($all, 0, 50); // @phpstan-ignore return.type
    }

    /** @return array<string, mixed> */
    private function taken(string $file): array
    {
        if (filesize($file) > self::LARGEST) {
            throw new Refused('The package is larger than '.intdiv(self::LARGEST, 1_000_000).' MB.');
        }
        $package = Package::open($file);
        if (count($package->items) > self::MOST_ITEMS) {
            throw new Refused(
                'The package holds '.count($package->items).' items; this desk takes '.self::MOST_ITEMS.' at once.',
            );
        }
        $points = 0.0;
        $interactions = $left = [];
        foreach ($package->items as $item) {
            $points += $item['points'];
            foreach ($item['interactions'] as $interaction) {
                $interactions[$interaction] = ($interactions[$interaction] ?? 0) + 1;
                if (! isset(self::INTERACTIONS[$interaction])) {
                    $left[] = ['title' => $item['title'], 'why' => "cannot show \"$interaction\""];
                }
            }
        }
        ksort($interactions);

        return [
            'version' => $package->version,
            'items' => count($package->items),
            'points' => round($points, 4),
            'interactions' => $interactions,
            'left' => $left,
            'tests' => $package->tests,
            'media' => $package->media,
        ];
    }
}
