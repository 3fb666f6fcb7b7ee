<?php

declare(strict_types=1);

namespace App\Search;

use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Where the next page of a list begins: behind a row. */
final readonly class Cursor
{
    /**
     * @param  string  $at  the row's key in the order, as PostgreSQL writes it
     * @param  bool|null  $inTitle  by relevance: whether that row has the words in its title
     * @param  bool  $isBroad  whether many had the words when the list began; the order goes by it
     */
    public function __construct(public string $at, public string $id, public ?bool $inTitle, public bool $isBroad)
    {
    }

    /** @param  \stdClass  $row  with id, and at and in_title as QuestionSearch::page selects them */
    public static function after(\stdClass $row, bool $isBroad): self
    {
        assert(is_string($row->at) && is_string($row->id) && ($row->in_title === null || is_bool($row->in_title)));

        return new self($row->at, $row->id, $row->in_title, $isBroad);
    }

    /** @throws Malformed */
    public static function read(string $cursor): self
    {
        $read = json_decode((string) base64_decode(strtr($cursor, '-_', '+/'), true));

        return is_array($read) &&
            count($read) === 4 &&
            is_string($read[0]) &&
            is_string($read[1]) &&
            preg_match('/^[0-9a-f-]{36}$/D', $read[1]) === 1 &&
            ($read[2] === null || is_bool($read[2])) &&
            is_bool($read[3])
            ? new self($read[0], $read[1], $read[2], $read[3])
            : throw Malformed::outOfRange('/cursor', Message::of('app.search.cursor-list-gave'), $cursor);
    }

    public function __toString(): string
    {
        $json = json_encode([$this->at, $this->id, $this->inTitle, $this->isBroad], JSON_THROW_ON_ERROR);

        return rtrim(strtr(base64_encode($json), '+/', '-_'), '=');
    }
}
