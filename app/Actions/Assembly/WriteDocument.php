<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Errors\Refused;
use App\Infrastructure\Sandbox;
use WideQuarry\Messages\Message;
use WideQuarry\Printing\EditableDocument;

/** Papers as documents that can still be changed: Pandoc with our reference document; what is drawn is made into pictures before. */
final readonly class WriteDocument
{
    /** Format → its media type. */
    public const FORMATS = [
        'docx' => 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
        'odt' => 'application/vnd.oasis.opendocument.text',
    ];

    private const MEMORY = 1_500_000_000; // bytes

    /** Drawings are made into pictures at three times the size they have on the screen. */
    private const SCALE = '3';

    /** @throws Refused */
    public function handle(string $body, string $language, string $format): string
    {
        [$html, $pictures] = self::apart(EditableDocument::of($body, $language, $this->drawn(...)));
        $reference = "reference.$format";
        $bytes = Sandbox::try(
            [...$pictures, 'given.html' => $html, $reference => (string) file_get_contents(resource_path("documents/$reference"))],
            [[
                'pandoc', '--from=html', "--to=$format", '--wrap=none', "--reference-doc={}/$reference", '--resource-path={}',
                '--metadata', "lang=$language", "--output={}/made.$format", '{}/given.html',
            ]],
            fn (string $folder): string => (string) file_get_contents("$folder/made.$format"),
            self::MEMORY,
        );

        return $bytes ?? throw Refused::because('print.failed', Message::of('app.actions.assembly.document-not-made'));
    }

    /**
     * Pictures in the document as files beside it, which Pandoc reads many times faster.
     *
     * @return array{string, array<string, string>} name → bytes
     */
    private static function apart(string $html): array
    {
        $files = [];
        $html = (string) preg_replace_callback(
            '~ src="data:image/(\w+)[^;"]*;base64,([^"]+)"~',
            function (array $found) use (&$files): string {
                $name = hash('xxh128', $found[2]).".$found[1]";
                $files[$name] = (string) base64_decode($found[2], true);

                return " src=\"$name\"";
            },
            $html,
        );

        return [$html, $files];
    }

    /**
     * @param  list<string>  $drawings  SVG
     * @return list<string|null> as data: addresses
     */
    private function drawn(array $drawings): array
    {
        $names = array_map(fn (int $i): string => "$i.svg", array_keys($drawings));
        $each = 'for file in "$0"/*.svg; do vips svgload "$file" "${file%.svg}.png" --scale '.self::SCALE.' || true; done';

        return Sandbox::try(
            array_combine($names, $drawings),
            [['sh', '-c', $each, '{}']],
            function (string $folder) use ($drawings): array {
                $pictures = [];
                foreach (array_keys($drawings) as $i) {
                    $png = is_file("$folder/$i.png") ? file_get_contents("$folder/$i.png") : false;
                    $pictures[] = $png === false ? null : 'data:image/png;base64,'.base64_encode($png);
                }

                return $pictures;
            },
            self::MEMORY,
        ) ?? array_fill(0, count($drawings), null);
    }
}
