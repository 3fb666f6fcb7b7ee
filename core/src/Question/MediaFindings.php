<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\Finding;
use WideQuarry\Messages\Message;

/** What is wrong with the pictures and recordings of a question or stimulus: nobody said what one shows, or there is none. */
final class MediaFindings
{
    /**
     * Pictures without alternative text (WCAG 1.1.1); an empty one says that a picture only decorates.
     *
     * @return list<Finding>
     */
    public static function undescribed(mixed $content, string $path = ''): array
    {
        $findings = [];
        foreach (self::texts($content, $path) as $place => $html) {
            $count = (int) preg_match_all('/<img\b(?![^>]*\salt=)[^>]*\sdata-media=/', $html);
            if ($count > 0) {
                $findings[] = Finding::warning('media.undescribed', $place, Message::of('question.picture-undescribed', ['n' => $count]));
            }
        }

        return $findings;
    }

    /**
     * Recordings that nobody can read (WCAG 1.2.1, 1.2.2).
     *
     * @return list<Finding>
     */
    public static function unheard(mixed $content, string $path = ''): array
    {
        $findings = [];
        foreach (self::texts($content, $path) as $place => $html) {
            $count = (int) preg_match_all('/<(?:audio|video)\b(?![^>]*\sdata-(?:captions|transcript)=)[^>]*\sdata-media=/', $html);
            if ($count > 0) {
                $findings[] = Finding::warning('media.unheard', $place, Message::of('question.recording-unheard', ['n' => $count]));
            }
        }

        return $findings;
    }

    /**
     * References to media that do not exist.
     *
     * @param  list<string>  $there
     * @return list<Finding>
     */
    public static function missing(\stdClass $content, array $there): array
    {
        return array_map(
            fn (string $id): Finding => Finding::warning(
                'media.missing',
                self::placeOf($content, $id) ?? '',
                Message::of('question.medium-missing'),
                ['medium' => $id],
            ),
            array_values(array_diff(QuestionMedia::in($content), $there)),
        );
    }

    /** The text that names a medium, or the picture that is one; null where nothing does. */
    private static function placeOf(mixed $value, string $id, string $path = ''): ?string
    {
        $isHere = is_string($value)
            ? in_array($id, QuestionMedia::in($value), true)
            : $value instanceof \stdClass && ($value->media ?? null) === $id;
        if ($isHere) {
            return $path;
        }
        foreach (is_array($value) || $value instanceof \stdClass ? (array) $value : [] as $name => $inner) {
            $place = self::placeOf($inner, $id, $path.'/'.strtr((string) $name, ['~' => '~0', '/' => '~1']));
            if ($place !== null) {
                return $place;
            }
        }

        return null;
    }

    /** @return iterable<string, string> JSON Pointer → rich text that names a medium */
    private static function texts(mixed $value, string $path): iterable
    {
        if (is_string($value) && str_contains($value, 'data-media')) {
            yield $path => $value;
        }
        foreach (is_array($value) || $value instanceof \stdClass ? (array) $value : [] as $name => $inner) {
            yield from self::texts($inner, $path.'/'.strtr((string) $name, ['~' => '~0', '/' => '~1']));
        }
    }
}
