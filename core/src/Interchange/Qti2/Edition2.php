<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti2;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Qti30\Edition;
use WideQuarry\Interchange\Qti30\Qti30Format;

/** QTI 2.1 and 2.2 differ in their namespace, in how they name a package, in stimuli, and in what may be heard and seen. */
final readonly class Edition2 implements Edition
{
    private const TAG = '~<(/?)qti-([a-z-]++)((?:\s++[^\s<>"\'=/]++="[^"<]*+")*+)(\s*+/?+>)~';

    /** Attributes that came with a later version. */
    private const LATER = [
        1 => [
            'choice-interaction' => ['orientation' => true],
            'gap-match-interaction' => ['max-associations' => true],
            'graphic-gap-match-interaction' => ['max-associations' => true],
            'rubric-block' => ['use' => true],
        ],
        2 => ['gap-match-interaction' => ['max-associations' => true]],
    ];

    private function __construct(private int $minor)
    {
    }

    public static function v21(): self
    {
        return new self(1);
    }

    public static function v22(): self
    {
        return new self(2);
    }

    public function format(): string
    {
        return "qti2$this->minor";
    }

    public function type(string $kind): string
    {
        return "imsqti_{$kind}_xmlv2p$this->minor";
    }

    public function manifest(string $identifier, string $resources): string
    {
        return "<manifest xmlns=\"http://www.imsglobal.org/xsd/imscp_v1p1\" identifier=\"$identifier\"><metadata>".
            "<schema>QTIv2.$this->minor Package</schema><schemaversion>1.0.0</schemaversion></metadata><organizations/>".
            "<resources>$resources</resources></manifest>";
    }

    public function hasStimuli(): bool
    {
        return $this->minor >= 2;
    }

    public function lower(string $xml): string
    {
        $xml = (string) preg_replace('~<qti-companion-materials-info>.*?</qti-companion-materials-info>~s', '', $xml);
        $xml = str_replace(
            ['xmlns="'.Qti30Format::NAMESPACE.'"', '<qti-content-body>', '</qti-content-body>'],
            ["xmlns=\"http://www.imsglobal.org/xsd/imsqti_v2p$this->minor\"", '', ''],
            $xml,
        );
        $xml = (string) preg_replace_callback(
            '~<(qti-gap-text|qti-inline-choice)((?: [^<>]*)?)>(.*?)</\1>~s',
            fn (array $m): string => "<$m[1]$m[2]>".strip_tags($m[3])."</$m[1]>",
            $xml,
        ); // words alone may stand in these
        $xml = (string) preg_replace_callback(
            self::TAG,
            function (array $m): string {
                $attributes =
                    $m[3] === ''
                        ? ''
                        : (string) preg_replace_callback(
                            '/(\s)([^\s="]++)(="[^"]*+")/',
                            fn (array $one): string => isset(self::LATER[$this->minor][$m[2]][$one[2]])
                                ? ''
                                : $one[1].Vocabulary::attributeThere($one[2]).$one[3],
                            OwnClasses::from($m[3]),
                        );

                return "<$m[1]".Vocabulary::elementThere("qti-$m[2]")."$attributes$m[4]";
            },
            $xml,
        );

        $xml = OwnClasses::html(GraphicObjects::in($xml, $this->minor >= 2));

        return $this->minor >= 2
            ? $xml
            : (string) preg_replace_callback(
                '~<(audio|video)\b([^>]*)\bsrc="([^"]*)"([^>]*)>.*?</\1>~s',
                fn (array $m): string => '<object data="'.$m[3].'" type="'.Medium::typeNamed($m[3], $m[1]).'">'.
                    (preg_match('/ title="([^"]*)"/', " $m[2] $m[4]", $title) === 1 ? $title[1] : '').
                    '</object>',
                $xml,
            );
    }
}
