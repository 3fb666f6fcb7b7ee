<?php

declare(strict_types=1);

namespace StandIns\ReceivingDesk;

/** A package as this desk sees it: items and tests by their elements, told by their names without hyphens. */
final class Package
{
    /** @var array<string, array{title: string, points: float, interactions: list<string>}> file → item */
    public array $items = [];

    /** @var list<array{title: string, sections: int, questions: int, draws: int, points: float}> */
    public array $tests = [];

    public string $version = '';

    public int $media = 0;

    /** @throws Refused */
    public static function open(string $file): self
    {
        $zip = new \ZipArchive;
        if ($zip->open($file, \ZipArchive::RDONLY) !== true) {
            throw new Refused('This is no ZIP package.');
        }
        $manifest = $zip->getFromName('imsmanifest.xml');
        if ($manifest === false) {
            throw new Refused('The package has no imsmanifest.xml.');
        }
        $self = new self();
        $tests = [];
        foreach (self::xml($manifest, 'imsmanifest.xml')->getElementsByTagName('resource') as $resource) {
            if (preg_match('/^imsqti_(item|test)_xmlv(\d)p(\d)$/', $resource->getAttribute('type'), $type) !== 1) {
                continue;
            }
            $self->version = "$type[2].$type[3]";
            if (! in_array($self->version, Desk::VERSIONS, true)) {
                throw new Refused("QTI $self->version is not taken here. Send ".implode(', ', Desk::VERSIONS).'.');
            }
            $href = $resource->getAttribute('href');
            $xml = $zip->getFromName($href);
            if ($xml === false) {
                throw new Refused("The manifest names $href, which is not in the package.");
            }
            if ($type[1] === 'item') {
                $self->items[$href] = self::item(self::xml($xml, $href));
            } else {
                $tests[$href] = self::xml($xml, $href);
            }
        }
        if ($self->version === '') {
            throw new Refused('The package holds no items of QTI '.implode(', ', Desk::VERSIONS).'.');
        }
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $self->media += preg_match('/\.(png|jpe?g|gif|svg|webp|mp3|mp4|ogg|wav|webm)$/i', (string) $zip->getNameIndex($i));
        }
        foreach ($tests as $href => $test) {
            $self->tests[] = $self->test($test, dirname($href));
        }

        return $self;
    }

    private static function xml(string $xml, string $name): \DOMElement
    {
        $document = new \DOMDocument;
        if (preg_match('/<!DOCTYPE|<!ENTITY/i', $xml) === 1 || ! @$document->loadXML($xml, LIBXML_NONET)) {
            throw new Refused("$name is no XML that is taken here.");
        }

        return $document->documentElement ?? throw new Refused("$name is empty.");
    }

    /** @return array{title: string, points: float, interactions: list<string>} */
    private static function item(\DOMElement $item): array
    {
        $points = null;
        $interactions = [];
        foreach ($item->getElementsByTagName('*') as $element) {
            $name = self::name($element);
            if ($name === 'outcomedeclaration' && in_array($element->getAttribute('identifier'), ['MAXSCORE', 'SCORE'], true)) {
                $said =
                    $element->getAttribute('identifier') === 'MAXSCORE'
                        ? trim($element->textContent)
                        : ($element->getAttribute('normalMaximum') ?:
                        $element->getAttribute('normal-maximum'));
                $points = is_numeric($said) ? (float) $said : $points;
            } elseif (str_ends_with($name, 'interaction')) {
                $interactions[] = substr($name, 0, -11);
            }
        }

        return ['title' => $item->getAttribute('title'), 'points' => $points ?? 1.0, 'interactions' => $interactions];
    }

    /** @return array{title: string, sections: int, questions: int, draws: int, points: float} */
    private function test(\DOMElement $test, string $folder): array
    {
        $sum = ['title' => $test->getAttribute('title'), 'sections' => 0, 'questions' => 0, 'draws' => 0, 'points' => 0.0];
        foreach ($test->getElementsByTagName('*') as $element) {
            if (self::name($element) === 'assessmentsection' && self::name($element->parentNode) !== 'assessmentsection') {
                [$questions, $points, $draws] = $this->section($element, $folder);
                $sum = [
                    ...$sum,
                    'sections' => $sum['sections'] + 1,
                    'questions' => $sum['questions'] + $questions,
                    'points' => $sum['points'] + $points,
                    'draws' => $sum['draws'] + $draws,
                ];
            }
        }

        return $sum;
    }

    /** @return array{int, float, int} questions that are asked, their points, and how many selections there are */
    private function section(\DOMElement $section, string $folder): array
    {
        $each = [];
        $select = null;
        $draws = 0;
        foreach ($section->childNodes as $child) {
            $name = $child instanceof \DOMElement ? self::name($child) : '';
            if ($name === 'selection') {
                $select = (int) $child->getAttribute('select');
                $draws++;
            } elseif ($name === 'assessmentitemref') {
                $each[] = [1, $this->worth($child, $folder), 0];
            } elseif ($name === 'assessmentsection') {
                $each[] = $this->section($child, $folder);
            }
        }
        $asked = $select === null ? $each : array_slice($each, 0, $select);

        return [
            (int) array_sum(array_column($asked, 0)),
            (float) array_sum(array_column($asked, 1)),
            $draws + (int) array_sum(array_column($each, 2)),
        ];
    }

    private function worth(\DOMElement $ref, string $folder): float
    {
        $path = [];
        foreach (explode('/', "$folder/".$ref->getAttribute('href')) as $step) {
            if ($step === '..') {
                array_pop($path);
            } elseif ($step !== '.') {
                $path[] = $step;
            }
        }
        $weight = 1.0;
        foreach ($ref->childNodes as $child) {
            $weight = $child instanceof \DOMElement && self::name($child) === 'weight' ? (float) $child->getAttribute('value') : $weight;
        }

        return $weight * ($this->items[implode('/', $path)]['points'] ?? 0);
    }

    private static function name(?\DOMNode $node): string
    {
        return $node instanceof \DOMElement ? strtolower(str_replace(['qti-', '-'], '', (string) $node->localName)) : '';
    }
}
