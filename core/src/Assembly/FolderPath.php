<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Where an assessment lies in its bank: names from the top down. */
final class FolderPath
{
    public const DEEPEST = 12;

    public const LONGEST = 200;

    /**
     * @return list<string> without what is blank around the names
     *
     * @throws Malformed
     */
    public static function read(Fields $fields, string $field): array
    {
        $path = [];
        foreach ($fields->list($field, self::DEEPEST) as $i => $name) {
            $name = is_string($name) ? trim($name) : throw Malformed::wrongType($fields->at("$field/$i"), 'text', $name);
            if ($name === '' || mb_strlen($name) > self::LONGEST || ! mb_check_encoding($name, 'UTF-8') || str_contains($name, "\0")) {
                $range = Message::of('assembly.folder-name', ['most' => self::LONGEST]);
                throw Malformed::outOfRange($fields->at("$field/$i"), $range, $name);
            }
            $path[] = $name;
        }

        return $path;
    }

    /**
     * @param  list<string>  $to  where a folder is to lie
     * @param  int  $below  how many levels of folders lie in it
     *
     * @throws Malformed when those would lie too deep
     */
    public static function allow(array $to, int $below, string $at): void
    {
        if (count($to) + $below > self::DEEPEST) {
            throw Malformed::outOfRange($at, Message::of('assembly.folder-depth', ['most' => self::DEEPEST]), implode(' › ', $to));
        }
    }
}
