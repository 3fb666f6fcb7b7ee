<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Upload;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Which files may be handed in. */
final readonly class UploadSettings
{
    private const MOST_TYPES = 50;

    private const MEGABYTE = 1_000_000;

    private const TYPE = '~^[a-z]+/[a-z0-9.+*-]+$~D';

    /**
     * @param  list<string>  $types  media types (RFC 6838), or all of one kind as image/*; none: any file
     * @param  int  $size  bytes of one file, at most
     */
    private function __construct(public array $types, public int $size, public int $count)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['types', 'size', 'count']);
        $types = $fields->strings('types', self::MOST_TYPES);
        foreach ($types as $i => $type) {
            if (preg_match(self::TYPE, $type) !== 1) {
                throw Malformed::outOfRange("$path/types/$i", Message::of('parts.upload.a-media-type'), $type);
            }
        }

        return new self($types, $fields->int('size', 10 * self::MEGABYTE, 1, PHP_INT_MAX), $fields->int('count', 1, 1, 100));
    }

    public function takes(string $type): bool
    {
        [$kind] = explode('/', $type, 2);

        return $this->types === [] || array_intersect([$type, "$kind/*"], $this->types) !== [];
    }
}
