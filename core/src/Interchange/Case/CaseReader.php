<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Case;

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\NameUuid;
use WideQuarry\Standards\Statement;
use WideQuarry\Standards\StatementCode;
use WideQuarry\Standards\StatementTree;

/**
 * Reads CFPackages. The hierarchy comes from the associations, whatever order they stand in; among siblings the sequence numbers count,
 * then the order of the file.
 */
final class CaseReader
{
    /** The space in which identifiers that are no UUIDs get one. */
    private const SPACE = '6d1f1d0a-51b6-4c5e-9a5d-0f6d2c6b8f11';

    /** Notices of one sort before they are only counted. */
    private const MOST_NOTICES = 100;

    /** Fields of CFItem that a statement has a place for. */
    private const ITEM = ['identifier', 'humanCodingScheme', 'fullStatement', 'abbreviatedStatement', 'CFItemType', 'notes'];

    private const DOCUMENT = ['identifier', 'title', 'version', 'language', 'notes', 'publisher'];

    /** @var list<Notice> */
    private array $notices = [];

    /** @var array<string, int> */
    private array $said = [];

    /** @return iterable<\stdClass|Notice> */
    public function read(Source $source): iterable
    {
        try {
            $json = Json::decode(self::unmarked($source->bytes()));
        } catch (Malformed $problem) {
            yield Notice::problem($problem->rule, $problem->getMessage(), $source->name, null, $problem->path);

            return;
        }
        $packages = self::packages($json);
        unset($json);
        foreach ($packages as $i => $package) {
            unset($packages[$i]); // what is read is let go, as a file may be large
            $framework = $this->framework($package, $source->name, $i);
            if ($framework !== null) {
                yield PackageContents::thing('framework', $framework->toJson());
            }
        }
        yield from $this->notices;
        foreach ($this->said as $key => $count) {
            if ($count > self::MOST_NOTICES) {
                $more = $count - self::MOST_NOTICES;
                yield Notice::note('case.more', Message::of('interchange.case.more', ['count' => $more, 'of' => $key]));
            }
        }
    }

    private static function unmarked(string $bytes): string
    {
        return str_starts_with($bytes, "\xEF\xBB\xBF") ? substr($bytes, 3) : $bytes;
    }

    /** @return list<\stdClass> one package, a list of them, or one in a wrapper */
    private static function packages(mixed $json): array
    {
        return match (true) {
            is_array($json) => array_merge(...array_map(self::packages(...), array_values($json))),
            ! $json instanceof \stdClass => [],
            isset($json->CFPackage) => self::packages($json->CFPackage),
            isset($json->CFPackages) => self::packages($json->CFPackages),
            default => [$json],
        };
    }

    private function framework(\stdClass $package, string $file, int $number): ?Framework
    {
        $document = ($package->CFDocument ?? null) instanceof \stdClass ? $package->CFDocument : new \stdClass;
        $items = array_values(array_filter(self::list($package, 'CFItems'), fn (mixed $item): bool => $item instanceof \stdClass));
        $title = self::text($document, 'title', 1000);
        if ($items === [] && $title === '') {
            $this->notices[] = Notice::problem('case.nothing', Message::of('interchange.case.nothing'), $file);

            return null;
        }
        if (count($items) > Framework::MOST_STATEMENTS) {
            $this->notices[] = Notice::problem(
                'case.too_many',
                Message::of('interchange.case.too-many', ['count' => count($items), 'most' => Framework::MOST_STATEMENTS]),
                $file,
            );

            return null;
        }
        $identifier = self::text($document, 'identifier', 500);
        $id = NameUuid::from($identifier === '' ? "$file $number $title" : $identifier, self::SPACE);
        $statements = $places = [];
        foreach ($items as $i => $item) {
            $statements[] = $this->statement($item, $id, $i, $file);
            $places[$statements[$i]->id] ??= $i;
        }
        $links = Links::read(self::list($package, 'CFAssociations'), $id, $places, self::end(...));
        foreach ($links->notes as [$code, $sentence]) {
            $this->say($code, $code, $sentence, $file);
        }
        unset($package, $items, $places, $item);
        $tree = StatementTree::of($links->ordered($statements));
        foreach ($tree->notes as [$code, $sentence]) {
            $this->notices[] = Notice::note($code, $sentence, $file);
        }
        $language = self::text($document, 'language', 35);

        return new Framework(
            $id,
            $title === '' ? Message::of('interchange.case.untitled') : $title,
            self::text($document, 'version', 100),
            $tree->statements,
            $links->associations,
            self::text($document, 'publisher', 1000),
            preg_match('/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/D', $language) === 1 ? $language : Fields::UNKNOWN_LANGUAGE,
            self::text($document, 'notes', Statement::LONGEST_TEXT),
            self::kept($document, self::DOCUMENT),
        );
    }

    private function statement(\stdClass $item, string $framework, int $place, string $file): Statement
    {
        $identifier = self::text($item, 'identifier', 500);
        $identifier = $identifier === '' ? self::lastStep(self::text($item, 'uri', 2000)) : $identifier;
        $given = is_string($item->humanCodingScheme ?? null) ? mb_scrub($item->humanCodingScheme) : '';
        $code = mb_substr(StatementCode::trimmed($given), 0, Statement::LONGEST_CODE);
        $text = self::text($item, 'fullStatement', PHP_INT_MAX);
        if ($code !== $given) {
            $this->say('case.code', 'code', Message::of('interchange.case.code-tidied', ['code' => $code]), $file);
        }
        if (mb_strlen($text) > Statement::LONGEST_TEXT) {
            $this->notices[] = Notice::loss(
                'case.text',
                Message::of('interchange.case.text-cut', ['code' => $code, 'most' => Statement::LONGEST_TEXT]),
                $file,
            );
            $text = mb_substr($text, 0, Statement::LONGEST_TEXT);
        }
        $title = self::text($item, 'abbreviatedStatement', 1000);
        $text = $text === '' ? $title : $text;
        if ($text === '' && $code === '') {
            $this->say('case.empty', 'empty', Message::of('interchange.case.no-words', ['number' => $place + 1]), $file);
        }
        $ends = self::text($item, 'statusEndDate', 50);

        return new Statement(
            $identifier === '' ? NameUuid::of($framework, "$place $code $text") : NameUuid::from($identifier, self::SPACE),
            $code,
            $text,
            null,
            // an end that is still to come leaves it in force, so this is the one place where the day counts
            $ends !== '' && substr($ends, 0, 10) <= gmdate('Y-m-d'),
            $title === $text ? '' : $title,
            self::text($item, 'CFItemType', 1000),
            self::text($item, 'notes', Statement::LONGEST_TEXT),
            self::kept($item, self::ITEM),
        );
    }

    private function say(string $code, string $key, string $message, string $file): void
    {
        $this->said[$key] = ($this->said[$key] ?? 0) + 1;
        if ($this->said[$key] <= self::MOST_NOTICES) {
            $this->notices[] = Notice::note($code, $message, $file);
        }
    }

    /** A LinkGenURI, or an address alone: the identifier is its last step. */
    private static function end(mixed $link): string
    {
        $identifier = $link instanceof \stdClass ? self::text($link, 'identifier', 500) : '';
        $uri = $link instanceof \stdClass ? self::text($link, 'uri', 2000) : (is_string($link) ? $link : '');
        $identifier = $identifier === '' ? self::lastStep($uri) : $identifier;

        return $identifier === '' ? '' : NameUuid::from($identifier, self::SPACE);
    }

    private static function lastStep(string $uri): string
    {
        return trim((string) preg_replace('~^.*[/:#]~', '', rtrim($uri, '/')));
    }

    /** @return list<mixed> */
    private static function list(\stdClass $object, string $field): array
    {
        $list = $object->{$field} ?? null;

        return is_array($list) ? array_values($list) : [];
    }

    private static function text(\stdClass $object, string $field, int $most): string
    {
        $value = $object->{$field} ?? null;

        return is_string($value) ? mb_substr(trim(mb_scrub($value)), 0, $most) : '';
    }

    /** @param  list<string>  $known */
    private static function kept(\stdClass $object, array $known): ?\stdClass
    {
        $others = array_diff_key(get_object_vars($object), array_flip($known));

        return $others === [] ? null : (object) $others;
    }
}
