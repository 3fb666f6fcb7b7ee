<?php

declare(strict_types=1);

namespace StandIns\SendingDesk;

/**
 * An old system in small, on its way out. Its usual export is flat, as such exports are: every question of a quiz's pools in the quiz, in
 * a row, without titles and without draws (QTI 1.2.1). Beside it lies what it really has, so that a migration can be judged.
 */
final class Desk
{
    /** @return list<array{title: string, questions: int, pools: list<array{name: string, size: int, draw: int, points: float}>}> */
    public function quizzes(): array
    {
        $all = [];
        foreach (Quizzes::all() as $title => $pools) {
            $all[] = [
                'title' => $title,
                'questions' => array_sum(array_map(fn (array $pool): int => count($pool['items']), $pools)),
                'pools' => array_map(fn (array $pool): array => [
                    'name' => $pool['name'], 'size' => count($pool['items']), 'draw' => $pool['draw'], 'points' => $pool['points'],
                ], $pools),
            ];
        }

        return $all;
    }

    /** What it had, as a table (RFC 4180). */
    public function truth(): string
    {
        $lines = ["Quiz,Of,Draw,Pool size,Points each,Known\r\n"];
        foreach ($this->quizzes() as $quiz) {
            foreach ($quiz['pools'] as $pool) {
                $lines[] = "{$quiz['title']},{$pool['name']},{$pool['draw']},{$pool['size']},{$pool['points']},known\r\n";
            }
        }

        return implode('', $lines);
    }

    /** The flat package, or the one in which the draws still are. */
    public function export(bool $isFlat): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'old');
        $zip = new \ZipArchive;
        $zip->open($file, \ZipArchive::OVERWRITE);
        $resources = '';
        $at = 0;
        foreach (Quizzes::all() as $title => $pools) {
            $at++;
            $this->add($zip, "quiz$at.xml", $this->quiz($at, (string) $title, $pools, $isFlat));
            $resources .= "<resource identifier=\"r$at\" type=\"imsqti_xmlv1p2\" href=\"quiz$at.xml\"><file href=\"quiz$at.xml\"/></resource>";
        }
        $this->add($zip, 'imsmanifest.xml', '<?xml version="1.0" encoding="UTF-8"?><manifest identifier="old" '.
            'xmlns="http://www.imsglobal.org/xsd/imscp_v1p1"><organizations/><resources>'.$resources.'</resources></manifest>');
        $zip->close();
        $bytes = (string) file_get_contents($file);
        unlink($file);

        return $bytes;
    }

    private function add(\ZipArchive $zip, string $name, string $bytes): void
    {
        $zip->addFromString($name, $bytes);
        $zip->setMtimeName($name, 315532800);
    }

    /** @param  list<array{name: string, kind: string, draw: int, points: float, items: list<array{ask: string, options: list<string>, right: string, also: list<string>}>}>  $pools */
    private function quiz(int $at, string $title, array $pools, bool $isFlat): string
    {
        $body = '';
        $number = 0;
        foreach ($pools as $i => $pool) {
            $items = '';
            foreach ($pool['items'] as $item) {
                $items .= $this->item("q$at-".(++$number), $pool['kind'], $item, $isFlat ? 1.0 : $pool['points']);
            }
            $body .= $isFlat ? $items : "<section ident=\"s$i\" title=\"{$this->text($pool['name'])}\"><selection_ordering><selection>".
                "<selection_number>{$pool['draw']}</selection_number></selection></selection_ordering>$items</section>";
        }
        $body = $isFlat ? "<section ident=\"root\">$body</section>" : $body;

        return '<?xml version="1.0" encoding="UTF-8"?><questestinterop>'.
            "<assessment ident=\"quiz$at\" title=\"{$this->text($title)}\">$body</assessment></questestinterop>";
    }

    /** @param  array{ask: string, options: list<string>, right: string, also: list<string>}  $item */
    private function item(string $ident, string $kind, array $item, float $points): string
    {
        $ask = "<material><mattext texttype=\"text/plain\">{$this->text($item['ask'])}</mattext></material>";
        $right = fn (string $test): string => "<respcondition><conditionvar>$test</conditionvar><setvar action=\"Set\" ".
            "varname=\"SCORE\">$points</setvar></respcondition>";
        if ($kind === 'choice') {
            $labels = '';
            foreach ($item['options'] as $i => $option) {
                $labels .= '<response_label ident="'.chr(97 + $i)."\"><material><mattext>{$this->text($option)}</mattext></material></response_label>";
            }
            $key = chr(97 + (int) array_search($item['right'], $item['options'], true));
            $response = "<response_lid ident=\"r\" rcardinality=\"Single\"><render_choice>$labels</render_choice></response_lid>";
            $rules = $right("<varequal respident=\"r\">$key</varequal>");
        } else {
            $type = $kind === 'number' ? 'Decimal' : 'String';
            $response = '<response_'.($kind === 'number' ? 'num' : 'str').' ident="r" rcardinality="Single"><render_fib fibtype="'.$type.
                '"><response_label ident="a"/></render_fib></response_'.($kind === 'number' ? 'num' : 'str').'>';
            $rules = implode('', array_map(
                fn (string $answer): string => $right("<varequal respident=\"r\">{$this->text($answer)}</varequal>"),
                [$item['right'], ...$item['also']],
            ));
        }

        return "<item ident=\"$ident\" title=\"\"><presentation>$ask$response</presentation><resprocessing><outcomes><decvar ".
            "varname=\"SCORE\" vartype=\"Decimal\" minvalue=\"0\" maxvalue=\"$points\"/></outcomes>$rules</resprocessing></item>";
    }

    private function text(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1);
    }
}
