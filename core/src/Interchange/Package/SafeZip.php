<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Messages\Message;

/**
 * A ZIP package that was looked through before anything is taken out of it. Nothing is ever unpacked to a path of the
 * package's choosing: entries are read into memory or streams. What an entry claims of its size is checked while reading.
 */
final class SafeZip
{
    private int $taken = 0;

    /** @var array<string, true> entries whose real size differs from the declared one */
    private array $unlike = [];

    /** @var array<string, string>|null */
    private ?array $names = null;

    /** @param  array<string, int>  $entries name → index */
    private function __construct(
        private readonly \ZipArchive $zip,
        public readonly array $entries,
        private readonly Limits $limits,
        public readonly int $bytes,
    ) {
    }

    /**
     * @param  string|null  $name  what the file is called by who gave it
     *
     * @throws UnreadableFile
     */
    public static function open(string $file, ?Limits $limits = null, ?string $name = null): self
    {
        $name ??= basename($file);
        $limits ??= new Limits;
        $zip = new \ZipArchive;
        if (! is_file($file)) {
            throw UnreadableFile::notFound($name);
        }
        if (filesize($file) === 0 || $zip->open($file, \ZipArchive::RDONLY | \ZipArchive::CHECKCONS) !== true) {
            throw UnreadableFile::brokenZip($name);
        }
        if ($zip->numFiles > $limits->entries) {
            throw UnreadableFile::tooMany($zip->numFiles, $limits->entries);
        }
        $entries = [];
        $total = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $stat = $zip->statIndex($i);
            if ($stat === false) {
                throw UnreadableFile::brokenZip($name);
            }
            self::check($zip, $i, $stat, $limits);
            $total += $stat['size'];
            if ($total > $limits->bytes) {
                throw UnreadableFile::tooLarge(intdiv($limits->bytes, 1_000_000));
            }
            if (isset($entries[$stat['name']])) {
                throw UnreadableFile::entry('repeated', $stat['name'], Message::of('interchange.package.stands-twice'));
            }
            if (! str_ends_with($stat['name'], '/')) {
                $entries[$stat['name']] = $i;
            }
        }

        return new self($zip, $entries, $limits, $total);
    }

    /** Unpacked bytes taken out so far; what is read twice counts once more. */
    public function taken(): int
    {
        return $this->taken;
    }

    public function has(string $name): bool
    {
        return isset($this->entries[$name]);
    }

    /**
     * An entry by a reference as people's systems write them: from a file's folder or from the top, with or without %20, in any case of
     * letters.
     *
     * @return string|null null when it leads to nothing in the package
     */
    public function find(string $from, string $href): ?string
    {
        foreach (
            array_unique([self::resolve($from, $href), self::resolve('', $href), self::resolve($from, str_replace('\\', '/', $href))]) as $name
        ) {
            $there = $name === null ? null : ($this->has($name) ? $name : $this->names()[mb_strtolower($name)] ?? null);
            if ($there !== null) {
                return $there;
            }
        }

        return null;
    }

    /** The one entry whose name ends so; null when there is none, or more than one. */
    public function ending(string $name): ?string
    {
        $name = trim(explode('?', $name)[0], './');
        $met =
            $name === ''
                ? []
                : array_values(
                    array_filter(
                        array_map(strval(...), array_keys($this->entries)),
                        fn (string $entry): bool => str_ends_with("/$entry", "/$name"),
                    ),
                );

        return count($met) === 1 ? $met[0] : null;
    }

    /** The beginning of an entry; '' when it is damaged. @throws UnreadableFile */
    public function head(string $name, int $bytes): string
    {
        $stream = $this->stream($name);
        $head = (string) self::quietly(fn (): string|false => stream_get_contents($stream, $bytes));
        fclose($stream);
        $this->count($name, 0, strlen($head));

        return $head;
    }

    /** @return array<string, string> in small letters → name */
    private function names(): array
    {
        return $this->names ??= array_column(
            array_map(fn (int|string $name): array => [mb_strtolower((string) $name), (string) $name], array_keys($this->entries)),
            1,
            0,
        );
    }

    /** @throws UnreadableFile */
    public function read(string $name): string
    {
        $stream = $this->stream($name);
        $bytes = '';
        while (! feof($stream)) {
            $chunk = self::quietly(fn (): string|false => fread($stream, 1 << 20));
            if ($chunk === false || ($chunk === '' && ! feof($stream))) {
                throw UnreadableFile::damaged($name);
            }
            $bytes .= $chunk;
            $this->count($name, strlen($chunk), strlen($bytes));
        }
        fclose($stream);
        $stat = $this->zip->statIndex($this->entries[$name]);
        if ($stat === false || strlen($bytes) !== $stat['size'] || (crc32($bytes) & 0xFFFFFFFF) !== ($stat['crc'] & 0xFFFFFFFF)) {
            throw UnreadableFile::damaged($name);
        }

        return $bytes;
    }

    /**
     * @return iterable<int, string> line number from 1 → line, without its end
     *
     * @throws UnreadableFile
     */
    public function lines(string $name): iterable
    {
        $stream = $this->stream($name);
        $total = 0;
        for ($number = 1; ($line = self::quietly(fn (): string|false => fgets($stream))) !== false; $number++) {
            $total += strlen($line);
            $this->count($name, strlen($line), $total);
            yield $number => rtrim($line, "\r\n");
        }
        fclose($stream);
        $stat = $this->zip->statIndex($this->entries[$name]);
        if ($stat === false || $stat['size'] !== $total) {
            $this->unlike[$name] = true;
        }
    }

    /** Whether the size of a streamed entry differs from the declared one. */
    public function isUnlikeDeclared(string $name): bool
    {
        return isset($this->unlike[$name]);
    }

    /** The notice for an entry whose size differs. */
    public function sizeNotice(string $name): Notice
    {
        return Notice::note(
            'package.size_differs',
            Message::of('interchange.package.package-longer-shorter-package', ['name' => $name]),
            $name,
        );
    }

    /** A path as it stands in a file, seen from that file's folder; null when it leads out of the package. */
    public static function resolve(string $from, string $href): ?string
    {
        $href = rawurldecode(explode('#', explode('?', $href)[0])[0]);
        if ($href === '' || preg_match('~^(?:[A-Za-z][A-Za-z0-9+.-]*:|/|\\\\)~', $href) === 1) {
            return null;
        }
        $steps = [];
        foreach (explode('/', (dirname($from) === '.' ? '' : dirname($from).'/').$href) as $step) {
            if ($step === '..' && array_pop($steps) === null) {
                return null;
            }
            if ($step !== '' && $step !== '.' && $step !== '..') {
                $steps[] = $step;
            }
        }

        return implode('/', $steps);
    }

    /** @return resource */
    private function stream(string $name)
    {
        $stream = isset($this->entries[$name]) ? $this->zip->getStreamIndex($this->entries[$name]) : false;

        return $stream === false ? throw UnreadableFile::missing($name) : $stream;
    }

    /**
     * Silences zlib's warnings: the caller detects damage from the result, and a throwing error handler would hide the reason.
     *
     * @param  \Closure(): (string|false)  $read
     */
    private static function quietly(\Closure $read): string|false
    {
        set_error_handler(fn (): bool => true);
        try {
            return $read();
        } finally {
            restore_error_handler();
        }
    }

    private function count(string $name, int $more, int $ofEntry): void
    {
        $this->taken += $more;
        if ($ofEntry > $this->limits->entryBytes || $this->taken > 2 * $this->limits->bytes) {
            throw UnreadableFile::entry('too_large', $name, Message::of('interchange.package.larger-says'));
        }
    }

    /** @param  array<mixed>  $stat */
    private static function check(\ZipArchive $zip, int $index, array $stat, Limits $limits): void
    {
        $name = is_string($stat['name'] ?? null) ? $stat['name'] : '';
        $size = is_int($stat['size'] ?? null) ? $stat['size'] : 0;
        $packed = is_int($stat['comp_size'] ?? null) ? $stat['comp_size'] : 0;
        $zip->getExternalAttributesIndex($index, $system, $attributes);
        $type = $system === \ZipArchive::OPSYS_UNIX && is_int($attributes) ? ($attributes >> 16) & 0170000 : 0;
        [$rule, $why] = match (true) {
            preg_match('~^(?:/|\\\\|[A-Za-z]:)~', $name) === 1 => ['absolute_name', Message::of('interchange.package.absolute-name')],
            str_contains($name, "\0") || str_contains($name, '\\') || preg_match('~(?:^|/)\.\.(?:/|$)~', $name) === 1 => [
                'path_escape',
                Message::of('interchange.package.leads-out-package'),
            ],
            $type !== 0 && $type !== 0100000 && $type !== 0040000 => ['link', Message::of('interchange.package.link-device')],
            ($stat['encryption_method'] ?? 0) !== 0 => ['encrypted', Message::of('interchange.package.encrypted')],
            substr_count(rtrim($name, '/'), '/') >= $limits->depth => [
                'too_deep',
                Message::of('interchange.package.lies-too-many-folders'),
            ],
            $size > $limits->entryBytes => ['too_large', Message::of('interchange.package.larger-mb', [
                'megabytes' => intdiv($limits->entryBytes, 1_000_000),
            ])],
            $size > 1_000_000 && $size > $limits->ratio * max(1, $packed) => [
                'compression_ratio',
                Message::of('interchange.package.packed-tighter-anything-honest'),
            ],
            default => ['', ''],
        };
        if ($rule !== '') {
            throw UnreadableFile::entry($rule, $name, $why);
        }
    }
}
