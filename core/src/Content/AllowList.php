<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/**
 * What rich text may hold. Element names and content categories follow the HTML standard (html.spec.whatwg.org, sections 4
 * and 3.2.5); the mathematical ones MathML Core (www.w3.org/TR/mathml-core), less maction, annotation-xml and href.
 */
final class AllowList
{
    /** Block elements and their attributes. div stands for the anchor of a block part only. */
    public const BLOCK = [
        'p' => [],
        'h3' => [],
        'h4' => [],
        'h5' => [],
        'pre' => [],
        'blockquote' => [],
        'hr' => [],
        'figure' => ['data-align'],
        'ul' => [],
        'ol' => ['start', 'type'],
        'table' => [],
        'div' => ['data-part'],
    ];

    public const PHRASE = [
        'strong' => [],
        'em' => [],
        'u' => [],
        's' => [],
        'sub' => [],
        'sup' => [],
        'code' => [],
        'br' => [],
        'a' => ['href'],
        'img' => ['data-media', 'data-view', 'alt', 'width', 'height'],
        'audio' => ['data-media', 'data-captions', 'data-transcript', 'data-plays', 'title'],
        'video' => ['data-media', 'data-captions', 'data-transcript', 'data-plays', 'title', 'width', 'height'],
        'span' => ['data-part', 'data-gap', 'data-of', 'data-piece', 'data-remark'],
        'var' => ['data-value'],
    ];

    /** Parts of tables, lists and figures, allowed only in their place. */
    public const INNER = [
        'li' => [],
        'caption' => [],
        'figcaption' => [],
        'thead' => [],
        'tbody' => [],
        'tr' => [],
        'th' => ['scope', 'colspan', 'rowspan', 'data-colwidth'],
        'td' => ['colspan', 'rowspan', 'data-colwidth'],
    ];

    public const MATHS = [
        'math',
        'mrow',
        'mi',
        'mn',
        'mo',
        'ms',
        'mtext',
        'mspace',
        'mfrac',
        'msqrt',
        'mroot',
        'msub',
        'msup',
        'msubsup',
        'munder',
        'mover',
        'munderover',
        'mmultiscripts',
        'mprescripts',
        'mtable',
        'mtr',
        'mtd',
        'mstyle',
        'mpadded',
        'mphantom',
        'merror',
        'semantics',
        'annotation',
    ];

    /** Mathematical elements that hold text and nothing else. */
    public const MATHS_TEXT = ['mi', 'mn', 'mo', 'ms', 'mtext', 'annotation'];

    public const MATHS_ATTRIBUTES = [
        'display',
        'mathvariant',
        'displaystyle',
        'scriptlevel',
        'stretchy',
        'fence',
        'separator',
        'lspace',
        'rspace',
        'minsize',
        'maxsize',
        'symmetric',
        'largeop',
        'movablelimits',
        'form',
        'accent',
        'accentunder',
        'linethickness',
        'columnalign',
        'columnspan',
        'rowspan',
        'width',
        'height',
        'depth',
        'voffset',
        'dir',
    ];

    /** Left out with everything inside: their text is not for readers, or is a way in for scripts. */
    public const REMOVED_WHOLE = [
        'script',
        'style',
        'template',
        'iframe',
        'object',
        'embed',
        'applet',
        'noscript',
        'noembed',
        'noframes',
        'frame',
        'frameset',
        'svg',
        'canvas',
        'form',
        'input',
        'button',
        'select',
        'textarea',
        'option',
        'head',
        'title',
        'meta',
        'link',
        'base',
        'maction',
        'annotation-xml',
        'mglyph',
        'portal',
        'xmp',
        'plaintext',
        'param',
        'source',
        'track',
        'map',
        'area',
        'dialog',
        'slot',
    ];

    /** Other names for the same thing. */
    public const SAME = [
        'b' => 'strong',
        'i' => 'em',
        'strike' => 's',
        'del' => 's',
        'ins' => 'u',
        'h1' => 'h3',
        'h2' => 'h3',
        'h6' => 'h5',
        'tt' => 'code',
        'kbd' => 'code',
        'samp' => 'code',
        'tfoot' => 'tbody',
        'cite' => 'em',
        'dfn' => 'em',
    ];

    /** Only hold other things together; taken away without a word. */
    public const WRAPPERS = [
        'div',
        'span',
        'html',
        'body',
        'section',
        'article',
        'main',
        'header',
        'footer',
        'aside',
        'nav',
        'center',
        'font',
        'colgroup',
        'col',
        'tbody',
        'wbr',
    ];

    public const VOID = ['br', 'img', 'hr'];
}
