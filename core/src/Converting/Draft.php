<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

use WideQuarry\Question\Canonical;
use WideQuarry\Question\Question;

/** A question being changed: its JSON with a canonical text, and what gets lost on the way. */
final class Draft
{
    public \stdClass $json;

    /** @var list<string> */
    public array $losses = [];

    public function __construct(public readonly Question $question)
    {
        [$this->json] = Canonical::of($question->toJson());
    }

    public function lose(string $sentence): void
    {
        if (! in_array($sentence, $this->losses, true)) {
            $this->losses[] = $sentence;
        }
    }

    /** A part as its JSON stands. */
    public function part(string $id): \stdClass
    {
        foreach ($this->parts() as $part) {
            if ($part->id === $id) {
                return $part;
            }
        }
        throw new \LogicException("There is no part $id.");
    }

    /** @return list<\stdClass> */
    public function parts(): array
    {
        return is_array($this->json->parts) ? $this->json->parts : []; // @phpstan-ignore return.type
    }

    /** @param  list<\stdClass>  $with  what stands in its place in the list of parts */
    public function replace(string $id, array $with): void
    {
        $this->json->parts = array_merge(...array_map(fn (\stdClass $part): array => $part->id === $id ? $with : [$part], $this->parts()));
    }

    /**
     * Makes a part another kind, with settings of that kind; its key and points stay.
     *
     * @param  array<string, mixed>  $settings
     */
    public function become(\stdClass $part, string $kind, array $settings): void
    {
        $new = clone $part;
        $new->kind = $kind;
        $new->settings = (object) $settings;
        $this->replace(PartJson::text($part, 'id'), [$new]);
    }

    /** An identifier that no part has. */
    public function freshPart(string $avoid = ''): string
    {
        $taken = array_map(fn (\stdClass $part): mixed => $part->id, $this->parts());
        for ($n = 1; in_array("p$n", $taken, true) || "p$n" === $avoid; $n++);

        return "p$n";
    }

    /** @return list<string> gaps of a part in the order of the text */
    public function gaps(string $part): array
    {
        return (new \WideQuarry\Content\Gaps($this->body()))->of($part);
    }

    public function freshGap(string $part): string
    {
        $taken = $this->gaps($part);
        for ($n = 1; in_array("g$n", $taken, true); $n++);

        return "g$n";
    }

    public function body(): string
    {
        return is_string($this->json->body) ? $this->json->body : '';
    }

    /** A place of the text for another. */
    public function put(string $place, string $with): void
    {
        $body = $this->body();
        $at = strpos($body, $place);
        if ($at !== false) {
            $this->json->body = substr_replace($body, $with, $at, strlen($place));
        }
    }

    public function append(string $block): void
    {
        $this->json->body = $this->body().$block;
    }

    public static function blockPlace(string $part): string
    {
        return '<div data-part="'.self::escaped($part).'"></div>';
    }

    public static function inlinePlace(string $part): string
    {
        return '<span data-part="'.self::escaped($part).'"></span>';
    }

    public static function gapPlace(string $gap, string $part): string
    {
        return '<span data-gap="'.self::escaped($gap).'" data-of="'.self::escaped($part).'"></span>';
    }

    /**
     * Takes a place out of the line it stands in, and puts a block after that line; a line that has nothing else becomes the block.
     */
    public function outOfLine(string $place, string $block): void
    {
        $body = $this->body();
        $alone = "<p>$place</p>";
        if (str_contains($body, $alone)) {
            $this->put($alone, $block);

            return;
        }
        $at = strpos($body, $place);
        $end = $at === false ? false : strpos($body, '</p>', $at);
        if ($at !== false && $end !== false && ! str_contains(substr($body, $at, $end - $at), '<p')) {
            $body = substr_replace($body, "</p>$block", $end, 4);
            $this->json->body = substr_replace($body, '……', $at, strlen($place));

            return;
        }
        $this->put($place, '……');
        $this->append($block);
    }

    private static function escaped(string $id): string
    {
        return strtr($id, ['&' => '&amp;', '<' => '&lt;', '>' => '&gt;', '"' => '&quot;']);
    }
}
