<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Assembly\Assessment;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Lom;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\QuestionMedia;

/** Writes a package of QTI 3.0, 2.2 or 2.1: an item per question, our own question beside it, media, a manifest. */
final class PackageWriter
{
    /** @var array<string, string> media id → path in the package */
    private array $files = [];

    /** @var array<string, string> stimuli that stand in items, id → rich text */
    private array $passages = [];

    /** @var array<string, \stdClass> the same in our JSON */
    private array $stimuli = [];

    public function __construct(private readonly PartKinds $kinds, private readonly Edition $edition)
    {
    }

    /** @return list<Notice> */
    public function write(PackageContents $content, string $file): array
    {
        $zip = new ZipWriter($file);
        $resources = '';
        $notices = [];
        $media = [];
        foreach ($content->media as $medium) {
            $this->files[$medium->id] = "media/$medium->sha256.".Medium::extension($medium->type);
            $media[$medium->id] = $medium;
        }
        foreach ($content->media as $medium) {
            $zip->add($this->files[$medium->id], $medium->bytes, ! str_starts_with($medium->type, 'image/p'));
        }
        foreach ($content->stimuli as $stimulus) {
            if ($this->edition->hasStimuli()) {
                $resources .= $this->stimulus($zip, $stimulus);
            } else {
                $this->keep($stimulus);
            }
        }
        $known = ! $this->edition->hasStimuli()
            ? []
            : array_map(fn (\stdClass $stimulus): string => is_string($stimulus->id) ? $stimulus->id : '', $content->stimuli);
        $items = [];
        foreach ($content->questions as $json) {
            $question = Question::read($json, $this->kinds);
            $items[$question->id] = $question;
            $resources .= $this->item($zip, $question, $media, $known, $notices);
        }
        foreach ($content->assessments as $json) {
            $resources .= $this->test($zip, Assessment::read($json, $this->kinds), $items, $media, $known, $notices);
        }
        $zip->add(
            'imsmanifest.xml',
            '<?xml version="1.0" encoding="UTF-8"?>'.
                "\n".
                $this->edition->manifest('MANIFEST-'.substr(hash('sha256', $resources), 0, 16), $resources).
                "\n",
        );
        $zip->close();

        return $notices;
    }

    /** A stimulus for a version without stimuli: the items contain its passage, our JSON beside them the whole of it. */
    private function keep(\stdClass $stimulus): void
    {
        $id = is_string($stimulus->id) ? $stimulus->id : '';
        $this->passages[$id] = is_string($stimulus->body) ? $stimulus->body : '';
        $this->stimuli[$id] = $stimulus;
    }

    /**
     * @param  array<string, Medium>  $media
     * @param  list<string>  $known  stimuli of the package
     * @param  list<Notice>  $notices
     */
    private function item(ZipWriter $zip, Question $question, array $media, array $known, array &$notices): string
    {
        $passages = array_values(array_intersect_key($this->passages, array_flip($question->stimuli)));
        $item = (new ItemWriter($this->files))->write($question, $known, $passages);
        array_push($notices, ...$item->notices);
        $path = "items/$question->id.xml";
        $used = array_values(array_intersect_key($media, array_flip($item->media)));
        $xml = $this->edition->lower($item->xml);
        if (str_contains($item->xml, '<qti-companion-materials-info>') && ! str_contains($xml, '<qti-companion-materials-info>')) {
            $sentence = Message::of('interchange.qti30.tools-of-version-3');
            $notices[] = Notice::loss('qti.tools', $sentence, null, null, $question->id);
        }
        $zip->add($path, $xml);
        $zip->add(
            "items/$question->id.wide-quarry.json",
            Json::encode([
                'sha256' => hash('sha256', $xml),
                'question' => $question->toJson(),
                'stimuli' => array_values(array_intersect_key($this->stimuli, array_flip($question->stimuli))),
                'media' => array_map(
                    fn (Medium $medium): array => [
                        'id' => $medium->id,
                        'type' => $medium->type,
                        'name' => $medium->name,
                        'file' => $this->files[$medium->id],
                    ],
                    $used,
                ),
            ])."\n",
        );

        return $this->resource(
            "Q-$question->id",
            $this->edition->type('item'),
            $path,
            Lom::write($question->title, self::record($question), $question->language),
            [$path, "items/$question->id.wide-quarry.json", ...array_map(fn (Medium $medium): string => $this->files[$medium->id], $used)],
            array_map(fn (string $id): string => "S-$id", array_values(array_intersect($question->stimuli, $known))),
        );
    }

    /**
     * A test, and an item for each question that it asks otherwise than its bank.
     *
     * @param  array<string, Question>  $items
     * @param  array<string, Medium>  $media
     * @param  list<string>  $known
     * @param  list<Notice>  $notices
     */
    private function test(ZipWriter $zip, Assessment $assessment, array $items, array $media, array $known, array &$notices): string
    {
        $resources = '';
        $asked = [];
        foreach ($assessment->picks() as $pick) {
            $question = $items[$pick->question] ?? null;
            if ($pick->variation !== null) {
                $json = $pick->variation->toJson();
                $json->id = Ids::of('variation', $assessment->id, $pick->id);
                $question = Question::read($json, $this->kinds);
                $resources .= $this->item($zip, $question, $media, $known, $notices);
            }
            if ($question !== null) {
                $asked[$pick->id] = ['href' => "items/$question->id.xml", 'question' => $question];
            }
        }
        foreach ($assessment->draws() as $draw) {
            foreach ($draw->pool as $id) {
                if (isset($items[$id])) {
                    $asked["draw $id"] = ['href' => "items/$id.xml", 'question' => $items[$id]];
                }
            }
        }
        [$xml, $said] = (new TestWriter($asked))->write($assessment);
        array_push($notices, ...$said);
        $path = "tests/$assessment->id.xml";
        $xml = $this->edition->lower($xml);
        $zip->add($path, $xml);
        $zip->add(
            "tests/$assessment->id.wide-quarry.json",
            Json::encode(['sha256' => hash('sha256', $xml), 'assessment' => $assessment->toJson()])."\n",
        );
        $needs = array_values(array_unique(array_map(fn (array $item): string => 'Q-'.$item['question']->id, $asked)));

        return $resources.
            $this->resource(
                "A-$assessment->id",
                $this->edition->type('test'),
                $path,
                Lom::write($assessment->title, new \stdClass()),
                [$path, "tests/$assessment->id.wide-quarry.json"],
                $needs,
            );
    }

    private function stimulus(ZipWriter $zip, \stdClass $stimulus): string
    {
        [$id, $title, $language, $body] = array_map(fn (mixed $value): string => is_string($value) ? $value : '', [
            $stimulus->id,
            $stimulus->title,
            $stimulus->language,
            $stimulus->body,
        ]);
        $path = "stimuli/$id.xml";
        $zip->add(
            $path,
            $this->edition->lower(
                '<?xml version="1.0" encoding="UTF-8"?>'.
                    "\n<qti-assessment-stimulus xmlns=\"".
                    Qti30Format::NAMESPACE.
                    "\" identifier=\"S-$id\" title=\"".
                    Xml::escape($title).
                    "\" xml:lang=\"$language\"><qti-stimulus-body>".
                    ItemWriter::content($body, $this->files).
                    "</qti-stimulus-body></qti-assessment-stimulus>\n",
            ),
        );

        $media = array_values(array_intersect_key($this->files, array_flip(QuestionMedia::in($body))));

        return $this->resource(
            "S-$id",
            $this->edition->type('stimulus'),
            $path,
            Lom::write($title, new \stdClass()),
            [$path, ...$media],
            [],
        );
    }

    /**
     * @param  list<string>  $files
     * @param  list<string>  $needs
     */
    private function resource(string $id, string $type, string $path, string $metadata, array $files, array $needs): string
    {
        return "<resource identifier=\"$id\" type=\"$type\" href=\"$path\">$metadata".
            implode('', array_map(fn (string $file): string => "<file href=\"$file\"/>", $files)).
            implode('', array_map(fn (string $need): string => "<dependency identifierref=\"$need\"/>", $needs)).
            '</resource>';
    }

    private static function record(Question $question): \stdClass
    {
        $record = $question->toJson()->record ?? null;

        return $record instanceof \stdClass ? $record : new \stdClass();
    }
}
