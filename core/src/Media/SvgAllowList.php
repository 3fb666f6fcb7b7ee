<?php

declare(strict_types=1);

namespace WideQuarry\Media;

/** What a drawing may hold: elements and attributes of SVG 2 and Filter Effects 1 that draw, and nothing that acts or loads. */
final class SvgAllowList
{
    public const ELEMENTS = [
        'svg' => 1, 'g' => 1, 'defs' => 1, 'symbol' => 1, 'use' => 1, 'title' => 1, 'desc' => 1, 'style' => 1, 'switch' => 1,
        'path' => 1, 'rect' => 1, 'circle' => 1, 'ellipse' => 1, 'line' => 1, 'polyline' => 1, 'polygon' => 1, 'image' => 1,
        'text' => 1, 'tspan' => 1, 'textPath' => 1,
        'marker' => 1, 'linearGradient' => 1, 'radialGradient' => 1, 'stop' => 1, 'pattern' => 1, 'clipPath' => 1, 'mask' => 1,
        'filter' => 1, 'feBlend' => 1, 'feColorMatrix' => 1, 'feComponentTransfer' => 1, 'feComposite' => 1, 'feConvolveMatrix' => 1,
        'feDiffuseLighting' => 1, 'feDisplacementMap' => 1, 'feDistantLight' => 1, 'feDropShadow' => 1, 'feFlood' => 1, 'feFuncA' => 1,
        'feFuncB' => 1, 'feFuncG' => 1, 'feFuncR' => 1, 'feGaussianBlur' => 1, 'feMerge' => 1, 'feMergeNode' => 1, 'feMorphology' => 1,
        'feOffset' => 1, 'fePointLight' => 1, 'feSpecularLighting' => 1, 'feSpotLight' => 1, 'feTile' => 1, 'feTurbulence' => 1,
    ];

    /** Nobody misses these. */
    public const UNSEEN = ['metadata' => 1, 'namedview' => 1, 'view' => 1, 'cursor' => 1];

    private const ATTRIBUTES = [
        'id', 'class', 'style', 'transform', 'viewBox', 'preserveAspectRatio', 'version', 'width', 'height', 'x', 'y', 'x1', 'y1', 'x2',
        'y2', 'cx', 'cy', 'r', 'rx', 'ry', 'fx', 'fy', 'fr', 'd', 'points', 'pathLength', 'dx', 'dy', 'rotate', 'textLength',
        'lengthAdjust', 'startOffset', 'method', 'spacing', 'side', 'offset', 'gradientUnits', 'gradientTransform', 'spreadMethod',
        'patternUnits', 'patternContentUnits', 'patternTransform', 'clipPathUnits', 'maskUnits', 'maskContentUnits', 'markerUnits',
        'markerWidth', 'markerHeight', 'refX', 'refY', 'orient', 'filterUnits', 'primitiveUnits', 'in', 'in2', 'result', 'stdDeviation',
        'mode', 'operator', 'k1', 'k2', 'k3', 'k4', 'values', 'type', 'tableValues', 'slope', 'intercept', 'amplitude', 'exponent',
        'baseFrequency', 'numOctaves', 'seed', 'stitchTiles', 'order', 'kernelMatrix', 'divisor', 'bias', 'targetX', 'targetY', 'edgeMode',
        'preserveAlpha', 'radius', 'scale', 'xChannelSelector', 'yChannelSelector', 'surfaceScale', 'diffuseConstant', 'specularConstant',
        'specularExponent', 'limitingConeAngle', 'azimuth', 'elevation', 'z', 'pointsAtX', 'pointsAtY', 'pointsAtZ', 'systemLanguage',
        'role', 'aria-label', 'aria-hidden', 'lang', 'space',
        // presentation attributes (SVG 2, 6.6)
        'alignment-baseline', 'baseline-shift', 'clip-path', 'clip-rule', 'color', 'color-interpolation', 'color-interpolation-filters',
        'direction', 'display', 'dominant-baseline', 'fill', 'fill-opacity', 'fill-rule', 'filter', 'flood-color', 'flood-opacity',
        'font-family', 'font-size', 'font-size-adjust', 'font-stretch', 'font-style', 'font-variant', 'font-weight', 'image-rendering',
        'isolation', 'letter-spacing', 'lighting-color', 'marker', 'marker-end', 'marker-mid', 'marker-start', 'mask', 'mix-blend-mode',
        'opacity', 'overflow', 'paint-order', 'shape-rendering', 'stop-color', 'stop-opacity', 'stroke', 'stroke-dasharray',
        'stroke-dashoffset', 'stroke-linecap', 'stroke-linejoin', 'stroke-miterlimit', 'stroke-opacity', 'stroke-width', 'text-anchor',
        'text-decoration', 'text-rendering', 'transform-origin', 'unicode-bidi', 'vector-effect', 'visibility', 'white-space',
        'word-spacing', 'writing-mode',
    ];

    private const UNMISSED = '/^(?:data-|aria-|enable-background$|xmlns|baseProfile$|contentScriptType$|tabindex$|focusable$)/';

    private const XLINK = 'http://www.w3.org/1999/xlink';

    private const XML = 'http://www.w3.org/XML/1998/namespace';

    /** @return string|null the value as it is kept; null when the attribute goes */
    public static function value(string $element, \DOMAttr $attribute): ?string
    {
        $name = (string) $attribute->localName;
        $value = $attribute->value;
        if ($name === 'href' && in_array($attribute->namespaceURI, [null, self::XLINK], true)) {
            return self::reference($element, $value);
        }
        if (
            ! in_array($attribute->namespaceURI, [null, self::XML], true) ||
            ! in_array($name, self::ATTRIBUTES, true) ||
            strlen($value) > 1_000_000
        ) {
            return null;
        }

        return $name === 'style' ? self::css($value) : (self::loads($value) ? null : $value);
    }

    /** Whether somebody could miss it: notes of the program that drew it are nothing to see. */
    public static function isMissed(\DOMAttr $attribute): bool
    {
        return in_array($attribute->namespaceURI, [null, self::XLINK], true) &&
            preg_match(self::UNMISSED, $attribute->nodeName) !== 1;
    }

    /** @return string|null a style sheet or declarations that load nothing; null for any other */
    public static function css(string $css): ?string
    {
        $plain = (string) preg_replace('~/\*.*?\*/|@font-face\s*\{[^{}]*\}|@(?:charset|namespace)[^;{}]*;~s', '', $css);

        return preg_match('/[\\\\<]|@(?!media\b|supports\b)|expression\s*\(|behaviou?r\s*:|-moz-binding|javascript:/i', $plain) === 1 ||
            self::loads($plain)
            ? null
            : trim($plain);
    }

    /** Whether a value names anything but a part of the same drawing. */
    private static function loads(string $value): bool
    {
        $plain = (string) preg_replace('/[\x00-\x20]+/', '', $value);
        $outside = (string) preg_replace('/url\((["\']?)#[^"\'()\s]{1,200}\1\)/i', '', $plain);

        return preg_match('/url\(|(?:image-set|cross-fade|image|src|element)\(|(?:java|vb)script:/i', $outside) === 1;
    }

    private static function reference(string $element, string $value): ?string
    {
        $value = trim($value);
        if (preg_match('/^#[^\s"\'<>]{1,200}$/D', $value) === 1) {
            return $value;
        }

        return $element === 'image' && preg_match('~^data:image/(?:png|jpeg|gif|webp);base64,[A-Za-z0-9+/=\s]+$~D', $value) === 1
            ? (string) preg_replace('/\s+/', '', $value)
            : null;
    }
}
