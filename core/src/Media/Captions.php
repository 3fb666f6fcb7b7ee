<?php

declare(strict_types=1);

namespace WideQuarry\Media;

use WideQuarry\Messages\Message;

/**
 * Captions (WebVTT, www.w3.org/TR/webvtt1) from a transcript whose lines begin with their time, as people type it or as other programs
 * write subtitles: `0:07 Good morning`, `[00:01:02] …`, or `00:00:01,000 --> 00:00:04,000` above its lines.
 */
final class Captions
{
    private const TIME = '(?:(\d{1,2}):)?(\d{1,3}):(\d{2})(?:[.,](\d{1,3}))?';

    /** What is said last stays so long, by how fast people read. */
    private const WORDS_A_SECOND = 2.5;

    private const LEAST = 2.0;

    /**
     * @param  float|null  $seconds  how long the recording lasts, where that is known
     * @return string WebVTT
     *
     * @throws UnusableMedium naming the line that has no time, or whose time goes back
     */
    public static function fromTranscript(string $transcript, ?float $seconds = null): string
    {
        $cues = self::cues($transcript);
        $written = "WEBVTT\n";
        foreach ($cues as $i => $cue) {
            $end = $cue['end'] ?? $cues[$i + 1]['from'] ?? self::last($cue['from'], $cue['words'], $seconds);
            $times = self::time($cue['from']).' --> '.self::time(max($end, $cue['from'] + 0.001));
            $written .= "\n$times\n".self::plain($cue['words'])."\n";
        }

        return $written;
    }

    /**
     * @return non-empty-list<array{from: float, end: float|null, words: string}>
     *
     * @throws UnusableMedium
     */
    private static function cues(string $transcript): array
    {
        /** @var list<array{from: float, end: float|null, words: string}> $cues */
        $cues = [];
        $lines = explode("\n", str_replace(["\r\n", "\r"], "\n", $transcript));
        foreach ($lines as $at => $line) {
            $line = trim($line);
            if ($line === '' || self::isFrame($line, $lines[$at + 1] ?? '', $cues === [])) {
                continue;
            }
            $last = array_pop($cues);
            $cue = self::cue($line);
            if ($cue === null && $last === null) {
                throw self::problem('captions.untimed', 'media.captions-untimed', $at + 1);
            }
            if ($cue !== null && $last !== null && $cue['from'] < $last['from']) {
                throw self::problem('captions.back', 'media.captions-back', $at + 1);
            }
            $more = $cue === null ? ['from' => $last['from'], 'end' => $last['end'], 'words' => $last['words']."\n$line"] : null;
            array_push($cues, ...array_filter($more === null ? [$last, $cue] : [$more]));
        }

        return $cues === [] ? throw self::problem('captions.untimed', 'media.captions-untimed', 1) : $cues;
    }

    /** What other formats put around: their name at the top, and a number above each time. */
    private static function isFrame(string $line, string $next, bool $isFirst): bool
    {
        return ($isFirst && preg_match('/^(?:\x{FEFF})?WEBVTT\b/u', $line) === 1) || (ctype_digit($line) && str_contains($next, '-->'));
    }

    /** @return array{from: float, end: float|null, words: string}|null null for a line without a time */
    private static function cue(string $line): ?array
    {
        $settings = '(?:\s+[a-z]+:\S+)*';
        $pattern = '/^[\[(]?'.self::TIME.'(?:\s*-->\s*'.self::TIME.$settings.')?[\])]?[:\s–-]*(.*)$/Du';
        if (preg_match($pattern, $line, $m, PREG_UNMATCHED_AS_NULL) !== 1) {
            return null;
        }

        return [
            'from' => self::seconds($m[1], $m[2], $m[3], $m[4]),
            'end' => $m[6] === null ? null : self::seconds($m[5], $m[6], $m[7], $m[8]),
            'words' => (string) $m[9],
        ];
    }

    private static function problem(string $rule, string $sentence, int $line): UnusableMedium
    {
        return new UnusableMedium($rule, Message::of($sentence, ['line' => $line]));
    }

    private static function seconds(?string $hours, ?string $minutes, ?string $seconds, ?string $rest): float
    {
        return (int) $hours * 3600 + (int) $minutes * 60 + (int) $seconds + (float) ('0.'.($rest ?? '0'));
    }

    private static function last(float $from, string $words, ?float $seconds): float
    {
        $read = $from + max(self::LEAST, preg_match_all('/\S+/u', $words) / self::WORDS_A_SECOND);

        return $seconds === null || $seconds <= $from ? $read : min($read, $seconds);
    }

    private static function time(float $seconds): string
    {
        $thousandths = (int) round($seconds * 1000);

        return sprintf(
            '%02d:%02d:%02d.%03d',
            intdiv($thousandths, 3_600_000),
            intdiv($thousandths, 60_000) % 60,
            intdiv($thousandths, 1000) % 60,
            $thousandths % 1000,
        );
    }

    /** Words that mean nothing to a reader of WebVTT (5.1), one line for each that was typed. */
    private static function plain(string $words): string
    {
        return strtr(trim($words), ['&' => '&amp;', '<' => '&lt;', '>' => '&gt;']);
    }
}
