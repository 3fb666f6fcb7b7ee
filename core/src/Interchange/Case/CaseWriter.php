<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Case;

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Standards\Association;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\NameUuid;
use WideQuarry\Standards\Statement;

/**
 * Writes CFPackages of CASE 1.1. The same framework gives the same bytes: what CASE requires and we do not keep (dates of change,
 * identifiers of associations) is made from what is there.
 */
final class CaseWriter
{
    private const CHANGED = '2026-01-01T00:00:00+00:00';

    /** @return list<Notice> */
    public function write(PackageContents $content, string $file): array
    {
        $packages = [];
        foreach ($content->frameworks as $i => $json) {
            try {
                $packages[] = $this->package(Framework::read($json));
            } catch (Malformed $problem) {
                throw $problem->under("/frameworks/$i");
            }
        }
        file_put_contents($file, Json::pretty(count($packages) === 1 ? $packages[0] : ['CFPackages' => $packages])."\n");

        return $content->questions === [] && $content->assessments === []
            ? []
            : [Notice::loss('case.questions', Message::of('interchange.case.no-questions'))];
    }

    /** @return array<string, mixed> a CFPackage */
    public function package(Framework $framework): array
    {
        $items = $associations = $below = [];
        foreach ($framework->statements as $statement) {
            $items[] = $this->item($statement, $framework);
            $parent = $statement->parent ?? $framework->id;
            $below[$parent] = ($below[$parent] ?? 0) + 1;
            $associations[] = $this->association(
                new Association($statement->id, $parent, AssociationType::CHILD),
                $framework,
                $below[$parent],
            );
        }
        foreach ($framework->associations as $association) {
            $associations[] = $this->association($association, $framework);
        }

        return ['CFDocument' => $this->document($framework), 'CFItems' => $items, 'CFAssociations' => $associations];
    }

    /** @return array<string, mixed> */
    private function document(Framework $framework): array
    {
        /** @var array<string, mixed> $kept */
        $kept = get_object_vars($framework->kept ?? new \stdClass);

        return [
            'identifier' => $framework->id,
            'uri' => self::uri($framework->id),
            'creator' => $framework->publisher === '' ? $framework->title : $framework->publisher,
            'title' => $framework->title,
            'lastChangeDateTime' => self::CHANGED,
            'CFPackageURI' => self::link($framework->id, $framework->title),
            ...array_filter([
                'version' => $framework->version,
                'publisher' => $framework->publisher,
                'language' => $framework->language === Fields::UNKNOWN_LANGUAGE ? '' : $framework->language,
                'notes' => $framework->notes,
            ]),
            ...$kept,
        ];
    }

    /** @return array<string, mixed> */
    private function item(Statement $statement, Framework $framework): array
    {
        /** @var array<string, mixed> $kept */
        $kept = get_object_vars($statement->kept ?? new \stdClass);
        if (! $statement->retired) {
            unset($kept['statusEndDate']);
        }

        return [
            'identifier' => $statement->id,
            'uri' => self::uri($statement->id),
            'fullStatement' => $statement->text,
            'lastChangeDateTime' => self::CHANGED,
            'CFDocumentURI' => self::link($framework->id, $framework->title),
            ...array_filter([
                'humanCodingScheme' => $statement->code,
                'abbreviatedStatement' => $statement->title,
                'CFItemType' => $statement->level,
                'notes' => $statement->notes,
            ]),
            ...$statement->retired && ! isset($kept['statusEndDate']) ? ['statusEndDate' => substr(self::CHANGED, 0, 10)] : [],
            ...$kept,
        ];
    }

    /** @return array<string, mixed> */
    private function association(Association $association, Framework $framework, ?int $sequence = null): array
    {
        $id = NameUuid::of($framework->id, "$association->from $association->kind $association->to");
        $node = fn (string $end): array => self::link($end, $end);

        return [
            'identifier' => $id,
            'uri' => self::uri($id),
            'associationType' => AssociationType::type($association->kind),
            'originNodeURI' => $node($association->from),
            'destinationNodeURI' => $node($association->to),
            ...$sequence === null ? [] : ['sequenceNumber' => $sequence],
            'lastChangeDateTime' => self::CHANGED,
            'CFDocumentURI' => self::link($framework->id, $framework->title),
        ];
    }

    /** @return array{title: string, identifier: string, uri: string} */
    private static function link(string $id, string $title): array
    {
        return ['title' => $title, 'identifier' => $id, 'uri' => self::uri($id)];
    }

    /** A name that needs no host: nothing of ours answers at an address (RFC 9562). */
    private static function uri(string $id): string
    {
        return "urn:uuid:$id";
    }
}
