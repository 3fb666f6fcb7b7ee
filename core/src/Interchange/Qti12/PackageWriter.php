<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Lom;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * Writes a package of QTI 1.2.1: a document with everything that stands in no test, a document for every test with its items in it, our
 * own questions and tests beside each document, media, a manifest.
 */
final class PackageWriter
{
    private const TYPE = 'imsqti_xmlv1p2p1';

    /** @var array<string, string> media id → path in the package */
    private array $files = [];

    /** @var array<string, string> stimulus → rich text */
    private array $passages = [];

    /** @var list<Notice> */
    private array $notices = [];

    private string $resources = '';

    public function __construct(private readonly PartKinds $kinds)
    {
    }

    /** @return list<Notice> */
    public function write(PackageContents $content, string $file): array
    {
        $zip = new ZipWriter($file);
        foreach ($content->media as $medium) {
            $this->files[$medium->id] = "media/$medium->sha256.".Medium::extension($medium->type);
            $zip->add($this->files[$medium->id], $medium->bytes, ! str_starts_with($medium->type, 'image/p'));
        }
        foreach ($content->stimuli as $stimulus) {
            $this->passages[is_string($stimulus->id) ? $stimulus->id : ''] = is_string($stimulus->body) ? $stimulus->body : '';
        }
        $questions = [];
        foreach ($content->questions as $json) {
            $question = Question::read($json, $this->kinds);
            $questions[$question->id] = $question;
        }
        $asked = [];
        foreach ($content->assessments as $json) {
            $assessment = Assessment::read($json, $this->kinds);
            $asked += array_flip($this->test($zip, $assessment, $questions, $content));
        }
        $this->bank($zip, array_diff_key($questions, $asked), $content);
        $zip->add(
            'imsmanifest.xml',
            '<?xml version="1.0" encoding="UTF-8"?>'.
                "\n".
                '<manifest xmlns="http://www.imsglobal.org/xsd/imscp_v1p1" identifier="MANIFEST-'.
                substr(hash('sha256', $this->resources), 0, 16).
                '"><metadata><schema>IMS Content</schema><schemaversion>1.1.3</schemaversion></metadata><organizations/>'.
                    "<resources>$this->resources</resources></manifest>\n",
        );
        $zip->close();

        return $this->notices;
    }

    /** @param  array<string, Question>  $questions */
    private function bank(ZipWriter $zip, array $questions, PackageContents $content): void
    {
        if ($questions === []) {
            return;
        }
        $items = implode('', array_map(fn (Question $question): string => $this->item($question, "Q-$question->id"), $questions));
        $this->document(
            $zip,
            'questions',
            '<objectbank ident="B-'.substr(hash('sha256', $items), 0, 16)."\">$items</objectbank>",
            '',
            $questions,
            null,
            $content,
        );
    }

    /**
     * @param  array<string, Question>  $questions
     * @return list<string> questions that stand in it
     */
    private function test(ZipWriter $zip, Assessment $assessment, array $questions, PackageContents $content): array
    {
        $writer = new TestWriter(
            $questions,
            fn (Question $question, string $ident): string => $this->item($question, $ident),
            fn (string $html): string => $this->told($html),
        );
        $xml = $writer->write($assessment, $this->kinds);
        array_push($this->notices, ...$writer->notices);
        $this->document($zip, "test-$assessment->id", $xml, $assessment->title, $writer->asked, $assessment, $content);

        return array_map(strval(...), array_keys($writer->asked));
    }

    private function item(Question $question, string $ident): string
    {
        $writer = new ItemWriter($this->files);
        $xml = $writer->write($question, $ident, array_values(array_intersect_key($this->passages, array_flip($question->stimuli))));
        array_push($this->notices, ...$writer->notices());
        if (array_intersect_key($this->passages, array_flip($question->stimuli)) !== []) {
            $this->notices[] = Notice::loss(
                'qti12.stimulus_inside',
                Message::of('interchange.qti12.stimuli-repeated-every-item'),
                null,
                null,
                $question->id,
            );
        }

        return $xml;
    }

    private function told(string $html): string
    {
        return '<material><mattext texttype="text/html">'.Xml::escape($html).'</mattext></material>';
    }

    /**
     * @param  array<string, Question>  $questions
     */
    private function document(
        ZipWriter $zip,
        string $name,
        string $inside,
        string $title,
        array $questions,
        ?Assessment $assessment,
        PackageContents $content,
    ): void {
        $xml =
            '<?xml version="1.0" encoding="UTF-8"?>'.
            "\n<questestinterop xmlns=\"http://www.imsglobal.org/xsd/ims_qtiasiv1p2\">$inside</questestinterop>\n";
        $zip->add("$name.xml", $xml);
        $lines =
            Json::encode([
                'sha256' => hash('sha256', $xml),
                ...$assessment === null ? [] : ['assessment' => $assessment->toJson()],
                'stimuli' => $content->stimuli,
                'media' => array_map(
                    fn (Medium $medium): array => [
                        'id' => $medium->id,
                        'type' => $medium->type,
                        'name' => $medium->name,
                        'file' => $this->files[$medium->id],
                    ],
                    $content->media,
                ),
            ]).
            "\n".
            implode('', array_map(fn (Question $question): string => Json::encode($question->toJson())."\n", $questions));
        $zip->add("$name.wide-quarry.jsonl", $lines);
        $used = implode(
            '',
            array_map(fn (string $file): string => str_contains($xml, $file) ? "<file href=\"$file\"/>" : '', $this->files),
        );
        $this->resources .=
            '<resource identifier="R-'.
            substr(Ids::of('resource', $name), 0, 13).
            '" type="'.
            self::TYPE.
            "\" href=\"$name.xml\">".
            Lom::write($title, new \stdClass()).
            "<file href=\"$name.xml\"/><file href=\"$name.wide-quarry.jsonl\"/>$used</resource>";
    }
}
