<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

/** Where a part stands in the text, before and after it became another kind. */
final class PartPlaces
{
    /** The part that a place is of; null for a gap. */
    public static function of(string $place): ?string
    {
        return preg_match('/ data-part="([^"]*)"/', $place, $m) === 1 ? html_entity_decode($m[1], ENT_QUOTES | ENT_XML1) : null;
    }

    public static function find(Draft $draft, string $part): string
    {
        foreach ([Draft::inlinePlace($part), Draft::blockPlace($part)] as $place) {
            if (str_contains($draft->body(), $place)) {
                return $place;
            }
        }
        $draft->append(Draft::blockPlace($part)); // it had lost its place

        return Draft::blockPlace($part);
    }

    /** Puts a part where a place stands, inside the line or below it, and into the list of parts beside the one it comes from. */
    public static function settle(Draft $draft, string $place, \stdClass $old, \stdClass $part, bool $inline): void
    {
        $id = is_string($part->id) ? $part->id : '';
        $wasBlock = str_starts_with($place, '<div');
        if ($inline) {
            $draft->put($place, $wasBlock ? '<p>'.Draft::inlinePlace($id).'</p>' : Draft::inlinePlace($id));
        } elseif ($wasBlock) {
            $draft->put($place, Draft::blockPlace($id));
        } else {
            $draft->outOfLine($place, Draft::blockPlace($id));
        }
        $oldId = is_string($old->id) ? $old->id : '';
        $draft->replace($oldId, self::of($place) === null ? [$part, $draft->part($oldId)] : [$part]);
    }
}
