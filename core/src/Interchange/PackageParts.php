<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;

/** The table of contents of a file, made before its questions are read. */
final readonly class PackageParts implements \JsonSerializable
{
    /**
     * @param  list<PackagePart>  $parts
     * @param  array<string, int>  $others  what else is in it and is not read, such as web pages → how many
     */
    public function __construct(public array $parts, public array $others = [])
    {
    }

    /** @param  mixed  $json  as jsonSerialize() wrote it */
    public static function read(mixed $json): self
    {
        $fields = Fields::of($json, '', ['parts', 'others']);
        $parts = $others = [];
        foreach ($fields->list('parts', PHP_INT_MAX) as $i => $one) {
            $part = Fields::of($one, "/parts/$i", ['id', 'kind', 'title', 'questions', 'path', 'needs']);
            $parts[] = new PackagePart(
                $part->string('id', '', PHP_INT_MAX),
                $part->oneOf('kind', PackagePart::KINDS, 'loose'),
                $part->string('title'),
                $part->int('questions', 0, 0, PHP_INT_MAX),
                $part->strings('path', 100),
                $part->strings('needs', PHP_INT_MAX, PHP_INT_MAX),
            );
        }
        foreach ($fields->list('others', PHP_INT_MAX) as $i => $one) {
            $other = Fields::of($one, "/others/$i", ['name', 'count']);
            $others[$other->string('name')] = $other->int('count', 0, 0, PHP_INT_MAX);
        }

        return new self($parts, $others);
    }

    public function with(self $more): self
    {
        return new self([...$this->parts, ...$more->parts], [...$this->others, ...$more->others]);
    }

    /** Whether there is anything to choose. */
    public function isDivided(): bool
    {
        return count($this->parts) > 1;
    }

    /**
     * These parts, and those whose questions they ask.
     *
     * @param  list<string>  $ids
     *
     * @throws UnreadableFile when there is no such part, or none is named
     */
    public function choose(array $ids): PartChoice
    {
        $parts = array_column($this->parts, null, 'id');
        if ($ids === []) {
            throw UnreadableFile::noPart();
        }
        $chosen = [];
        for ($i = 0; $i < count($ids); $i++) {
            $part = $parts[$ids[$i]] ?? null;
            if ($part === null) {
                throw UnreadableFile::unknownPart($ids[$i]);
            }
            if (! isset($chosen[$part->id])) {
                $chosen[$part->id] = true;
                array_push($ids, ...$part->needs);
            }
        }

        return PartChoice::of(array_map(strval(...), array_keys($chosen)));
    }

    /** What a choice leaves out, in words; null when it leaves nothing out. */
    public function leftOut(PartChoice $choice): ?Notice
    {
        $left = array_values(array_filter($this->parts, fn (PackagePart $part): bool => ! $choice->has($part->id)));

        return $left === [] ? null : Notice::note('package.parts', Message::of('interchange.parts-left-out', [
            'parts' => count($left),
            'questions' => array_sum(array_map(fn (PackagePart $part): int => $part->questions, $left)),
            'titles' => implode(', ', array_map(fn (PackagePart $part): string => $part->title, array_slice($left, 0, 5))),
            'more' => count($left) > 5 ? 'yes' : 'no',
        ]));
    }

    /** @return array{parts: list<PackagePart>, others: list<array{name: string, count: int}>} */
    public function jsonSerialize(): array
    {
        return [
            'parts' => $this->parts,
            'others' => array_map(
                fn (string $name, int $count): array => ['name' => $name, 'count' => $count],
                array_keys($this->others),
                $this->others,
            ),
        ];
    }
}
