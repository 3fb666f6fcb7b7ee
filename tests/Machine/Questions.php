<?php

declare(strict_types=1);

namespace Tests\Machine;

/** Questions and files to send to an installation. */
final class Questions
{
    /** @return array<string, mixed> */
    public static function one(string $title = 'Slate'): array
    {
        $json = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/core/schema/examples/choice.json'), true)['valid'];

        return [...$json, 'id' => self::id(), 'title' => $title, 'record' => (object) []];
    }

    /** A version 7 UUID made now (RFC 9562). */
    public static function id(): string
    {
        $bytes = substr(pack('J', (int) (microtime(true) * 1000)), 2).random_bytes(10);
        $bytes[6] = chr((ord($bytes[6]) & 0x0F) | 0x70);
        $bytes[8] = chr((ord($bytes[8]) & 0x3F) | 0x80);

        return implode('-', sscanf(bin2hex($bytes), '%8s%4s%4s%4s%12s') ?? []);
    }

    /** A typed exam. */
    public static function exam(int $questions, string $word = 'rock'): string
    {
        return implode(
            "\n\n",
            array_map(
                fn (int $i): string => "$i. Which $word is number $i?\nA) slate\nB) granite\nC) chalk\nAnswer: B",
                range(1, $questions),
            ),
        );
    }

    /** A picture that no other number gives. */
    public static function picture(int $number, int $side = 12): string
    {
        $chance = new \Random\Randomizer(new \Random\Engine\Mt19937($number));
        $image = imagecreatetruecolor($side, $side);
        for ($at = 0; $at < $side * $side; $at++) {
            imagesetpixel($image, $at % $side, intdiv($at, $side), $chance->getInt(0, 0xFFFFFF));
        }
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }
}
