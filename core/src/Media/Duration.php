<?php

declare(strict_types=1);

namespace WideQuarry\Media;

/** How long sound or film lasts, by its headers; null where they do not say. Nothing is decoded. */
final class Duration
{
    private const BIT_RATES = [
        3 => [0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320], // MPEG 1, layer III
        2 => [0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160], // MPEG 2
        0 => [0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160], // MPEG 2.5
    ];

    public static function of(string $type, string $bytes): ?float
    {
        return match ($type) {
            'audio/wav' => self::wave($bytes),
            'audio/ogg' => self::ogg($bytes),
            'audio/mpeg' => self::mpeg($bytes),
            'audio/mp4', 'video/mp4' => self::boxes($bytes),
            default => null,
        };
    }

    /** Bytes of the data chunk by bytes a second (RIFF, WAVEFORMAT). */
    private static function wave(string $bytes): ?float
    {
        $rate = null;
        for ($at = 12; $at + 8 <= strlen($bytes);) {
            $length = Bytes::whole('V', $bytes, $at + 4) ?? 0;
            $name = substr($bytes, $at, 4);
            if ($name === 'fmt ') {
                $rate = Bytes::whole('V', $bytes, $at + 16);
            } elseif ($name === 'data') {
                return $rate === null || $rate === 0 ? null : min($length, strlen($bytes)) / $rate;
            }
            $at += 8 + $length + $length % 2;
        }

        return null;
    }

    /** The last granule position by the sampling rate (RFC 3533; Vorbis I, 4.2.2; RFC 7845 counts 48,000 a second). */
    private static function ogg(string $bytes): ?float
    {
        $last = strrpos($bytes, 'OggS');
        $granules = $last === false ? null : Bytes::whole('P', $bytes, $last + 6);
        $vorbis = strpos(substr($bytes, 0, 4096), "\x01vorbis");
        $rate = str_contains(substr($bytes, 0, 4096), 'OpusHead')
            ? 48_000
            : ($vorbis === false ? null : Bytes::whole('V', $bytes, $vorbis + 12));

        return $granules === null || $granules < 0 || $rate === null || $rate === 0 ? null : $granules / $rate;
    }

    /** Bytes by the bit rate of the first frame; of a changing rate an estimate. */
    private static function mpeg(string $bytes): ?float
    {
        $at = 0;
        if (str_starts_with($bytes, 'ID3') && strlen($bytes) > 10) {
            $at = 10 + ((ord($bytes[6]) & 127) << 21 | (ord($bytes[7]) & 127) << 14 | (ord($bytes[8]) & 127) << 7 | ord($bytes[9]) & 127);
        }
        $at = strpos($bytes, "\xFF", min($at, strlen($bytes)));
        if ($at === false || ! isset($bytes[$at + 2])) {
            return null;
        }
        $rate = self::BIT_RATES[(ord($bytes[$at + 1]) >> 3) & 3][ord($bytes[$at + 2]) >> 4] ?? 0;

        return $rate === 0 ? null : (strlen($bytes) - $at) * 8 / ($rate * 1000);
    }

    /** The movie header (ISO/IEC 14496-12, 8.2.2) in the box moov, wherever that stands. */
    private static function boxes(string $bytes): ?float
    {
        for ($at = 0, $end = strlen($bytes); $at + 8 <= $end;) {
            $length = Bytes::whole('N', $bytes, $at) ?? 0;
            $name = substr($bytes, $at + 4, 4);
            $head = $length === 1 ? 16 : 8;
            $length = $length === 1 ? (Bytes::whole('J', $bytes, $at + 8) ?? 0) : ($length === 0 ? $end - $at : $length);
            if ($name === 'mvhd') {
                return self::movieHeader($bytes, $at + 8);
            }
            if ($length < $head) {
                return null;
            }
            $at += $name === 'moov' ? $head : $length;
        }

        return null;
    }

    /** @param  int  $at  where its content begins: version and flags, two dates, time scale, duration */
    private static function movieHeader(string $bytes, int $at): ?float
    {
        $isLong = ($bytes[$at] ?? '') === "\x01";
        $scale = Bytes::whole('N', $bytes, $at + ($isLong ? 20 : 12));
        $duration = $isLong ? Bytes::whole('J', $bytes, $at + 24) : Bytes::whole('N', $bytes, $at + 16);

        return $scale === null || $scale === 0 || $duration === null || $duration < 0 ? null : $duration / $scale;
    }
}
