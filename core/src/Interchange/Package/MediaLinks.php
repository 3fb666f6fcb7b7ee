<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Qti30\Xml;

/** Names the media that markup of a package shows by path: pictures, sound, film, captions, and objects of earlier versions. */
final class MediaLinks
{
    private const OBJECTS = ['image' => 'img', 'audio' => 'audio', 'video' => 'video'];

    /** Width and height in pixels with a space between; empty until they are known. */
    public const MEASURED = 'data-measured';

    /** How a player looks is for who shows it; that it begins by itself is never kept. */
    private const PLAYER = ['controls', 'preload', 'autoplay', 'loop', 'muted', 'poster', 'playsinline', 'crossorigin'];

    /**
     * @param  \Closure(string): (Medium|Notice|null)  $medium  a path → the medium, why there is none, or null when there is no file
     * @return list<array{string, Notice|null}> the paths that lead to none
     */
    public static function resolve(\DOMElement $within, \Closure $medium): array
    {
        foreach (Xml::all($within, 'object') as $object) {
            self::embedded($object);
        }
        $missing = [];
        foreach (['img', 'audio', 'video'] as $name) {
            foreach (Xml::all($within, $name) as $shown) {
                if ($name !== 'img') {
                    self::player($shown, $medium, $missing);
                }
                self::named($shown, 'src', 'data-media', $medium, $missing);
            }
        }

        return $missing;
    }

    /**
     * @param  \Closure(string): (Medium|Notice|null)  $medium
     * @param  list<array{string, Notice|null}>  $missing
     */
    private static function named(\DOMElement $element, string $from, string $to, \Closure $medium, array &$missing): void
    {
        $href = $element->getAttribute($from);
        $element->removeAttribute($from);
        if ($href === '' || $element->hasAttribute($to)) {
            return;
        }
        $found = $medium($href);
        if ($found instanceof Medium) {
            $element->setAttribute($to, $found->id);
            self::sized($element, $found);
        } else {
            $missing[] = [$href, $found];
        }
    }

    /** How large a picture is, for whoever asked by this attribute of what it stands in. */
    private static function sized(\DOMElement $element, Medium $medium): void
    {
        $holder = $element->parentNode;
        if ($holder instanceof \DOMElement && $holder->hasAttribute(self::MEASURED)) {
            $holder->setAttribute(self::MEASURED, implode(' ', $medium->size() ?? []));
        }
    }

    /**
     * The first of several sources and the first track become attributes.
     *
     * @param  \Closure(string): (Medium|Notice|null)  $medium
     * @param  list<array{string, Notice|null}>  $missing
     */
    private static function player(\DOMElement $player, \Closure $medium, array &$missing): void
    {
        foreach (self::PLAYER as $attribute) {
            $player->removeAttribute($attribute);
        }
        foreach (Xml::all($player, 'source') as $source) {
            if (! $player->hasAttribute('src')) {
                $player->setAttribute('src', $source->getAttribute('src'));
            }
            $source->parentNode?->removeChild($source);
        }
        foreach (Xml::all($player, 'track') as $track) {
            if (in_array($track->getAttribute('kind'), ['', 'captions', 'subtitles'], true) && ! $player->hasAttribute('data-captions')) {
                $player->setAttribute('track', $track->getAttribute('src'));
                self::named($player, 'track', 'data-captions', $medium, $missing);
            }
            $track->parentNode?->removeChild($track);
        }
    }

    /** What earlier versions embed as an object is a picture, sound or film. */
    private static function embedded(\DOMElement $object): void
    {
        $name = self::OBJECTS[explode('/', strtolower($object->getAttribute('type')))[0]] ?? null;
        if ($name === null || $object->parentNode === null) {
            return;
        }
        $made = ($object->ownerDocument ?? new \DOMDocument)->createElement($name);
        $made->setAttribute('src', $object->getAttribute('data'));
        foreach (['width', 'height'] as $size) {
            if ($object->hasAttribute($size)) {
                $made->setAttribute($size, $object->getAttribute($size));
            }
        }
        $words = trim($object->textContent);
        if ($name === 'img' || $words !== '') {
            $made->setAttribute($name === 'img' ? 'alt' : 'title', $words);
        }
        $object->parentNode->replaceChild($made, $object);
    }
}
