<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

final class Edition30 implements Edition
{
    public function format(): string
    {
        return 'qti30';
    }

    public function type(string $kind): string
    {
        return "imsqti_{$kind}_xmlv3p0";
    }

    public function manifest(string $identifier, string $resources): string
    {
        return "<manifest xmlns=\"http://www.imsglobal.org/xsd/qti/qtiv3p0/imscp_v1p1\" identifier=\"$identifier\"><metadata>".
            '<schema>QTI Package</schema><schemaversion>3.0.0</schemaversion></metadata><organizations/>'.
            "<resources>$resources</resources></manifest>";
    }

    public function lower(string $xml): string
    {
        return $xml;
    }

    public function hasStimuli(): bool
    {
        return true;
    }
}
