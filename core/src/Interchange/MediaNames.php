<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Json\Json;

/** Keeps media apart that have one name and different bytes: the later one gets a name made of its bytes. */
final class MediaNames
{
    /** @var array<string, string> name → SHA-256 of what it stands for */
    private array $there = [];

    /** @param  iterable<string, string>  $there  names that are taken → SHA-256 of what they stand for */
    public function __construct(iterable $there = [])
    {
        foreach ($there as $name => $sha256) {
            $this->there["=$name"] = $sha256;
        }
    }

    /** The name a medium has here: its own, unless that stands for other bytes. From then on it is taken. */
    public function for(string $name, string $sha256): string
    {
        $free = ($this->there["=$name"] ?? $sha256) === $sha256 ? $name : 'm'.substr($sha256, 0, 31);
        $this->there["=$free"] = $sha256;

        return $free;
    }

    /**
     * Content in which media are called by their new names.
     *
     * @param  array<string, string>  $names  old → new
     */
    public static function in(\stdClass $content, array $names): \stdClass
    {
        $references = self::references($names);
        if ($references === []) {
            return $content;
        }
        $json = Json::decode(strtr(Json::encode($content), $references));
        assert($json instanceof \stdClass);

        return $json;
    }

    /**
     * How references to media read in the JSON of a content, old → new; those that keep their name are left out.
     *
     * @param  array<string, string>  $names  old → new
     * @return array<string, string>
     */
    public static function references(array $names): array
    {
        $references = [];
        foreach ($names as $old => $new) {
            if ((string) $old !== $new) {
                foreach (['data-media', 'data-captions'] as $attribute) {
                    $references[self::reference($attribute, (string) $old)] = self::reference($attribute, $new);
                }
            }
        }

        return $references;
    }

    /** As an attribute of rich text inside a JSON string. */
    private static function reference(string $attribute, string $name): string
    {
        return substr(Json::encode("$attribute=\"".strtr($name, ['&' => '&amp;', '<' => '&lt;', '>' => '&gt;', '"' => '&quot;']).'"'), 1, -1);
    }
}
