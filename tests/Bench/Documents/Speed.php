<?php

declare(strict_types=1);

namespace Tests\Bench\Documents;

use App\Infrastructure\OfficePrograms;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\Typed\Recognition\Corrections;
use WideQuarry\Interchange\Typed\Sources\DocumentType;
use WideQuarry\Interchange\Typed\TypedReader;

/** How long a DOCX of 300 questions with 60 pictures and a text of 5,000 take, read first and read again with a correction. */
final class Speed
{
    /** @param  array<string, list<mixed>>  $pool */
    public static function print(array $pool): void
    {
        $docx = (string) tempnam(sys_get_temp_dir(), 'speed');
        $text = (string) tempnam(sys_get_temp_dir(), 'speed');
        [$html, $pictures] = self::exam($pool, 300, 60);
        file_put_contents($docx, (new OfficePrograms)->fromHtml($html, 'docx', $pictures));
        $plain = '';
        for ($i = 1; $i <= 5000; $i++) {
            $plain .= "$i. Question $i asks which rock it is?\nA. granite\nB. basalt\nC. slate\nAnswer: B\n\n";
        }
        file_put_contents($text, $plain);
        foreach ([
            'a DOCX of 300 questions with 60 pictures' => [$docx, new Corrections],
            'the same, read again with a correction of all' => [$docx, new Corrections(looks: ['bold' => 'key'])],
            'a text of 5,000 questions' => [$text, new Corrections],
        ] as $what => [$file, $corrections]) {
            $source = new Source($file, 'exam');
            $start = hrtime(true);
            $questions = 0;
            foreach ((new TypedReader(new OfficePrograms))->read($source, DocumentType::of($source) ?? DocumentType::Text, $corrections) as $thing) {
                $questions += $thing instanceof \stdClass && $thing->type === 'question' ? 1 : 0;
            }
            printf("%s: %d questions, %.2f s, %d MB\n", $what, $questions, (hrtime(true) - $start) / 1e9, memory_get_peak_usage() / 1e6);
        }
        unlink($docx);
        unlink($text);
    }

    /**
     * @param  array<string, list<mixed>>  $pool
     * @return array{string, array<string, string>}
     */
    private static function exam(array $pool, int $count, int $pictures): array
    {
        $html = '';
        $files = [];
        for ($i = 0; $i < $count; $i++) {
            /** @var array{string, list<string>, list<int>} $question */
            $question = $pool['choice'][$i % count($pool['choice'])];
            $picture = '';
            if ($i % intdiv($count, $pictures) === 0) {
                $image = imagecreatetruecolor(400, 300);
                for ($dot = 0; $dot < 4000; $dot++) {
                    imagesetpixel($image, random_int(0, 399), random_int(0, 299), random_int(0, 0xFFFFFF));
                }
                ob_start();
                imagepng($image);
                $files["picture-$i.png"] = (string) ob_get_clean();
                $picture = "<img src=\"picture-$i.png\" alt=\"a picture\"> ";
            }
            $html .= '<p>'.($i + 1).". $picture$question[0]</p>";
            foreach ($question[1] as $at => $option) {
                $option = chr(65 + $at).". $option";
                $html .= '<p>'.(in_array($at, $question[2], true) ? "<strong>$option</strong>" : $option).'</p>';
            }
        }

        return [$html, $files];
    }
}
