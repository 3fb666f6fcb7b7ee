<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** Rich text that has passed the allow-list, and what did not pass. */
final readonly class RichText
{
    /** Bytes of a text, and how many of them, that are remembered. */
    private const KEPT = 10_000;

    private const MOST = 100;

    /**
     * @param  list<Element|string>  $nodes
     * @param  list<DroppedContent>  $dropped
     */
    public function __construct(public array $nodes, public array $dropped = [])
    {
    }

    /** Reads any markup there is: well-formed or not, ours or a stranger's. Never fails; what cannot pass is reported. */
    public static function read(string $html): self
    {
        /** @var array<string, self> $lately what is asked about one question is asked of the same texts again and again */
        static $lately = [];
        if (isset($lately[$html])) {
            return $lately[$html];
        }
        $read = Reader::read($html);
        if (strlen($html) <= self::KEPT) {
            $lately = count($lately) < self::MOST ? $lately : [];
            $lately[$html] = $read;
        }

        return $read;
    }

    /** The canonical serialisation: the same text for the same tree, well-formed XML, attributes sorted, NFC. */
    public function html(): string
    {
        return Serialiser::html($this->nodes);
    }

    /** @param  bool  $spoken  with what is said in recordings, which is looked for and not shown */
    public function plain(bool $spoken = true): string
    {
        return PlainText::of($this->nodes, $spoken);
    }
}
