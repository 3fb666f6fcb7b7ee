<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Cartridge;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\Section;
use WideQuarry\Interchange\CurriculumStandards;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Interchange\SettingsLost;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * Writes a Common Cartridge 1.3: one question bank of what stands in no test, an assessment for every test, media, our own beside each
 * document.
 */
final class CartridgeWriter
{
    private const BANK = 'imsqti_xmlv1p2/imscc_xmlv1p3/question-bank';

    private const ASSESSMENT = 'imsqti_xmlv1p2/imscc_xmlv1p3/assessment';

    /** @var array<string, string> media id → path in the cartridge */
    private array $files = [];

    /** @var array<string, string> stimulus → rich text */
    private array $passages = [];

    /** @var list<Notice> */
    private array $notices = [];

    private string $resources = '';

    private string $outline = '';

    public function __construct(private readonly PartKinds $kinds)
    {
    }

    /** @return list<Notice> */
    public function write(PackageContents $content, string $file): array
    {
        $zip = new ZipWriter($file);
        foreach ($content->media as $medium) {
            $path = "web_resources/media/$medium->sha256.".Medium::extension($medium->type);
            $this->files[$medium->id] = substr($path, strlen('web_resources/'));
            $zip->add($path, $medium->bytes, ! str_starts_with($medium->type, 'image/p'));
            $this->resources .=
                '<resource identifier="M-'.
                substr($medium->sha256, 0, 24).
                "\" type=\"webcontent\" href=\"$path\"><file href=\"$path\"/></resource>";
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
            $asked += $this->test($zip, Assessment::read($json, $this->kinds), $questions, $content);
        }
        $this->bank($zip, array_diff_key($questions, $asked), $content);
        $title = Xml::escape(
            $content->assessments !== [] && is_string($content->assessments[0]->title) ? $content->assessments[0]->title : 'Questions',
        );
        $zip->add(
            'imsmanifest.xml',
            '<?xml version="1.0" encoding="UTF-8"?>'.
                "\n".
                '<manifest identifier="MANIFEST-'.
                substr(hash('sha256', $this->resources), 0, 16).
                '" xmlns="http://www.imsglobal.org/xsd/imsccv1p3/imscp_v1p1" xmlns:lomimscc="http://ltsc.ieee.org/xsd/imsccv1p3/LOM/manifest">'.
                    '<metadata><schema>IMS Common Cartridge</schema><schemaversion>1.3.0</schemaversion>'.
                "<lomimscc:lom><lomimscc:general><lomimscc:title><lomimscc:string>$title</lomimscc:string></lomimscc:title>".
                    '</lomimscc:general></lomimscc:lom></metadata>'.
                '<organizations><organization identifier="ORG" structure="rooted-hierarchy">'.
                    "<item identifier=\"ROOT\">$this->outline</item></organization></organizations>".
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
        $items = implode(
            '',
            array_map(fn (Question $question): string => $this->item($question, "Q-$question->id", $question->points()), $questions),
        );
        $this->document(
            $zip,
            'questions',
            '<objectbank ident="B-'.substr(hash('sha256', $items), 0, 16)."\">$items</objectbank>",
            self::BANK,
            $questions,
            null,
            $content,
        );
    }

    /** Sections, or instructions above them: a cartridge has one section without. */
    private static function hasMoreThanOneSection(Assessment $assessment): bool
    {
        $instructed = array_filter($assessment->sections, fn (Section $section): bool => $section->instructions !== '');

        return count($assessment->sections) > 1 || $instructed !== [] || $assessment->instructions !== '';
    }

    /**
     * @param  array<string, Question>  $questions
     * @return array<string, Question> those that stand in it
     */
    private function test(ZipWriter $zip, Assessment $assessment, array $questions, PackageContents $content): array
    {
        $items = '';
        $asked = [];
        array_push($this->notices, ...SettingsLost::of($assessment, []));
        foreach ($assessment->sections as $section) {
            foreach ($section->entries as $entry) {
                if ($entry instanceof Draw) {
                    $sentence = Message::of('interchange.cartridge.cartridge-cannot-draw-all', ['title' => $entry->title]);
                    $this->notices[] = Notice::loss('cc.draw', $sentence);
                }
                foreach ($entry instanceof Pick ? [$entry->question] : $entry->pool as $id) {
                    $question = ($entry instanceof Pick ? $entry->variation : null) ?? $questions[$id] ?? null;
                    if ($question === null) {
                        $sentence = Message::of('interchange.cartridge.question-test-not-in-bank');
                        $this->notices[] = Notice::loss('cc.test_question', $sentence);

                        continue;
                    }
                    $name = isset($asked[$id]) ? "Q-$id-".substr(Ids::of($entry->id), 0, 8) : "Q-$id";
                    $items .= $this->item($question, $name, $entry->points($question->points()));
                    if (isset($questions[$id])) {
                        $asked[$id] = $questions[$id];
                    }
                }
            }
        }
        if (self::hasMoreThanOneSection($assessment)) {
            $this->notices[] = Notice::loss('cc.sections', Message::of('interchange.cartridge.test-cartridge-one-section'));
        }
        $fields =
            ProfileWriter::field('cc_profile', 'cc.exam.v0p1').
            ProfileWriter::field('qmd_assessmenttype', 'Examination').
            ProfileWriter::field('qmd_scoretype', 'Percentage').
            ($assessment->timeLimit === null
                ? ''
                : ProfileWriter::field('qmd_timelimit', (string) (int) ceil($assessment->timeLimit / 60)));
        $this->document(
            $zip,
            "test-$assessment->id",
            "<assessment ident=\"A-$assessment->id\" title=\"".
                Xml::escape($assessment->title).
                "\"><qtimetadata>$fields</qtimetadata><section ident=\"root_section\">$items</section></assessment>",
            self::ASSESSMENT,
            $asked,
            $assessment,
            $content,
        );

        return $asked;
    }

    /**
     * The standards of all questions of a resource, as its metadata: a cartridge has no place for those of single ones.
     *
     * @param  array<string, Question>  $questions
     */
    private function standards(array $questions): string
    {
        $all = [];
        foreach ($questions as $question) {
            foreach ($question->record->classification->standards as $one) {
                $all[$one->statement ?? ''] = $one->toJson();
            }
        }
        ksort($all);
        $metadata = CurriculumStandards::write(array_values($all));

        return $metadata === '' ? '' : "<metadata>$metadata</metadata>";
    }

    private function item(Question $question, string $ident, BigRational $weight): string
    {
        $writer = new ProfileWriter($this->files);
        $passages = array_values(array_intersect_key($this->passages, array_flip($question->stimuli)));
        $xml = $writer->write($question, $ident, $weight, $passages);
        array_push($this->notices, ...$writer->notices());
        if ($passages !== []) {
            $this->notices[] = Notice::loss(
                'cc.stimulus_inside',
                Message::of('interchange.cartridge.stimuli-repeated-every-question'),
                null,
                null,
                $question->id,
            );
        }

        return $xml;
    }

    /** @param  array<string, Question>  $questions */
    private function document(
        ZipWriter $zip,
        string $name,
        string $inside,
        string $type,
        array $questions,
        ?Assessment $assessment,
        PackageContents $content,
    ): void {
        $path = "$name/$name.xml";
        $xml =
            '<?xml version="1.0" encoding="UTF-8"?>'.
            "\n<questestinterop xmlns=\"http://www.imsglobal.org/xsd/ims_qtiasiv1p2\">$inside</questestinterop>\n";
        $zip->add($path, $xml);
        $zip->add(
            "$name/$name.wide-quarry.jsonl",
            Json::encode([
                'sha256' => hash('sha256', $xml),
                ...$assessment === null ? [] : ['assessment' => $assessment->toJson()],
                'stimuli' => $content->stimuli,
                'media' => array_map(
                    fn (Medium $medium): array => [
                        'id' => $medium->id,
                        'type' => $medium->type,
                        'name' => $medium->name,
                        'file' => 'web_resources/'.$this->files[$medium->id],
                    ],
                    $content->media,
                ),
            ]).
                "\n".
                implode('', array_map(fn (Question $question): string => Json::encode($question->toJson())."\n", $questions)),
        );
        $id = substr(Ids::of('cartridge', $name), 0, 13);
        $needs = implode(
            '',
            array_map(
                fn (Medium $medium): string => str_contains($xml, $this->files[$medium->id])
                    ? '<dependency identifierref="M-'.substr($medium->sha256, 0, 24).'"/>'
                    : '',
                $content->media,
            ),
        );
        $this->resources .= "<resource identifier=\"R-$id\" type=\"$type\">{$this->standards($questions)}".
            "<file href=\"$path\"/>$needs</resource>".
            "<resource identifier=\"E-$id\" type=\"associatedcontent/imscc_xmlv1p3/learning-application-resource\" href=\"$name/$name.wide-quarry.jsonl\">".
            "<file href=\"$name/$name.wide-quarry.jsonl\"/></resource>";
        if ($assessment !== null) {
            $this->outline .=
                "<item identifier=\"I-$id\" identifierref=\"R-$id\"><title>".Xml::escape($assessment->title).'</title></item>';
        }
    }
}
